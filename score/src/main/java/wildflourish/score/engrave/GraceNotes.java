package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Notation;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The small notes before a note, their stems up: first those of the tune, then those of its ornaments. They carry no slur: a
 * cut on every other note would be hidden under bows (as in books of pipe music).
 */
final class GraceNotes {

    private static final double SCALE = 0.62;
    private static final double STEP = 1.25;
    private static final double STEM = 2.3;
    private static final double THICK = MusicFont.standard("stemThickness") * 0.8;
    private static final double BEAM = 0.28;
    private static final double BETWEEN_BEAMS = 0.45;

    private final List<Pitch> pitches;
    private final int plain;
    private final boolean slashed;

    private GraceNotes(List<Pitch> pitches, int plain, boolean slashed) {
        this.pitches = pitches;
        this.plain = plain;
        this.slashed = slashed;
    }

    static GraceNotes of(Note note, Notation ornament) {
        List<Pitch> all = new ArrayList<>(note.marks().graces());
        int plain = all.size();
        all.addAll(ornament.graces());
        return new GraceNotes(all, plain, plain == 0 || note.marks().slashed());
    }

    /** Where their stems end; infinitely low without any. */
    double top() {
        return pitches.stream().mapToDouble(Heads::y).min().orElse(Double.POSITIVE_INFINITY) - STEM;
    }

    /** The lower edge of their heads; infinitely high without any. */
    double bottom() {
        return pitches.stream().mapToDouble(Heads::y).max().orElse(Double.NEGATIVE_INFINITY) + 0.5 * SCALE;
    }

    /** Draws them left of an x. */
    void draw(double right, List<Shape> shapes) {
        double head = MusicFont.width("noteheadBlack") * SCALE;
        double x = right - 0.35 - pitches.size() * STEP;
        double end = top();
        double firstStem = x + head - THICK / 2;
        for (int i = 0; i < pitches.size(); i++) {
            Ink ink = i < plain ? Ink.MUSIC : Ink.CLICK;
            double y = Heads.y(pitches.get(i));
            shapes.add(MusicFont.glyph("noteheadBlack", x, y, SCALE, ink));
            Heads.ledgers(y, x, head, SCALE, shapes);
            double stem = x + head - THICK / 2;
            shapes.add(new Shape.Line(stem, y - 0.1, stem, end, THICK, ink));
            if (pitches.size() == 1) {
                shapes.add(MusicFont.glyph("flag8thUp", stem - THICK / 2, end, SCALE, ink));
                if (slashed) {
                    shapes.add(new Shape.Line(stem - 0.6, end + 1.35, stem + 0.75, end + 0.35, 0.1, ink));
                }
            } else if (i == pitches.size() - 1) {
                beams(firstStem - THICK / 2, stem + THICK / 2, end, ink, shapes);
            }
            x += STEP;
        }
    }

    private static void beams(double from, double to, double end, Ink ink, List<Shape> shapes) {
        for (double y : new double[] {end, end + BETWEEN_BEAMS}) {
            shapes.add(new Shape.Polygon(List.of(new Shape.Point(from, y), new Shape.Point(to, y),
                    new Shape.Point(to, y + BEAM), new Shape.Point(from, y + BEAM)), ink));
        }
    }
}
