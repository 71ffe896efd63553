package wildflourish.score.display;

import java.util.ArrayList;
import java.util.List;

/** An element of a display list; lengths in staff spaces. */
public sealed interface Shape {

    Ink ink();

    Shape moved(double dx, double dy);

    Bounds bounds();

    /** Upright boxes that together cover it, closer than its bounds where it slants or bends. */
    default List<Bounds> boxes() {
        return List.of(bounds());
    }

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

        @Override
        public List<Bounds> boxes() {
            return x1 == x2 || y1 == y2 ? List.of(bounds())
                    : Slices.of(8, t -> x1 + t * (x2 - x1), t -> y1 + t * (y2 - y1), t -> thickness / 2);
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

        /** A band of four points, as a beam is, is cut into slices. */
        @Override
        public List<Bounds> boxes() {
            if (points.size() != 4) {
                return List.of(bounds());
            }
            Point a = points.get(0);
            Point b = points.get(1);
            double half = (points.get(3).y() - a.y()) / 2;
            return Slices.of(8, t -> a.x() + t * (b.x() - a.x()), t -> a.y() + half + t * (b.y() - a.y()), t -> Math.abs(half));
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
            Bounds all = Bounds.NOWHERE;
            for (Bounds box : boxes()) {
                all = all.with(box);
            }
            return all;
        }

        @Override
        public List<Bounds> boxes() {
            return Slices.of(16, this::x, this::y, t -> (ends + (middle - ends) * 4 * t * (1 - t)) / 2);
        }

        /** How far to the right a point of its middle line lies; t runs from 0 to 1. */
        private double x(double t) {
            double inset = REACH * (x2 - x1);
            double u = 1 - t;
            return u * u * u * x1 + 3 * u * u * t * (x1 + inset) + 3 * u * t * t * (x2 - inset) + t * t * t * x2;
        }

        private double y(double t) {
            double u = 1 - t;
            return u * u * u * y1 + 3 * u * u * t * (y1 + rise) + 3 * u * t * t * (y2 + rise) + t * t * t * y2;
        }

        /** How far inside its ends the points stand that bend it, as a share of its width. */
        public static final double REACH = 0.25;
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
            // A share of an em a letter, never less than the true width of ordinary words, which painters know.
            double width = text.codePoints().mapToDouble(Words::ems).sum() * size * (face == Face.SANS ? 1 : 1.12);
            double left = switch (anchor) {
                case START -> x;
                case MIDDLE -> x - width / 2;
                case END -> x - width;
            };
            return new Bounds(left, y - size * 0.75, left + width, y + size * 0.25);
        }

        private static double ems(int letter) {
            if ("il.,;:'!|()[]-/ jtfrI".indexOf(letter) >= 0) {
                return letter == 'r' || letter == '-' ? 0.4 : 0.35;
            }
            return "mwMW%@".indexOf(letter) >= 0 ? 0.95 : Character.isUpperCase(letter) ? 0.72 : 0.56;
        }
    }

    /** Which point of a text stands at its x. */
    enum Anchor { START, MIDDLE, END }

    /** A point. */
    record Point(double x, double y) {}
}
