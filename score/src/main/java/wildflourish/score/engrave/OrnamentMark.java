package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The small mark of an ornament on a folded rung, in the fingering strip and in lists: its movements from left to right,
 * a peak for a finger lifted or a note above, a trough for one that strikes or falls, slanting lines for glides, a dot for the
 * tongue, an upright for a stroke, two level lines for a second note, a wave for a vibrato.
 */
public final class OrnamentMark {

    private static final double UNIT = 0.62;
    private static final double LINE = 0.2;

    private OrnamentMark() {}

    /** The ink of an ornament's kind. */
    public static Ink ink(Ornament ornament) {
        List<Move> moves = ornament.pulses().stream().flatMap(p -> p.moves().stream()).toList();
        if (moves.contains(Move.BREATH)) {
            return Ink.BREATH;
        }
        if (moves.contains(Move.COMPANY)) {
            return Ink.COMPANY;
        }
        if (moves.stream().anyMatch(Move::isBlip) && moves.contains(Move.SOUND)
                || moves.contains(Move.CLOSE) && moves.contains(Move.CUT)) {
            return Ink.ROLL;
        }
        if (moves.stream().anyMatch(m -> m.isGlide() || m == Move.PASSING || m == Move.PULL || m == Move.WAVER
                || m == Move.SWELL)) {
            return Ink.GLIDE;
        }
        return moves.stream().anyMatch(m -> m.isStart() || m == Move.SLUR || m == Move.CLOSE) ? Ink.TONGUE : Ink.CLICK;
    }

    private static List<Move> strokes(Ornament ornament) {
        List<Move> strokes = new ArrayList<>();
        Move before = null;
        for (Ornament.Beat beat : ornament.pulses()) {
            int times = beat.again() ? 3 / Math.max(1, beat.motions().size()) + 1 : 1;
            for (int t = 0; t < times; t++) {
                for (Move move : beat.moves()) {
                    boolean silentSound = move == Move.SOUND && before != null || move == Move.TOUCH;
                    if (!silentSound) {
                        strokes.add(move);
                    }
                    before = move;
                }
            }
        }
        return strokes;
    }

    /** How wide the mark is. */
    public static double width(Ornament ornament) {
        return strokes(ornament).size() * UNIT;
    }

    /** The mark, centred on (x, y), about one staff space high. */
    public static List<Shape> at(double x, double y, Ornament ornament) {
        return at(x, y, ornament, ink(ornament));
    }

    static List<Shape> at(double x, double y, Ornament ornament, Ink ink) {
        List<Shape> shapes = new ArrayList<>();
        List<Move> strokes = strokes(ornament);
        double left = x - strokes.size() * UNIT / 2;
        for (Move move : strokes) {
            double middle = left + UNIT / 2;
            double right = left + UNIT;
            switch (move) {
                case CUT, CRAN_CUT, GRACE -> {
                    shapes.add(new Shape.Line(left, y + 0.4, middle, y - 0.45, LINE, ink));
                    shapes.add(new Shape.Line(middle, y - 0.45, right, y + 0.4, LINE, ink));
                }
                case TAP, HAMMER -> {
                    shapes.add(new Shape.Line(left, y - 0.4, middle, y + 0.45, LINE, ink));
                    shapes.add(new Shape.Line(middle, y + 0.45, right, y - 0.4, LINE, ink));
                }
                case SLAP -> {
                    for (double lift : new double[] {0, 0.4}) {
                        shapes.add(new Shape.Line(left, y - 0.4 - lift, middle, y + 0.45 - lift, LINE, ink));
                        shapes.add(new Shape.Line(middle, y + 0.45 - lift, right, y - 0.4 - lift, LINE, ink));
                    }
                }
                case SLIDE, BEND -> shapes.add(
                        new Shape.Line(left - 0.15, y + 0.45, right + 0.15, y - 0.45, LINE, ink));
                case FALL, PULL -> shapes.add(
                        new Shape.Line(left - 0.1, y - 0.45, right + 0.1, y + 0.45, LINE, ink));
                case PASSING -> {
                    shapes.add(new Shape.Disc(left, y + 0.35, 0.17, true, 0, ink));
                    shapes.add(new Shape.Disc(middle, y, 0.17, true, 0, ink));
                    shapes.add(new Shape.Disc(right, y - 0.35, 0.17, true, 0, ink));
                }
                case TONGUE -> shapes.add(new Shape.Disc(middle, y, 0.24, true, 0, ink));
                case STROKE -> shapes.add(new Shape.Line(middle, y - 0.45, middle, y + 0.45, LINE, ink));
                case CLOSE -> {
                    shapes.add(new Shape.Line(left, y + 0.4, right - 0.1, y + 0.4, LINE, ink));
                    shapes.add(new Shape.Line(middle - 0.05, y - 0.4, middle - 0.05, y + 0.4, LINE, ink));
                }
                case SOUND -> shapes.add(new Shape.Line(left, y, right - 0.1, y, LINE, ink));
                case POP, OVERLAP -> shapes.add(new Shape.Disc(middle, y, 0.3, false, LINE, ink));
                case WAVER, SWELL -> {
                    double high = move == Move.WAVER ? 0.3 : 0.15;
                    for (int wave = 0; wave < 3; wave++) {
                        double from = left - 0.3 + wave * 0.4;
                        shapes.add(new Shape.Line(from, y + high, from + 0.2, y - high, LINE, ink));
                        shapes.add(new Shape.Line(from + 0.2, y - high, from + 0.4, y + high, LINE, ink));
                    }
                }
                case COMPANY -> {
                    shapes.add(new Shape.Line(left - 0.1, y - 0.25, right + 0.1, y - 0.25, LINE, ink));
                    shapes.add(new Shape.Line(left - 0.1, y + 0.25, right + 0.1, y + 0.25, LINE, ink));
                }
                case SLUR -> shapes.add(new Shape.Bow(left - 0.35, y + 0.2, right + 0.35, y + 0.2, -0.55, 0.08, 0.22, ink));
                case BREATH -> {
                    shapes.add(new Shape.Line(left, y - 0.1, middle, y + 0.45, LINE, ink));
                    shapes.add(new Shape.Line(middle, y + 0.45, right + 0.1, y - 0.6, LINE, ink));
                }
                case TOUCH -> { }
            }
            left = right;
        }
        return shapes;
    }
}
