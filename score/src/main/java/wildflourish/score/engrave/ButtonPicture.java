package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Means;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The rows of buttons as lines. The counter carries the button's number, filled while the bellows close and a ring while they
 * open; below it the finger, and along the foot a bar for each stretch in one bellows direction, its arrows pointing
 * together for a push and apart for a pull.
 */
final class ButtonPicture implements HandPicture {

    private static final double STEP = 1.7;
    private static final double RADIUS = 0.8;
    private static final double TOP = 0.9;
    private static final double BETWEEN_SIDES = 0.7;

    private final ButtonBoard board;

    ButtonPicture(ButtonBoard board) {
        this.board = board;
    }

    @Override
    public void draw(FingeringStrip strip, SystemLayout system, List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        rows(system, shapes);
        spots.forEach(s -> {
            note(s, strip.aids().air().contains(s.note()), shapes);
            strip.company(s.note()).forEach(m -> {
                if (m instanceof Means.Press(var at) && s.place() instanceof Place.Pressed main) {
                    company(s.x(), at, main, shapes);
                }
            });
        });
        bellows(spots, shapes);
    }

    private int rowCount() {
        return board.rowNames().size();
    }

    private double y(int row) {
        boolean right = board.rowNames().get(row).startsWith("right ");
        return TOP + row * STEP + (right ? BETWEEN_SIDES : 0);
    }

    private double fingers() {
        return y(rowCount() - 1) + 1.85;
    }

    private double bellows() {
        return fingers() + 1.7;
    }

    @Override
    public double height() {
        return board.isTwoWay() ? bellows() + 1.9 : fingers() + 1.1;
    }

    private void rows(SystemLayout system, List<Shape> shapes) {
        for (int r = 0; r < rowCount(); r++) {
            double y = y(r);
            shapes.add(new Shape.Line(system.musicLeft(), y, system.right(), y, 0.1, Ink.STAVE));
            FingeringStrip.label(shortened(board.rowNames().get(r)), system.left() + 0.3, y, shapes);
        }
        FingeringStrip.label("finger", system.left() + 0.3, fingers(), shapes);
        if (board.isTwoWay()) {
            FingeringStrip.label("bellows", system.left() + 0.3, bellows(), shapes);
        }
    }

    /** Row names as they fit before the music. */
    private static String shortened(String row) {
        return row.replace("accidentals", "acc.").replace("left ", "L ").replace("right ", "R ").replace("middle", "mid.");
    }

    private void note(FingeringStrip.Spot spot, boolean air, List<Shape> shapes) {
        if (!(spot.place() instanceof Place.Pressed at)) {
            return;
        }
        Button button = at.button();
        boolean pull = at.direction().filter(d -> d == Bellows.PULL).isPresent();
        FingeringStrip.counter(spot.x(), y(button.rowIndex()), RADIUS, String.valueOf(button.number()), !pull,
                shapes);
        shapes.add(new Shape.Words(String.valueOf(at.finger()), spot.x(), fingers() + 0.45, 1.4, Face.SANS,
                Shape.Anchor.MIDDLE, Ink.MUSIC));
        if (air) {
            shapes.add(new Shape.Words("air", spot.x(), bellows() + 1.55, 1.2, Face.SANS_BOLD,
                    Shape.Anchor.MIDDLE, Ink.BREATH));
        }
    }

    /** What sounds along: a counter of its own colour on its button's row, beside the note's. */
    private void company(double x, Place.Pressed at, Place.Pressed main, List<Shape> shapes) {
        boolean sameRow = main.button().rowIndex() == at.button().rowIndex();
        double left = sameRow ? x + (at.button().number() < main.button().number() ? -1.45 : 1.45) : x;
        double y = y(at.button().rowIndex());
        shapes.add(new Shape.Disc(left, y, RADIUS - 0.08, true, 0, Ink.COMPANY));
        shapes.add(new Shape.Words(String.valueOf(at.button().number()), left, y + RADIUS * 0.66,
                at.button().number() > 9 ? RADIUS * 1.5 : RADIUS * 1.85, Face.SANS_BOLD, Shape.Anchor.MIDDLE, Ink.PAPER));
    }

    private void bellows(List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        if (!board.isTwoWay()) {
            return;
        }
        double y = bellows();
        int from = 0;
        while (from < spots.size()) {
            Bellows way = direction(spots.get(from));
            if (way == null) {
                from++;
                continue;
            }
            int to = from;
            while (to + 1 < spots.size() && direction(spots.get(to + 1)) == way) {
                to++;
            }
            run(spots.get(from).x() - 0.75, spots.get(to).x() + 0.75, y, way, shapes);
            from = to + 1;
        }
    }

    private static @Nullable Bellows direction(FingeringStrip.Spot spot) {
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

    @Override
    public List<String> key() {
        List<String> lines = new ArrayList<>();
        lines.add("each line is a row of buttons, the figure on it the button, counted along the row; below it the finger"
                + " (1 = index)");
        if (board.isTwoWay()) {
            lines.add("filled = push, ring = pull; along the foot arrows together = push, arrows apart = pull; “air”: hold the"
                    + " air button with this note");
        }
        return lines;
    }

    @Override
    public List<String> keyOfPlaces() {
        return key();
    }

    @Override
    public List<SystemBlock> maps(double left, double right, IntPredicate asked) {
        return ButtonMaps.of(board, left, right, asked);
    }

    @Override
    public Optional<String> aboutMaps() {
        return Optional.of(board.isTwoWay()
                ? "On each button: above the note while you push, below the note while you pull; ends as the hand holds it."
                : "Each button sounds the same both ways.");
    }
}
