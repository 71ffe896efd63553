package wildflourish.core.hearing;

import java.util.List;
import java.util.stream.IntStream;

/** Where notes begin that have been laid under what was heard. */
final class Onsets {

    /** An attack that is clearer than this is one. */
    static final float CLEAR = 0.35f;
    /** From one note to the next it takes so many frames at most. */
    static final int PASSES = 3;
    /** An attack is looked for so many frames behind where a note was laid, and before it: an ornament may begin with the pitch of the note before. */
    private static final int NEAR = 14;
    private static final int BEFORE = 16;
    /** And so many where one was meant to. */
    private static final int LEAD = 24;
    /** An attack is taken for the onset where it is no farther from what is expected than where the note was laid, and this much, in milliseconds. */
    private static final double RATHER = 30;
    /** What moves by less from frame to frame stands still, in semitones. */
    private static final double MOVES = 0.02;

    /** A note begins before the place where it was laid by this share of the time since the one before at most. */
    private static final double EARLY = 0.3;
    /** What leads into a note lasts so many frames at most. */
    private static final int GRACE = 16;
    /** So near a pitch it is that pitch, in semitones. */
    private static final double SAME = 0.5;

    /** What was meant at either end of a note. */
    interface Edges {

        /** Whether a note was meant to begin with another pitch than its own. */
        boolean begins(int note);

        /** Whether it was meant to end with one. */
        boolean ends(int note);
    }

    private Onsets() {}

    /** When each note begins: at the attack near where it was laid that is nearest to where it is expected, else where it was laid; in milliseconds, and not a number where it was not heard. */
    static double[] of(Heard heard, Alignment alignment, Edges edges) {
        List<Wanted> wanted = alignment.notes().stream().map(Alignment.Placed::wanted).toList();
        double[] laid = IntStream.range(0, wanted.size()).mapToDouble(i -> begins(heard, alignment, i, edges)).toArray();
        double[] expected = TimeLine.expected(wanted, laid);
        double[] onsets = laid.clone();
        for (int i = 0; i < laid.length; i++) {
            if (Double.isNaN(laid[i])) {
                continue;
            }
            int from = heard.frame(laid[i]);
            double nearest = (Double.isNaN(expected[i]) ? 0 : Math.abs(laid[i] - expected[i])) + RATHER;
            for (int f = Math.max(0, from - (edges.begins(i) ? LEAD : BEFORE)); f <= Math.min(heard.size() - 1, from + NEAR); f++) {
                double away = Math.abs(heard.ms(f) - (Double.isNaN(expected[i]) ? laid[i] : expected[i]));
                if (heard.attack()[f] > CLEAR && away < nearest) {
                    nearest = away;
                    onsets[i] = heard.ms(f);
                }
            }
            if (onsets[i] == laid[i] && i > 0 && expected[i] < laid[i] + PASSES * heard.hopMs()) {
                onsets[i] = heard.ms(leaves(heard, from, Math.max(0, heard.frame(expected[i]) - 2), alignment.notes().get(i - 1).wanted().midi() + alignment.semitones() + alignment.tuning()));
            }
        }
        return onsets;
    }

    /**
     * Where a note was laid, or rather where its pitch begins: alignment moves what is uneven towards where it is expected, as long as only the pitch of the note before, or of the note
     * itself, lies between. In milliseconds; not a number where it was not heard.
     */
    private static double begins(Heard heard, Alignment alignment, int note, Edges edges) {
        Alignment.Placed placed = alignment.notes().get(note);
        if (placed.when().isEmpty()) {
            return Double.NaN;
        }
        double higher = alignment.semitones() + alignment.tuning();
        double own = placed.wanted().midi() + higher;
        double before = note == 0 ? Double.NaN : alignment.notes().get(note - 1).wanted().midi() + higher;
        int from = placed.when().get().from();
        int earliest = note == 0 ? 0 : alignment.notes().get(note - 1).when().map(w -> w.own() + 1).orElse(from);
        boolean other = Math.abs(before - own) > SAME;
        // Where there is an attack it tells by itself.
        boolean attacked = starts(heard, Math.max(0, from - (edges.begins(note) ? LEAD : BEFORE)), Math.min(heard.size() - 1, from + NEAR));
        while (other && !attacked && from < placed.when().get().own() && Math.abs(heard.midi()[from] - before) < SAME) {
            from++;
        }
        boolean moved = from > placed.when().get().from();
        // What the note before ends with is not this one come early.
        boolean ends = note > 0 && edges.ends(note - 1);
        int most = note == 0 ? from : (int) (EARLY * Math.max(0, from - alignment.notes().get(note - 1).when().map(Alignment.Span::from).orElse(from)));
        int latest = ends ? from : from - most;
        int graced = 0;
        while ((note == 0 || !moved) && from > Math.max(earliest, latest) && graced < GRACE) {
            double earlier = heard.midi()[from - 1];
            boolean itself = Math.abs(earlier - own) < SAME;
            // What lies between the two notes is what leads into this one, where something does.
            boolean between = note > 0 && edges.begins(note) && !Double.isNaN(earlier) && Math.abs(earlier - before) >= SAME && !itself;
            if (!between && !(itself && (other && !attacked || note == 0))) {
                break;
            }
            graced += between ? 1 : 0;
            from--;
        }
        return heard.ms(from);
    }

    private static boolean starts(Heard heard, int from, int to) {
        return IntStream.rangeClosed(from, to).anyMatch(f -> heard.attack()[f] > CLEAR);
    }

    /** The frame from which on the pitch moves away from the note before, not before the note is expected: a slide begins there, and not where it has come near its note. */
    private static int leaves(Heard heard, int laid, int expected, double before) {
        int frame = laid;
        while (frame > expected && laid - frame < BEFORE && Math.abs(heard.midi()[frame - 1] - before) < Math.abs(heard.midi()[frame] - before) - MOVES) {
            frame--;
        }
        return frame < laid && Math.abs(heard.midi()[frame] - before) < 2 * MOVES ? frame + 1 : frame;
    }
}
