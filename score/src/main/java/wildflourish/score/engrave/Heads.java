package wildflourish.score.engrave;

import java.util.List;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;

/** Where the heads of a note lie on a stave in the treble clef; y = 0 is the top line, y = 4 the bottom one. */
record Heads(double top, double bottom) {

    private static final int MIDDLE_LINE = 34;

    static Heads of(Note note) {
        return of(note.pitches());
    }

    static Heads of(List<Pitch> pitches) {
        double top = pitches.stream().mapToDouble(Heads::y).min().orElseThrow();
        double bottom = pitches.stream().mapToDouble(Heads::y).max().orElseThrow();
        return new Heads(top, bottom);
    }

    /** B4 lies on the middle line; each letter is half a space. */
    static double y(Pitch pitch) {
        return 2 - (pitch.diatonic() - MIDDLE_LINE) * 0.5;
    }

    /** The head farther from the middle line decides; on the middle line stems go down (the textbooks' rule). */
    boolean stemUp() {
        return bottom - 2 > 2 - top;
    }
}
