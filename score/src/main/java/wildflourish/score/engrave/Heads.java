package wildflourish.score.engrave;

import java.util.List;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

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

    /** Adds the ledger lines of a head at y, its left edge at x. */
    static void ledgers(double y, double x, double width, double scale, List<Shape> shapes) {
        double beyond = MusicFont.standard("legerLineExtension") * scale;
        double thick = MusicFont.standard("legerLineThickness");
        for (double line = 5; line <= y + 0.01; line++) {
            shapes.add(new Shape.Line(x - beyond, line, x + width + beyond, line, thick, Ink.MUSIC));
        }
        for (double line = -1; line >= y - 0.01; line--) {
            shapes.add(new Shape.Line(x - beyond, line, x + width + beyond, line, thick, Ink.MUSIC));
        }
    }

    /** The head farther from the middle line decides; on the middle line stems go down (the textbooks' rule). */
    boolean stemUp() {
        return bottom - 2 > 2 - top;
    }
}
