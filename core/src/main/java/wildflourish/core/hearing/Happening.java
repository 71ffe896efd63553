package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedList;
import java.util.List;
import java.util.Optional;

/**
 * Something that is heard on a note beside the note itself: what the fingers, the tongue or the bow did.
 *
 * @param at where in the note, from 0 at its beginning to 1 at its end
 * @param forMs how long it lasts; 0 for an attack
 * @param semitones how far from the note: above it more than 0, below it less
 */
public record Happening(Kind kind, double at, double forMs, double semitones) {

    /** What it is. */
    public enum Kind {
        /** A new start, of the tongue, a stroke or a pluck. */
        ATTACK("a new attack"),
        /** Another pitch above, and back. */
        ABOVE("a grace above"),
        /** Another pitch below, and back. */
        BELOW("a grace below"),
        /** A pitch that moves evenly into the note, or out of it. */
        GLIDE("a slide");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /** Nearer than this it is the note itself, in semitones. */
    private static final double OWN = 0.6;
    /** A half, a third, a quarter, a fifth and a sixth of a frequency, in semitones below it. */
    private static final double[] FRACTIONS = {12, 19.02, 24, 27.86, 31.02};
    /** A glide takes this long at least, in milliseconds, and passes through pitches between. */
    private static final double GLIDES = 25;
    private static final double LINE = 0.85;
    private static final double MOVES = 0.5;
    /** What is shorter than this, in milliseconds, glides by so many semitones a millisecond at most; a finger that lands is quicker. */
    private static final double LONG = 60;
    private static final double STEEP = 0.024;
    /** In the first frames ears still hear what was before; what glides is furthest away early, what taps in its middle. */
    private static final int BLURRED = 2;
    private static final double EARLY = 0.45;
    /** Shorter is a wrinkle and nothing that a hand did. */
    private static final double SHORTEST = 16;
    /** So far from the beginning an attack is the note's own, in milliseconds. */
    private static final double START = 30;
    /** So near the end it is the next note's. */
    private static final double END = 25;
    private static final float CLEAR = 0.35f;

    /** What happens in a stretch of frames whose note has a pitch, attacks at its very beginning left out. */
    public static List<Happening> within(Heard heard, int from, int to, double pitch) {
        List<Happening> all = new ArrayList<>();
        int frame = from;
        while (frame < to) {
            double away = heard.midi()[frame] - pitch;
            if (isOwn(away)) {
                frame++;
                continue;
            }
            int end = frame;
            double furthest = 0;
            int furthestAt = 0;
            double sum = 0;
            while (end < to && !isOwn(heard.midi()[end] - pitch) && Math.signum(heard.midi()[end] - pitch) == Math.signum(away)) {
                double now = heard.midi()[end] - pitch;
                if (Math.abs(now) > Math.abs(furthest)) {
                    furthest = now;
                    furthestAt = end - frame;
                }
                sum += now;
                end++;
            }
            int count = end - frame;
            double forMs = count * heard.hopMs();
            if (forMs > SHORTEST) {
                boolean glides = forMs >= GLIDES && (isEven(heard, frame, end) || count > 3 * BLURRED && furthestAt < EARLY * count && isEven(heard, frame + BLURRED, end));
                all.add(new Happening(glides ? Kind.GLIDE : away > 0 ? Kind.ABOVE : Kind.BELOW, share(frame - from, to - from), forMs, glides ? furthest : sum / count));
            }
            frame = end;
        }
        for (int f = from + (int) Math.ceil(START / heard.hopMs()); f < to - (int) (END / heard.hopMs()); f++) {
            if (heard.attack()[f] > CLEAR) {
                all.add(new Happening(Kind.ATTACK, share(f - from, to - from), 0, 0));
            }
        }
        // An attack comes before the pitch that it begins, however ears place the two.
        double before = START / heard.hopMs() / Math.max(1, to - from);
        all.sort(Comparator.comparingDouble(h -> h.at() - (h.kind() == Kind.ATTACK ? before : 0)));
        return all;
    }

    /** Whether it is the note itself: no pitch at all, its own, or what ears that look for periods take for it where two sounds overlap: a fraction of its frequency. */
    private static boolean isOwn(double away) {
        return Double.isNaN(away) || Math.abs(away) <= OWN || isTogether(away);
    }

    /** Whether a note and another one below or above it are heard as one whose frequency both are multiples of, so far away. */
    static boolean isTogether(double away) {
        for (double fraction : FRACTIONS) {
            if (Math.abs(away + fraction) <= OWN) {
                return true;
            }
        }
        return false;
    }

    /** Whether the pitch moves evenly, as far as a glide does at least: by how much of its movement a straight line explains. */
    private static boolean isEven(Heard heard, int from, int to) {
        double n = to - from;
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int f = from; f < to; f++) {
            double at = f - from;
            double pitch = heard.midi()[f] - heard.midi()[from];
            x += at;
            y += pitch;
            xx += at * at;
            xy += at * pitch;
            yy += pitch * pitch;
        }
        double along = n * xy - x * y;
        double wide = n * xx - x * x;
        double high = n * yy - y * y;
        return wide > 0 && high > 0 && along * along / (wide * high) > LINE && Math.abs(along / wide * n) > MOVES
                && (n * heard.hopMs() >= LONG || Math.abs(along / wide) / heard.hopMs() <= STEEP);
    }

    private static double share(int part, int whole) {
        return whole <= 0 ? 0 : (double) part / whole;
    }

    /** How unlike two things are: 0 for the same, 2 for things that cannot be taken for one another. */
    double unlike(Happening other) {
        double apart = 1.2 * Math.abs(at - other.at);
        if (kind != other.kind) {
            boolean bothBent = kind != Kind.ATTACK && other.kind != Kind.ATTACK && Math.signum(semitones) == Math.signum(other.semitones);
            return bothBent ? Math.min(2, 0.8 + apart) : 2;
        }
        return Math.min(2, apart + 0.08 * Math.abs(semitones - other.semitones) + Math.abs(forMs - other.forMs) / 200);
    }

    /** What was heard and what was meant by it; one of them may have no fellow. */
    public record Pair(Optional<Happening> heard, Optional<Happening> meant) {}

    /** Which of two notes' happenings are the same ones, by the cheapest way of changing one note into the other; in their order. */
    public static List<Pair> pairs(List<Happening> heard, List<Happening> meant) {
        double[][] cost = costs(heard, meant);
        LinkedList<Pair> pairs = new LinkedList<>();
        int i = heard.size();
        int j = meant.size();
        while (i > 0 || j > 0) {
            if (i > 0 && j > 0 && cost[i][j] == cost[i - 1][j - 1] + heard.get(i - 1).unlike(meant.get(j - 1))) {
                boolean fellows = heard.get(i - 1).unlike(meant.get(j - 1)) < 2;
                if (!fellows) {
                    pairs.addFirst(new Pair(Optional.empty(), Optional.of(meant.get(j - 1))));
                }
                pairs.addFirst(new Pair(Optional.of(heard.get(i - 1)), fellows ? Optional.of(meant.get(j - 1)) : Optional.empty()));
                i--;
                j--;
            } else if (i > 0 && cost[i][j] == cost[i - 1][j] + 1) {
                pairs.addFirst(new Pair(Optional.of(heard.get(--i)), Optional.empty()));
            } else {
                pairs.addFirst(new Pair(Optional.empty(), Optional.of(meant.get(--j))));
            }
        }
        return pairs;
    }

    /**
     * How unlike two notes are by what happens on them: the cheapest way of changing one into the other, what has no fellow costing 1. Exact, by dynamic programming.
     */
    public static double unlike(List<Happening> one, List<Happening> other) {
        return costs(one, other)[one.size()][other.size()];
    }

    private static double[][] costs(List<Happening> one, List<Happening> other) {
        double[][] cost = new double[one.size() + 1][other.size() + 1];
        for (int i = 0; i <= one.size(); i++) {
            for (int j = 0; j <= other.size(); j++) {
                if (i == 0 || j == 0) {
                    cost[i][j] = i + j;
                } else {
                    cost[i][j] = Math.min(cost[i - 1][j - 1] + one.get(i - 1).unlike(other.get(j - 1)), 1 + Math.min(cost[i - 1][j], cost[i][j - 1]));
                }
            }
        }
        return cost;
    }
}
