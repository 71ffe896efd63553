package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Where each note of a tune is in what was heard: the cheapest way of laying the notes, in their order, under the frames. Exact, by dynamic programming over frames and notes
 * (the Viterbi algorithm; L. R. Rabiner, Proc. IEEE 77, 1989, with costs in place of probabilities).
 *
 * <p>Every frame lies before the tune, behind it, or in a note. A note may open with a time in which anything may sound, for what the fingers do on the way in; then its own pitch
 * is wanted, and each frame costs by how far its pitch is away, a semitone and more at most 1. A note that has the pitch of the one before needs an attack to begin. Notes may be
 * missing, at a price; playing may begin and end anywhere, at a price. Once the notes lie, it is done a second time, now knowing when each of them is expected by those around it: a
 * note that passes on the way to the next is not taken for it. The unit of all costs is a frame of a wrong pitch; they are from memory.
 *
 * @param notes one for each note that was wanted, in its order
 * @param semitones how much higher it was played than it was wanted
 * @param tuning how far the instrument is from A = 440 Hz, in semitones
 */
public record Alignment(List<Placed> notes, int semitones, double tuning) {

    /** So many frames times notes are compared and no more; of more, only what is near where a note is about. */
    public static final long MOST = 100_000_000;

    private static final int SHIFTS = 12;
    static final float NO_PITCH = 0.5f;
    /** A pitch whose frequency the note's is a multiple of: so two notes are heard that sound at once. */
    static final float TOGETHER = 0.3f;
    static final float ON_THE_WAY = 0.55f;
    static final float OUTSIDE = 0.8f;
    static final float ENTER = 2;
    static final float SAME_AGAIN = 8;
    static final float MISSING = 14;
    static final float ELSEWHERE = 10;
    private static final float UNTIMELY = 14;
    private static final double LOOSE = 80;
    /** The share of the time to the notes around it by which one may come early or late, where that is more than {@link #LOOSE}. */
    private static final double LOOSE_SHARE = 0.3;
    /** A note of fewer frames of its own pitch was not played. */
    private static final int LEAST_FRAMES = 3;
    /** So many notes in a row may be missing at most. */
    private static final int GAP = 4;

    /**
     * A note, and where it was heard.
     *
     * @param when empty where it was not
     */
    public record Placed(Wanted wanted, Optional<Span> when) {}

    /**
     * A stretch of frames.
     *
     * @param from the first
     * @param own the first from which its own pitch was wanted
     * @param to the first that is not in it any more
     */
    public record Span(int from, int own, int to) {}

    public Alignment {
        notes = List.copyOf(notes);
    }

    /**
     * Lays notes under what was heard.
     *
     * @throws IllegalArgumentException where there is too much of both
     */
    public static Alignment of(List<Wanted> notes, Heard heard) {
        return of(notes, heard, List.of());
    }

    /**
     * Lays notes under what was heard.
     *
     * @param aboutMs when each note begins, about; empty where that is not known
     * @throws IllegalArgumentException where there is too much of both, and it is not known
     */
    static Alignment of(List<Wanted> notes, Heard heard, List<Double> aboutMs) {
        boolean isLong = (long) notes.size() * heard.size() > MOST;
        if (isLong && aboutMs.isEmpty()) {
            throw new IllegalArgumentException("this is too long to be followed in one piece: take the part of the recording in which the tune is played");
        }
        double tuning = heard.tuning();
        int shift = shift(notes, heard, tuning);
        if (notes.isEmpty() || heard.size() == 0) {
            return new Alignment(notes.stream().map(n -> new Placed(n, Optional.empty())).toList(), 0, tuning);
        }
        Near near = isLong ? Near.of(aboutMs, heard) : Near.all(notes.size(), heard);
        Search first = new Search(notes, heard, shift + tuning, new double[0], near);
        double[] expected = TimeLine.expected(notes, first.placed().stream().mapToDouble(p -> p.when().map(w -> heard.ms(w.from())).orElse(Double.NaN)).toArray());
        return new Alignment(new Search(notes, heard, shift + tuning, expected, near).placed(), shift, tuning);
    }

    /** By how many semitones what was heard lies higher: where the time that each pitch lasts agrees best with the tune's. */
    private static int shift(List<Wanted> notes, Heard heard, double tuning) {
        double[] wanted = new double[128 + 4 * SHIFTS];
        notes.forEach(n -> wanted[Math.clamp(n.midi(), 0, 127) + 2 * SHIFTS] += n.forMs());
        double[] played = new double[wanted.length];
        for (int i = 0; i < heard.size(); i++) {
            if (heard.isPitched(i)) {
                played[Math.clamp(Math.round(heard.midi()[i] - tuning), 0, 127) + 2 * SHIFTS]++;
            }
        }
        int best = 0;
        double most = -1;
        for (int k = 0; k <= 2 * SHIFTS; k++) {
            // From none outwards: 0, 1, −1, 2 …
            int shift = k % 2 == 0 ? -k / 2 : (k + 1) / 2;
            double like = 0;
            for (int p = SHIFTS; p < wanted.length - SHIFTS; p++) {
                like += Math.sqrt(wanted[p] * played[p + shift]);
            }
            if (like > most * 1.000001) {
                most = like;
                best = shift;
            }
        }
        return best;
    }

    /** How much higher than wanted notes were played, in semitones: by how many they were moved, and the tuning of the instrument. */
    static double higher(List<Wanted> notes, Heard heard) {
        double tuning = heard.tuning();
        return shift(notes, heard, tuning) + tuning;
    }

    /** What it costs that a pitch is so many semitones above the wanted one; not a number where no pitch is heard. */
    static float away(double semitones) {
        if (Double.isNaN(semitones)) {
            return NO_PITCH;
        }
        double far = Math.abs(semitones);
        if (far < 1) {
            return far < 0.4 ? 0 : (float) ((far - 0.4) / 0.6);
        }
        return Happening.isTogether(semitones) ? TOGETHER : 1;
    }

    /**
     * Which notes each frame can be in.
     *
     * @param first of each frame
     * @param last of each frame
     */
    record Near(int[] first, int[] last) {

        /** So far from where it is about a note is looked for, in milliseconds. */
        private static final double REACH = 4_000;

        static Near all(int notes, Heard heard) {
            int[] last = new int[heard.size()];
            Arrays.fill(last, notes - 1);
            return new Near(new int[heard.size()], last);
        }

        static Near of(List<Double> aboutMs, Heard heard) {
            int[] first = new int[heard.size()];
            int[] last = new int[heard.size()];
            int low = 0;
            int high = 0;
            for (int f = 0; f < heard.size(); f++) {
                while (low + 1 < aboutMs.size() && aboutMs.get(low + 1) + REACH < heard.ms(f)) {
                    low++;
                }
                while (high + 1 < aboutMs.size() && aboutMs.get(high + 1) - REACH <= heard.ms(f)) {
                    high++;
                }
                first[f] = low;
                last[f] = Math.max(low, high);
            }
            return new Near(first, last);
        }
    }

    private static final byte OUT = -1;

    /** The cheapest path. States are: before the tune, for each note the way in and the note itself, behind the tune. */
    static final class Search {

        private final List<Wanted> notes;
        private final Heard heard;
        private final double higher;
        private final int states;
        /** How many states back, at each frame, each state was come into from; {@link #OUT} for from before the tune. A byte each, for there are many. */
        private final byte[][] from;
        /** From which state the tune was left, at each frame. */
        private final int[] left;
        /** When each note is expected, in milliseconds; empty where that is not known yet. */
        private final double[] expected;
        /** How far each note may be from there, in milliseconds. */
        private final double[] loose;
        private final Near near;

        Search(List<Wanted> notes, Heard heard, double higher, double[] expected, Near near) {
            this.near = near;
            this.expected = expected;
            this.loose = loose(expected);
            this.notes = notes;
            this.heard = heard;
            this.higher = higher;
            this.states = 2 * notes.size() + 2;
            this.from = new byte[heard.size()][];
            this.left = new int[heard.size()];
        }

        private static double[] loose(double[] expected) {
            double[] loose = new double[expected.length];
            for (int i = 0; i < expected.length; i++) {
                double before = i == 0 ? Double.NaN : expected[i] - expected[i - 1];
                double after = i + 1 == expected.length ? Double.NaN : expected[i + 1] - expected[i];
                double gap = Double.isNaN(before) ? after : Double.isNaN(after) ? before : Math.min(before, after);
                loose[i] = Double.isNaN(gap) ? LOOSE : Math.max(LOOSE, LOOSE_SHARE * gap);
            }
            return loose;
        }

        private float least;

        /** What the cheapest path costs; known once the notes have been placed. */
        float least() {
            return least;
        }

        List<Placed> placed() {
            int last = states - 1;
            float[] cost = new float[states];
            Arrays.fill(cost, Float.MAX_VALUE / 4);
            float[] before = cost.clone();
            for (int f = 0; f < heard.size(); f++) {
                byte[] back = new byte[2 * (near.last()[f] - near.first()[f] + 1)];
                if (f == 0) {
                    cost[0] = outside(0);
                    for (int n = near.first()[0]; n <= near.last()[0]; n++) {
                        float begin = n == 0 ? 0 : ELSEWHERE;
                        cost[way(n)] = begin + ON_THE_WAY;
                        cost[own(n)] = begin + away(n, 0);
                    }
                } else {
                    float[] swap = before;
                    before = cost;
                    cost = swap;
                    step(f, before, cost, back);
                }
                from[f] = back;
            }
            int best = last;
            least = cost[last];
            for (int s = 0; s < last; s++) {
                float end = cost[s] + (s == 0 || s == own(notes.size() - 1) ? 0 : ELSEWHERE);
                if (end < least) {
                    least = end;
                    best = s;
                }
            }
            return back(best);
        }

        private void step(int f, float[] before, float[] cost, byte[] back) {
            int last = states - 1;
            float outside = outside(f);
            Arrays.fill(cost, Float.MAX_VALUE / 4);
            cost[0] = before[0] + outside;
            int first = near.first()[f];
            float attack = heard.attack()[f];
            cost[last] = before[last];
            left[f] = last;
            for (int n = first; n <= near.last()[f]; n++) {
                // How a note is come into: from the one before, over missing ones, or from before the tune.
                float enter = before[0] + (n == 0 ? 0 : ELSEWHERE);
                int source = 0;
                float same = enter;
                int sameSource = 0;
                for (int gap = 1; gap <= GAP && gap <= n; gap++) {
                    int other = n - gap;
                    float missing = before[own(other)] + MISSING * (gap - 1) + ENTER * (1 - attack);
                    if (missing < enter) {
                        enter = missing;
                        source = own(other);
                    }
                    float again = missing + (notes.get(other).midi() == notes.get(n).midi() ? SAME_AGAIN * (1 - attack) : 0);
                    if (again < same) {
                        same = again;
                        sameSource = own(other);
                    }
                }
                int way = way(n);
                int own = own(n);
                float untimely = untimely(n, f);
                enter += untimely;
                same += untimely;
                boolean stays = before[way] <= enter;
                cost[way] = (stays ? before[way] : enter) + ON_THE_WAY;
                back[way - way(first)] = stays ? 0 : steps(way, source);
                float best = before[own];
                int at = own;
                if (before[way] < best) {
                    best = before[way];
                    at = way;
                }
                if (same < best) {
                    best = same;
                    at = sameSource;
                }
                cost[own] = best + away(n, f);
                back[own - way(first)] = steps(own, at);
                float leave = before[own] + (n == notes.size() - 1 ? 0 : ELSEWHERE);
                if (leave < cost[last]) {
                    cost[last] = leave;
                    left[f] = own;
                }
            }
            cost[last] += outside;
        }

        private static byte steps(int state, int source) {
            return source == 0 ? OUT : (byte) (state - source);
        }

        private List<Placed> back(int end) {
            int[] firstWay = new int[notes.size()];
            int[] firstOwn = new int[notes.size()];
            int[] to = new int[notes.size()];
            Arrays.fill(firstWay, -1);
            Arrays.fill(firstOwn, -1);
            int state = end;
            for (int f = heard.size() - 1; f >= 0; f--) {
                if (state > 0 && state < states - 1) {
                    int n = (state - 1) / 2;
                    to[n] = Math.max(to[n], f + 1);
                    if (state == way(n)) {
                        firstWay[n] = f;
                    } else {
                        firstOwn[n] = f;
                    }
                }
                if (state > 0) {
                    byte back = state == states - 1 ? 0 : from[f][state - way(near.first()[f])];
                    state = state == states - 1 ? left[f] : back == OUT ? 0 : state - back;
                }
            }
            List<Placed> placed = new ArrayList<>();
            for (int n = 0; n < notes.size(); n++) {
                int own = firstOwn[n];
                int first = firstWay[n] >= 0 ? firstWay[n] : own;
                placed.add(new Placed(notes.get(n), own < 0 || !isHeard(n, own, to[n]) ? Optional.empty() : Optional.of(new Span(first, own, to[n]))));
            }
            return placed;
        }

        /** Whether a note's own pitch is there at all where the note was laid: one without is only passed through. */
        private boolean isHeard(int note, int from, int to) {
            int there = 0;
            for (int f = from; f < to; f++) {
                there += away(note, f) < NO_PITCH ? 1 : 0;
            }
            return there >= LEAST_FRAMES;
        }

        private float away(int note, int frame) {
            return Alignment.away(heard.midi()[frame] - higher - notes.get(note).midi());
        }

        /** What it costs to begin a note at a frame: nothing where it was expected, with the square of the distance up to {@link #LOOSE} milliseconds, evenly from there on. */
        private float untimely(int note, int frame) {
            if (expected.length == 0 || Double.isNaN(expected[note])) {
                return 0;
            }
            double away = Math.abs(heard.ms(frame) - expected[note]) / loose[note];
            return (float) (UNTIMELY * (away < 1 ? away * away : 2 * away - 1));
        }

        private float outside(int frame) {
            return heard.isPitched(frame) ? OUTSIDE : 0;
        }

        private static int way(int note) {
            return 2 * note + 1;
        }

        private static int own(int note) {
            return 2 * note + 2;
        }
    }
}
