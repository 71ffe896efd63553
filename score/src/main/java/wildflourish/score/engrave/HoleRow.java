package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Holes;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** The holes of a wind instrument lying down, from the mouth to the right, as they stand in a list of steps. */
public final class HoleRow {

    private static final double RADIUS = 0.52;
    private static final double STEP = 1.3;
    private static final double GAP = 0.55;
    private static final int UPPER_HAND = 3;

    private HoleRow() {}

    /** Its width in staff spaces. */
    public static double width(Holes holes) {
        return x(holes, holes.count()) + RADIUS;
    }

    /** Draws it, its left edge at {@code left} and its middle at {@code y}. */
    public static List<Shape> at(double left, double y, Holes holes) {
        List<Shape> shapes = new ArrayList<>();
        for (int hole = holes.first(); hole <= holes.count(); hole++) {
            double x = left + x(holes, hole);
            shapes.add(new Shape.Disc(x, y, RADIUS - 0.06, false, 0.12, Ink.MUSIC));
            if (holes.isClosed(hole)) {
                shapes.add(new Shape.Disc(x, y, RADIUS, true, 0, Ink.MUSIC));
            } else if (!holes.isOpen(hole)) {
                List<Shape.Point> half = new ArrayList<>();
                for (int a = 0; a <= 12; a++) {
                    double angle = Math.PI / 2 + Math.PI * a / 12;
                    half.add(new Shape.Point(x + RADIUS * Math.cos(angle), y + RADIUS * Math.sin(angle)));
                }
                shapes.add(new Shape.Polygon(half, Ink.MUSIC));
            }
        }
        return shapes;
    }

    private static double x(Holes holes, int hole) {
        double thumb = holes.hasThumb() ? STEP + GAP : 0;
        return hole == 0 ? RADIUS : RADIUS + thumb + (hole - 1) * STEP + (hole > UPPER_HAND ? GAP : 0);
    }
}
