package wildflourish.score.display;

import java.util.List;

/** A rectangle; {@code top} is less than {@code bottom}. */
public record Bounds(double left, double top, double right, double bottom) {

    public static final Bounds NOWHERE = new Bounds(
            Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY);

    /** The smallest rectangle around points. */
    static Bounds of(List<Shape.Point> points) {
        Bounds all = NOWHERE;
        for (Shape.Point p : points) {
            all = all.with(new Bounds(p.x(), p.y(), p.x(), p.y()));
        }
        return all;
    }

    /** The smallest rectangle around shapes; {@link #NOWHERE} when there are none. */
    public static Bounds around(List<Shape> shapes) {
        Bounds all = NOWHERE;
        for (Shape shape : shapes) {
            all = all.with(shape.bounds());
        }
        return all;
    }

    public Bounds with(Bounds other) {
        return new Bounds(Math.min(left, other.left), Math.min(top, other.top), Math.max(right, other.right),
                Math.max(bottom, other.bottom));
    }

    public Bounds moved(double dx, double dy) {
        return new Bounds(left + dx, top + dy, right + dx, bottom + dy);
    }

    /** As much wider and higher on every side. */
    public Bounds grown(double sideways, double upright) {
        return new Bounds(left - sideways, top - upright, right + sideways, bottom + upright);
    }

    public boolean contains(double x, double y) {
        return x >= left && x < right && y >= top && y < bottom;
    }

    /** Whether the two share more than an edge. */
    public boolean overlaps(Bounds other) {
        return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
    }

    public double width() {
        return right - left;
    }

    public double height() {
        return bottom - top;
    }
}
