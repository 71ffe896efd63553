package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Setting;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/**
 * The fingers under the notes: six holes from the mouth downward, a plus sign for firmer breath, and beside a hole the
 * sign of the movement its finger makes in an ornament: a peak for a finger lifted, a trough for one that strikes.
 */
public final class FingeringStrip {

    static final double STEP = 1.06;
    private static final double RADIUS = 0.43;
    private static final double GAP = 0.35;

    private FingeringStrip() {}

    /** Its height for six holes and the breath sign. */
    public static double height() {
        return Holes.COUNT * STEP + GAP + 1.9;
    }

    static List<Shape> of(SystemLayout system, Situation situation, Setting setting) {
        List<Shape> shapes = new ArrayList<>();
        for (SystemLayout.Placed bar : system.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                int note = bar.bar().columns().get(i).note();
                if (note >= 0 && !situation.tune().note(note).heldOver()) {
                    note(bar.xs()[i] + 0.59, note, situation, setting, shapes);
                }
            }
        }
        return shapes;
    }

    private static void note(double x, int note, Situation situation, Setting setting, List<Shape> shapes) {
        switch (situation.plan().at(note)) {
            case Place.AsWritten written -> { }
            case Place.Missing missing -> {
                shapes.add(new Shape.Line(x - 0.5, 2.5, x + 0.5, 3.5, 0.2, Ink.MISSING));
                shapes.add(new Shape.Line(x - 0.5, 3.5, x + 0.5, 2.5, 0.2, Ink.MISSING));
            }
            case Place.Fingered(var fingering) -> {
                shapes.addAll(holes(x, fingering));
                List<Ornament> ornaments = setting.ornaments(note, situation.vocabulary());
                if (Gestures.make(situation, note, ornaments) instanceof Making.Made made) {
                    moves(x, made.gesture(), situation, shapes);
                }
            }
        }
    }

    /** The holes of one fingering in a column centred on x, its top at 0. */
    public static List<Shape> holes(double x, Fingering fingering) {
        List<Shape> shapes = new ArrayList<>();
        for (int hole = 1; hole <= Holes.COUNT; hole++) {
            double y = y(hole);
            shapes.add(new Shape.Disc(x, y, RADIUS, fingering.holes().isClosed(hole), 0.12, Ink.MUSIC));
            if (fingering.holes().isHalf(hole)) {
                List<Shape.Point> half = new ArrayList<>();
                for (int a = 0; a <= 12; a++) {
                    double angle = Math.PI / 2 + Math.PI * a / 12;
                    half.add(new Shape.Point(x + RADIUS * Math.cos(angle), y + RADIUS * Math.sin(angle)));
                }
                shapes.add(new Shape.Polygon(half, Ink.MUSIC));
            }
        }
        if (fingering.breath() == Breath.FIRM) {
            double y = y(Holes.COUNT) + 1.15;
            shapes.add(new Shape.Line(x - 0.42, y, x + 0.42, y, 0.16, Ink.MUSIC));
            shapes.add(new Shape.Line(x, y - 0.42, x, y + 0.42, 0.16, Ink.MUSIC));
        }
        if (fingering.trial()) {
            shapes.add(new Shape.Words("try", x, y(Holes.COUNT) + 2.4, 1.2, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
        }
        return shapes;
    }

    private static double y(int hole) {
        return RADIUS + (hole - 1) * STEP + (hole > 3 ? GAP : 0);
    }

    private static void moves(double x, Gesture gesture, Situation situation, List<Shape> shapes) {
        List<Integer> used = new ArrayList<>();
        for (Gesture.Pulse pulse : gesture.pulses()) {
            for (Gesture.Part part : pulse.parts()) {
                if (part.hole() == 0) {
                    continue;
                }
                Ink ink = OrnamentMark.ink(situation.vocabulary().known(part.ornament()));
                double y = y(part.hole());
                double left = x + RADIUS + 0.16 + 0.62 * used.stream().filter(h -> h == part.hole()).count();
                used.add(part.hole());
                shapes.add(new Shape.Disc(x, y, RADIUS + 0.1, false, 0.16, ink));
                double middle = left + 0.28;
                double right = left + 0.56;
                if (part.move() == Move.TAP) {
                    shapes.add(new Shape.Line(left, y - 0.3, middle, y + 0.34, 0.17, ink));
                    shapes.add(new Shape.Line(middle, y + 0.34, right, y - 0.3, 0.17, ink));
                } else if (part.move() == Move.SLIDE) {
                    shapes.add(new Shape.Line(left, y + 0.36, right, y - 0.36, 0.17, ink));
                } else if (part.move() == Move.POP) {
                    shapes.add(new Shape.Disc(middle, y, 0.24, false, 0.15, ink));
                } else {
                    shapes.add(new Shape.Line(left, y + 0.3, middle, y - 0.34, 0.17, ink));
                    shapes.add(new Shape.Line(middle, y - 0.34, right, y + 0.3, 0.17, ink));
                }
            }
        }
    }
}
