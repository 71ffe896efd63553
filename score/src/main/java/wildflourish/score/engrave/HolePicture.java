package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Means;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Situation;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The holes of a wind instrument from the mouth downward, the thumb's first, a plus sign for firmer breath, and beside a hole
 * the sign of the movement its finger makes in an ornament: a peak for a finger lifted, a trough for one that strikes.
 */
public final class HolePicture {

    private static final double STEP = 1.2;
    private static final double RADIUS = 0.5;
    private static final double GAP = 0.35;
    private static final int UPPER_HAND = 3;

    private HolePicture() {}

    private static Holes any(WindChart chart) {
        return chart.ways(chart.pitches().getFirst()).getFirst().holes();
    }

    /** Its height with the breath sign and the word below it. */
    public static double height(WindChart chart) {
        return y(any(chart), any(chart).count()) + 3;
    }

    static void labels(WindChart chart, double left, List<Shape> shapes) {
        Holes holes = any(chart);
        if (holes.hasThumb()) {
            FingeringStrip.label("thumb", left + 0.2, y(holes, 0), shapes);
        }
        FingeringStrip.label("upper", left + 0.2, y(holes, 2), shapes);
        FingeringStrip.label("lower", left + 0.2, y(holes, 5), shapes);
    }

    /** The holes of one fingering in a column centred on x, its top at 0. */
    public static List<Shape> of(double x, Fingering fingering) {
        List<Shape> shapes = new ArrayList<>();
        Holes holes = fingering.holes();
        for (int hole = holes.first(); hole <= holes.count(); hole++) {
            double y = y(holes, hole);
            shapes.add(new Shape.Disc(x, y, RADIUS, holes.isClosed(hole), 0.12, Ink.MUSIC));
            if (holes.isHalf(hole)) {
                List<Shape.Point> half = new ArrayList<>();
                for (int a = 0; a <= 12; a++) {
                    double angle = Math.PI / 2 + Math.PI * a / 12;
                    half.add(new Shape.Point(x + RADIUS * Math.cos(angle), y + RADIUS * Math.sin(angle)));
                }
                shapes.add(new Shape.Polygon(half, Ink.MUSIC));
            }
        }
        double below = y(holes, holes.count());
        if (fingering.breath() == Breath.FIRM) {
            double y = below + 1.15;
            shapes.add(new Shape.Line(x - 0.42, y, x + 0.42, y, 0.16, Ink.MUSIC));
            shapes.add(new Shape.Line(x, y - 0.42, x, y + 0.42, 0.16, Ink.MUSIC));
        }
        fingering.remark().filter(r -> r.contains("off the knee")).ifPresent(r ->
                shapes.add(new Shape.Words("off knee", x, below + 2.5, 1.1, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET)));
        if (fingering.trial()) {
            shapes.add(new Shape.Words("try", x, below + 2.5, 1.2, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
        }
        return shapes;
    }

    private static double y(Holes holes, int hole) {
        double top = holes.hasThumb() ? STEP + GAP : 0;
        return hole == 0 ? RADIUS : RADIUS + top + (hole - 1) * STEP + (hole > UPPER_HAND ? GAP : 0);
    }

    static void moves(double x, Holes holes, Gesture gesture, Situation situation, List<Shape> shapes) {
        List<Integer> used = new ArrayList<>();
        for (Gesture.Part part : gesture.parts()) {
            for (int hole : holes(part.means())) {
                Ink ink = OrnamentMark.ink(situation.vocabulary().known(part.ornament()));
                double y = y(holes, hole);
                long before = used.stream().filter(h -> h == hole).count();
                if (before > 1) {
                    continue;
                }
                double left = x + RADIUS + 0.16 + 0.62 * before;
                used.add(hole);
                shapes.add(new Shape.Disc(x, y, RADIUS + 0.1, false, 0.16, ink));
                move(part.move(), left, y, ink, shapes);
            }
        }
    }

    private static List<Integer> holes(Means means) {
        return switch (means) {
            case Means.Hole(int hole) -> List.of(hole);
            case Means.Holes(var several) -> several;
            case Means.Still s -> List.of();
            case Means.Finger f -> List.of();
            case Means.Press p -> List.of();
            case Means.Stroke s -> List.of();
            case Means.Directed d -> List.of();
            case Means.Turn t -> List.of();
            case Means.Knee k -> List.of();
        };
    }

    private static void move(Move move, double left, double y, Ink ink, List<Shape> shapes) {
        double middle = left + 0.28;
        double right = left + 0.56;
        if (move == Move.TAP || move == Move.SLAP || move == Move.CLOSE || move == Move.WAVER) {
            shapes.add(new Shape.Line(left, y - 0.3, middle, y + 0.34, 0.17, ink));
            shapes.add(new Shape.Line(middle, y + 0.34, right, y - 0.3, 0.17, ink));
        } else if (move == Move.SLIDE) {
            shapes.add(new Shape.Line(left, y + 0.36, right, y - 0.36, 0.17, ink));
        } else if (move == Move.POP) {
            shapes.add(new Shape.Disc(middle, y, 0.24, false, 0.15, ink));
        } else {
            shapes.add(new Shape.Line(left, y + 0.3, middle, y - 0.34, 0.17, ink));
            shapes.add(new Shape.Line(middle, y - 0.34, right, y + 0.3, 0.17, ink));
        }
    }
}
