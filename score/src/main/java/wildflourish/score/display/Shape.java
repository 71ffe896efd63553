package wildflourish.score.display;

import java.util.ArrayList;
import java.util.List;

/** An element of a display list; lengths in staff spaces. */
public sealed interface Shape {

    Ink ink();

    Shape moved(double dx, double dy);

    Bounds bounds();

    /** A glyph of the music font by its SMuFL name, its origin at (x, y); scale 1 is full size. */
    record Glyph(String name, double x, double y, double scale, Ink ink, Bounds bounds) implements Shape {
        @Override
        public Shape moved(double dx, double dy) {
            return new Glyph(name, x + dx, y + dy, scale, ink, bounds.moved(dx, dy));
        }
    }

    /** A straight line with flat ends. */
    record Line(double x1, double y1, double x2, double y2, double thickness, Ink ink) implements Shape {
        @Override
        public Shape moved(double dx, double dy) {
            return new Line(x1 + dx, y1 + dy, x2 + dx, y2 + dy, thickness, ink);
        }

        @Override
        public Bounds bounds() {
            double t = thickness / 2;
            return new Bounds(Math.min(x1, x2) - t, Math.min(y1, y2) - t, Math.max(x1, x2) + t, Math.max(y1, y2) + t);
        }
    }

    /** A filled polygon. */
    record Polygon(List<Point> points, Ink ink) implements Shape {
        public Polygon {
            points = List.copyOf(points);
        }

        @Override
        public Shape moved(double dx, double dy) {
            List<Point> all = new ArrayList<>();
            points.forEach(p -> all.add(new Point(p.x() + dx, p.y() + dy)));
            return new Polygon(all, ink);
        }

        @Override
        public Bounds bounds() {
            return Bounds.of(points);
        }
    }

    /** A tie or slur: a filled sickle from one end to the other. {@code rise} is negative when it curves upward. */
    record Bow(double x1, double y1, double x2, double y2, double rise, double ends, double middle, Ink ink)
            implements Shape {
        @Override
        public Shape moved(double dx, double dy) {
            return new Bow(x1 + dx, y1 + dy, x2 + dx, y2 + dy, rise, ends, middle, ink);
        }

        @Override
        public Bounds bounds() {
            double top = Math.min(y1, y2) + Math.min(0, rise) - middle;
            double bottom = Math.max(y1, y2) + Math.max(0, rise) + middle;
            return new Bounds(x1, top, x2, bottom);
        }
    }

    /** A circle, filled, or drawn with a line of the given thickness. */
    record Disc(double x, double y, double radius, boolean filled, double thickness, Ink ink) implements Shape {
        @Override
        public Shape moved(double dx, double dy) {
            return new Disc(x + dx, y + dy, radius, filled, thickness, ink);
        }

        @Override
        public Bounds bounds() {
            return new Bounds(x - radius, y - radius, x + radius, y + radius);
        }
    }

    /** A line of text on its base line; {@code anchor} says which point of it is at x. */
    record Words(String text, double x, double y, double size, Face face, Anchor anchor, Ink ink) implements Shape {
        @Override
        public Shape moved(double dx, double dy) {
            return new Words(text, x + dx, y + dy, size, face, anchor, ink);
        }

        @Override
        public Bounds bounds() {
            // About half an em a letter: near enough to keep other things away; painters know the true width.
            double width = text.length() * size * 0.52;
            double left = switch (anchor) {
                case START -> x;
                case MIDDLE -> x - width / 2;
                case END -> x - width;
            };
            return new Bounds(left, y - size * 0.75, left + width, y + size * 0.25);
        }
    }

    /** Which point of a text stands at its x. */
    enum Anchor { START, MIDDLE, END }

    /** A point. */
    record Point(double x, double y) {}
}
