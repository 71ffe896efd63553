package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.BarLine;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** Bar lines with their repeat dots. */
final class BarSigns {

    private static final double THIN = MusicFont.standard("thinBarlineThickness");
    private static final double THICK = MusicFont.standard("thickBarlineThickness");
    private static final double APART = MusicFont.standard("barlineSeparation");
    private static final double DOTS = 0.75;

    private BarSigns() {}

    /** The strokes from left to right: true for a thick one. */
    private static List<Boolean> strokes(BarLine line) {
        if (line.repeatsBefore() > 0 && line.repeatsAfter() > 0) {
            return List.of(false, true, false);
        }
        if (line.repeatsBefore() > 0) {
            return List.of(false, true);
        }
        if (line.repeatsAfter() > 0) {
            return List.of(true, false);
        }
        return switch (line.style()) {
            case NONE -> List.of();
            case THIN, DOTTED -> List.of(false);
            case DOUBLE -> List.of(false, false);
            case FINAL -> List.of(false, true);
            case OPENING -> List.of(true, false);
        };
    }

    static double width(BarLine line) {
        double width = 0;
        for (boolean thick : strokes(line)) {
            width += (width > 0 ? APART : 0) + (thick ? THICK : THIN);
        }
        return width + (line.repeatsBefore() > 0 ? DOTS : 0) + (line.repeatsAfter() > 0 ? DOTS : 0);
    }

    /** The line with its left edge at x, over a stave of height 4. */
    static List<Shape> at(double x, BarLine line) {
        List<Shape> shapes = new ArrayList<>();
        double at = x;
        if (line.repeatsBefore() > 0) {
            dots(at, shapes);
            at += DOTS;
        }
        boolean first = true;
        for (boolean thick : strokes(line)) {
            at += first ? 0 : APART;
            first = false;
            double width = thick ? THICK : THIN;
            if (line.style() == BarLine.Style.DOTTED) {
                for (int i = 0; i < 4; i++) {
                    shapes.add(new Shape.Line(at + width / 2, i + 0.2, at + width / 2, i + 0.7, width, Ink.MUSIC));
                }
            } else {
                shapes.add(new Shape.Line(at + width / 2, 0, at + width / 2, 4, width, Ink.MUSIC));
            }
            at += width;
        }
        if (line.repeatsAfter() > 0) {
            dots(at + DOTS - MusicFont.width("repeatDot"), shapes);
        }
        return shapes;
    }

    private static void dots(double x, List<Shape> shapes) {
        shapes.add(MusicFont.glyph("repeatDot", x, 1.5, 1, Ink.MUSIC));
        shapes.add(MusicFont.glyph("repeatDot", x, 2.5, 1, Ink.MUSIC));
    }
}
