package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Shape;

/** How high and how low what is drawn on a stave reaches; it follows its list as that grows. */
final class Skyline {

    private final List<Shape> shapes;
    private final List<Bounds> boxes = new ArrayList<>();
    private int seen;

    Skyline(List<Shape> shapes) {
        this.shapes = shapes;
    }

    private List<Bounds> boxes() {
        while (seen < shapes.size()) {
            boxes.addAll(shapes.get(seen++).boxes());
        }
        return boxes;
    }

    /** The upper edge of what is drawn between two x; infinitely low where nothing is. */
    double highest(double from, double to) {
        return reach(from, to, true);
    }

    /** The lower edge of what is drawn between two x; infinitely high where nothing is. */
    double lowest(double from, double to) {
        return reach(from, to, false);
    }

    private double reach(double from, double to, boolean up) {
        double reach = up ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
        for (Bounds box : boxes()) {
            if (box.right() > from && box.left() < to) {
                reach = up ? Math.min(reach, box.top()) : Math.max(reach, box.bottom());
            }
        }
        return reach;
    }

    /** As {@link #highest}, the stave counted in. */
    double top(double from, double to) {
        return Math.min(0, highest(from, to));
    }

    /** As {@link #lowest}, the stave counted in. */
    double bottom(double from, double to) {
        return Math.max(4, lowest(from, to));
    }
}
