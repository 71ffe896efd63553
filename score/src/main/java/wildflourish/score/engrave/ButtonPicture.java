package wildflourish.score.engrave;

import java.util.List;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Place;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The rows of buttons as lines. The counter carries the button's number, filled while the bellows close and a ring while they
 * open; below it the finger, and along the foot a bar for each stretch in one bellows direction, its arrows pointing
 * together for a push and apart for a pull.
 */
final class ButtonPicture {

    private static final double STEP = 1.7;
    private static final double RADIUS = 0.8;
    private static final double TOP = 0.9;
    private static final double BETWEEN_SIDES = 0.7;

    private ButtonPicture() {}

    private static int rowCount(ButtonBoard board) {
        return board.rowNames().size();
    }

    private static double y(ButtonBoard board, int row) {
        boolean right = board.rowNames().get(row).startsWith("right ");
        return TOP + row * STEP + (right ? BETWEEN_SIDES : 0);
    }

    private static double fingers(ButtonBoard board) {
        return y(board, rowCount(board) - 1) + 1.85;
    }

    private static double bellows(ButtonBoard board) {
        return fingers(board) + 1.7;
    }

    static double height(ButtonBoard board) {
        return board.isTwoWay() ? bellows(board) + 1.9 : fingers(board) + 1.1;
    }

    static void rows(ButtonBoard board, SystemLayout system, List<Shape> shapes) {
        for (int r = 0; r < rowCount(board); r++) {
            double y = y(board, r);
            shapes.add(new Shape.Line(system.musicLeft(), y, system.right(), y, 0.1, Ink.STAVE));
            FingeringStrip.label(shortened(board.rowNames().get(r)), system.left() + 0.3, y, shapes);
        }
        FingeringStrip.label("finger", system.left() + 0.3, fingers(board), shapes);
        if (board.isTwoWay()) {
            FingeringStrip.label("bellows", system.left() + 0.3, bellows(board), shapes);
        }
    }

    /** Row names as they fit before the music. */
    private static String shortened(String row) {
        return row.replace("accidentals", "acc.").replace("left ", "L ").replace("right ", "R ").replace("middle", "mid.");
    }

    static void note(ButtonBoard board, FingeringStrip.Spot spot, boolean air, List<Shape> shapes) {
        if (!(spot.place() instanceof Place.Pressed at)) {
            return;
        }
        Button button = at.button();
        boolean pull = at.direction().filter(d -> d == Bellows.PULL).isPresent();
        FingeringStrip.counter(spot.x(), y(board, button.rowIndex()), RADIUS, String.valueOf(button.number()), !pull,
                shapes);
        shapes.add(new Shape.Words(String.valueOf(at.finger()), spot.x(), fingers(board) + 0.45, 1.4, Face.SANS,
                Shape.Anchor.MIDDLE, Ink.MUSIC));
        if (air) {
            shapes.add(new Shape.Words("air", spot.x(), bellows(board) + 1.55, 1.2, Face.SANS_BOLD,
                    Shape.Anchor.MIDDLE, Ink.BREATH));
        }
    }

    /** What sounds along: a counter of its own colour on its button's row, beside the note's. */
    static void company(ButtonBoard board, double x, Place.Pressed at, Place.Pressed main, List<Shape> shapes) {
        boolean sameRow = main.button().rowIndex() == at.button().rowIndex();
        double left = sameRow ? x + (at.button().number() < main.button().number() ? -1.45 : 1.45) : x;
        double y = y(board, at.button().rowIndex());
        shapes.add(new Shape.Disc(left, y, RADIUS - 0.08, true, 0, Ink.COMPANY));
        shapes.add(new Shape.Words(String.valueOf(at.button().number()), left, y + RADIUS * 0.66,
                at.button().number() > 9 ? RADIUS * 1.5 : RADIUS * 1.85, Face.SANS_BOLD, Shape.Anchor.MIDDLE, Ink.PAPER));
    }

    static void bellows(ButtonBoard board, List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        if (!board.isTwoWay()) {
            return;
        }
        double y = bellows(board);
        int from = 0;
        while (from < spots.size()) {
            if (direction(spots.get(from)) == null) {
                from++;
                continue;
            }
            int to = from;
            while (to + 1 < spots.size() && direction(spots.get(to + 1)) == direction(spots.get(from))) {
                to++;
            }
            run(spots.get(from).x() - 0.75, spots.get(to).x() + 0.75, y, direction(spots.get(from)), shapes);
            from = to + 1;
        }
    }

    private static Bellows direction(FingeringStrip.Spot spot) {
        return spot.place() instanceof Place.Pressed at ? at.direction().orElse(null) : null;
    }

    private static void run(double left, double right, double y, Bellows direction, List<Shape> shapes) {
        double head = 0.62;
        double inward = direction == Bellows.PUSH ? 1 : -1;
        double a = direction == Bellows.PUSH ? left : left + head;
        double b = direction == Bellows.PUSH ? right : right - head;
        if (right - left > 2 * head + 0.3) {
            shapes.add(new Shape.Line(left + head * 0.5, y, right - head * 0.5, y, 0.16, Ink.MUSIC));
        }
        shapes.add(arrow(a, y, inward * head));
        shapes.add(arrow(b, y, -inward * head));
    }

    private static Shape arrow(double x, double y, double reach) {
        return new Shape.Polygon(List.of(new Shape.Point(x, y - 0.42), new Shape.Point(x + reach, y),
                new Shape.Point(x, y + 0.42)), Ink.MUSIC);
    }
}
