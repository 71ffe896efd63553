package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;

/**
 * A gesture practised apart from any tune, over and over, from slow to fast.
 *
 * @param families who can do it, by the family's name in data files
 * @param how in a sentence or two for the student
 * @param tap how it is tapped, where the instrument itself is not heard
 * @param gaps of one time through, in lengths of the part that is measured; 1 for the part itself
 * @param words what each onset is, as many as there are gaps
 * @param sounds how each onset sounds, as many as there are gaps
 * @param measures the movements whose speed it sets
 * @param again whether it sets the time for the same finger to move again
 * @param lengthsMs of the part, from slow to fast
 * @param tiring whether it strains the hand, so that rest is asked for sooner
 */
public record Drill(
        String id, String name, List<String> families, String how, String tap, List<Double> gaps, List<String> words, List<Onset> sounds, List<Move> measures,
        boolean again, List<Integer> lengthsMs, boolean tiring) {

    /** How an onset sounds. */
    public enum Onset {
        /** The note itself is there again, without a start of its own. */
        NOTE,
        /** A note above takes its place. */
        ABOVE,
        /** A note below takes its place. */
        BELOW,
        /** A note above for an instant, in a note that goes on. */
        CLICK,
        /** A note below for an instant, in a note that goes on. */
        DIP,
        /** The note starts afresh. */
        STROKE
    }

    /** What to do, for the student: on the instrument, where that is heard, or by tapping. */
    public String how(boolean heard) {
        return heard ? how : how + " " + tap;
    }

    record Table(String provenance, int heard, int times, double tolerance, double easy, double possible, List<Drill> drills) {}

    private static final Table TABLE = load();

    public Drill {
        families = List.copyOf(families);
        gaps = List.copyOf(gaps);
        words = List.copyOf(words);
        sounds = List.copyOf(sounds);
        measures = List.copyOf(measures);
        lengthsMs = List.copyOf(lengthsMs);
        boolean falling = !lengthsMs.isEmpty();
        for (int i = 1; i < lengthsMs.size(); i++) {
            falling &= lengthsMs.get(i) < lengthsMs.get(i - 1);
        }
        if (gaps.isEmpty() || gaps.size() != words.size() || gaps.size() != sounds.size() || !gaps.contains(1.0) || !falling || measures.isEmpty() && !again) {
            throw new IllegalArgumentException("drill '" + id + "': a word and a sound for each gap, a gap of 1, lengths that fall, and something it measures");
        }
    }

    private static Table load() {
        try {
            return DataFile.read("practice/drills.json", Table.class);
        } catch (IllegalArgumentException e) {
            throw new DataFault("practice/drills.json: " + e.getMessage());
        }
    }

    /** The drills of a family, in the order of the file. */
    public static List<Drill> of(Family family) {
        return TABLE.drills().stream().filter(d -> d.families().contains(family.id())).toList();
    }

    /** The drill of that id; throws {@link IllegalArgumentException} when there is none. */
    public static Drill byId(String id) {
        return TABLE.drills().stream().filter(d -> d.id.equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no drill '" + id + "'"));
    }

    /** When a try is clean and when it goes faster, as it is told to a student. */
    public static String ruleInWords() {
        return ("A try is clean when the part lasts within %d %% of what was asked. It goes faster when at least %d of 100 tries are clean, and ends "
                + "when that fails twice in a row. What is clean %d times of 100 counts as easy.").formatted(Math.round(TABLE.tolerance() * 100),
                Math.round(TABLE.possible() * 100), Math.round(TABLE.easy() * 100));
    }

    /** The onsets that are heard before a pass at a length of the part, in milliseconds. */
    public Expected heard(int lengthMs) {
        return Expected.pattern(gaps.stream().map(g -> g * lengthMs).toList(), TABLE.heard());
    }

    /** The onsets of one pass at a length of the part, in milliseconds. */
    public Expected expected(int lengthMs) {
        return Expected.pattern(gaps.stream().map(g -> g * lengthMs).toList(), TABLE.times());
    }

    /**
     * What one pass showed.
     *
     * @param lengthMs what was asked for
     * @param clean tries in which the part came within the tolerance of what was asked for
     */
    public record Tries(int lengthMs, int clean, int all) {

        /** From 0 to 1. */
        public double share() {
            return all == 0 ? 0 : (double) clean / all;
        }
    }

    /** Counts the clean tries of one pass. */
    public Tries tries(Evenness pass, int lengthMs) {
        int clean = 0;
        int all = 0;
        int last = pass.expected().size() - 1;
        for (int i = 0; i < last; i++) {
            if (gaps.get(i % gaps.size()) == 1.0) {
                all++;
                clean += isClean(pass, i, lengthMs) ? 1 : 0;
            }
        }
        return new Tries(lengthMs, clean, all);
    }

    private static boolean isClean(Evenness pass, int onset, int lengthMs) {
        Optional<Matching.Pair> from = pass.matching().pairs().stream().filter(p -> p.expected() == onset).findFirst();
        Optional<Matching.Pair> to = pass.matching().pairs().stream().filter(p -> p.expected() == onset + 1).findFirst();
        if (from.isEmpty() || to.isEmpty() || to.get().played() != from.get().played() + 1) {
            return false;
        }
        double gap = pass.played().get(to.get().played()) - pass.played().get(from.get().played());
        return Math.abs(gap / lengthMs - 1) <= TABLE.tolerance();
    }

    /**
     * Where a student stands in a drill.
     *
     * @param at index of the length of the next pass
     * @param tries of the passes so far
     * @param done whether it goes no faster
     */
    public record Run(Drill drill, int at, List<Tries> tries, boolean done) {

        public Run {
            tries = List.copyOf(tries);
        }

        /** Length of the part in the next pass, in milliseconds. */
        public int lengthMs() {
            return drill.lengthsMs().get(at);
        }

        /** After a pass: faster where it mostly came, once more where it did not, and done when it failed twice in a row. */
        public Run after(Evenness pass) {
            List<Tries> more = new ArrayList<>(tries);
            Tries now = drill.tries(pass, lengthMs());
            more.add(now);
            boolean came = now.share() >= TABLE.possible();
            boolean failedBefore = tries.stream().reduce((a, b) -> b)
                    .filter(t -> t.lengthMs() == lengthMs() && t.share() < TABLE.possible()).isPresent();
            boolean last = at + 1 == drill.lengthsMs().size();
            return came ? new Run(drill, last ? at : at + 1, more, last) : new Run(drill, at, more, failedBefore);
        }

        /** Whether the latest pass mostly came. */
        public boolean cameLast() {
            return !tries.isEmpty() && tries.getLast().share() >= TABLE.possible();
        }

        /** What to do after the latest pass, in a sentence without a full stop. */
        public String advice() {
            if (tries.isEmpty()) {
                return drill.how;
            }
            Tries last = tries.getLast();
            String came = "%d of %d clean at %d ms".formatted(last.clean(), last.all(), last.lengthMs());
            return done ? came + "; that is as fast as it goes today: " + inWords()
                    : came + (cameLast() ? ": a little faster, %d ms".formatted(lengthMs()) : ": once more, looser");
        }

        /** The share of clean tries over all passes at a length. */
        private double share(int lengthMs) {
            int clean = tries.stream().filter(t -> t.lengthMs() == lengthMs).mapToInt(Tries::clean).sum();
            int all = tries.stream().filter(t -> t.lengthMs() == lengthMs).mapToInt(Tries::all).sum();
            return all == 0 ? 0 : (double) clean / all;
        }

        /**
         * The speed that was shown: the floor is the shortest length that came more often than not, the comfortable length the
         * shortest that came nearly always, each with every longer one before it. Empty where not even the longest came nearly
         * always.
         */
        public Optional<Speeds.Span> span() {
            int easy = shortest(TABLE.easy());
            int floor = shortest(TABLE.possible());
            return easy == 0 ? Optional.empty() : Optional.of(new Speeds.Span(floor, easy));
        }

        private int shortest(double share) {
            int shortest = 0;
            for (int length : drill.lengthsMs()) {
                if (share(length) < share) {
                    break;
                }
                shortest = length;
            }
            return shortest;
        }

        /** A student's speeds with what was shown; the same where nothing was. */
        public Speeds applied(Speeds speeds) {
            Speeds changed = speeds;
            if (span().isPresent()) {
                for (Move move : drill.measures()) {
                    changed = changed.with(move, span().get());
                }
                changed = drill.again() ? changed.withAgain(span().get()) : changed;
            }
            return changed;
        }

        /** What came out, in a sentence without a full stop. */
        public String inWords() {
            return span().map(s -> "with ease down to %d ms, at the limit %d ms".formatted(s.comfortable(), s.floor()))
                    .orElse(tries.isEmpty() ? "nothing measured yet" : "not yet steady at %d ms: stay slow".formatted(drill.lengthsMs().getFirst()));
        }
    }

    /** At its slowest. */
    public Run begin() {
        return new Run(this, 0, List.of(), false);
    }
}
