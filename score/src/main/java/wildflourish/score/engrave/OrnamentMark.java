package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The small mark of an ornament on a folded rung, in the fingering strip and in lists: its movements from left to right,
 * a peak for a finger lifted, a trough for one that strikes, a rising line for a glide, a dot for the tongue.
 */
public final class OrnamentMark {

    private static final double UNIT = 0.62;
    private static final double LINE = 0.2;

    private OrnamentMark() {}

    /** The ink of an ornament's family. */
    public static Ink ink(Ornament ornament) {
        List<Move> moves = ornament.pulses().stream().flatMap(p -> p.moves().stream()).toList();
        if (moves.contains(Move.BREATH)) {
            return Ink.BREATH;
        }
        if (moves.contains(Move.SLIDE) || moves.contains(Move.PASSING)) {
            return Ink.GLIDE;
        }
        if (moves.contains(Move.TONGUE)) {
            return Ink.TONGUE;
        }
        return moves.contains(Move.SOUND) ? Ink.ROLL : Ink.CLICK;
    }

    private static List<Move> strokes(Ornament ornament) {
        List<Move> strokes = new ArrayList<>();
        Move before = null;
        for (Ornament.Beat beat : ornament.pulses()) {
            for (Move move : beat.moves()) {
                boolean silentSound = move == Move.SOUND && before != null || move == Move.TOUCH;
                if (!silentSound) {
                    strokes.add(move);
                }
                before = move;
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
                case CUT, CRAN_CUT -> {
                    shapes.add(new Shape.Line(left, y + 0.4, middle, y - 0.45, LINE, ink));
                    shapes.add(new Shape.Line(middle, y - 0.45, right, y + 0.4, LINE, ink));
                }
                case TAP -> {
                    shapes.add(new Shape.Line(left, y - 0.4, middle, y + 0.45, LINE, ink));
                    shapes.add(new Shape.Line(middle, y + 0.45, right, y - 0.4, LINE, ink));
                }
                case SLIDE -> shapes.add(new Shape.Line(left - 0.15, y + 0.45, right + 0.15, y - 0.45, LINE, ink));
                case PASSING -> {
                    shapes.add(new Shape.Disc(left, y + 0.35, 0.17, true, 0, ink));
                    shapes.add(new Shape.Disc(middle, y, 0.17, true, 0, ink));
                    shapes.add(new Shape.Disc(right, y - 0.35, 0.17, true, 0, ink));
                }
                case TONGUE -> shapes.add(new Shape.Disc(middle, y, 0.24, true, 0, ink));
                case SOUND -> shapes.add(new Shape.Line(left, y, right - 0.1, y, LINE, ink));
                case POP -> shapes.add(new Shape.Disc(middle, y, 0.3, false, LINE, ink));
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
