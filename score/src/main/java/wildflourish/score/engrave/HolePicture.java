package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Means;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Situation;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The holes of a wind instrument from the mouth downward, the thumb's first, a plus sign for firmer breath, and beside a hole
 * the sign of the movement its finger makes in an ornament: a peak for a finger lifted, a trough for one that strikes.
 */
final class HolePicture implements HandPicture {

    private static final double STEP = 1.2;
    private static final double RADIUS = 0.5;
    private static final double GAP = 0.35;
    private static final int UPPER_HAND = 3;

    private final WindChart chart;
    private final Family family;

    HolePicture(WindChart chart, Family family) {
        this.chart = chart;
        this.family = family;
    }

    private Holes any() {
        return chart.ways(chart.pitches().getFirst()).getFirst().holes();
    }

    /** Its height with the breath sign and the word below it. */
    @Override
    public double height() {
        return y(any(), any().count()) + 3;
    }

    @Override
    public void draw(FingeringStrip strip, SystemLayout system, List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        labels(system.left(), shapes);
        for (FingeringStrip.Spot spot : spots) {
            if (spot.place() instanceof Place.Fingered(var fingering, var rank)) {
                shapes.addAll(of(spot.x(), fingering));
                strip.gesture(spot.note()).ifPresent(g -> moves(spot.x(), fingering.holes(), g, strip.situation(), shapes));
            }
            breath(strip.aids(), spot, shapes);
        }
    }

    private void breath(Aids aids, FingeringStrip.Spot spot, List<Shape> shapes) {
        if (aids.breathAfter().contains(spot.note())) {
            shapes.add(MusicFont.glyph("breathMarkComma", spot.x() + 0.95, 0.4, 1.1, Ink.BREATH));
        }
        if (aids.breathFor().contains(spot.note())) {
            shapes.add(MusicFont.glyph("breathMarkComma", spot.x() + 1.05, 0.4, 1.1, Ink.BREATH));
            double bottom = height() - 2.6;
            for (double side : new double[] {-1, 1}) {
                double x = spot.x() + side * 0.85;
                shapes.add(new Shape.Line(x, 0.4, x, bottom - 0.4, 0.13, Ink.BREATH));
                shapes.add(new Shape.Line(x, 0.45, x - side * 0.35, 0, 0.13, Ink.BREATH));
                shapes.add(new Shape.Line(x, bottom - 0.45, x - side * 0.35, bottom, 0.13, Ink.BREATH));
            }
        }
    }

    private void labels(double left, List<Shape> shapes) {
        Holes holes = any();
        if (holes.hasThumb()) {
            FingeringStrip.label("thumb", left + 0.2, y(holes, 0), shapes);
        }
        FingeringStrip.label("upper", left + 0.2, y(holes, 2), shapes);
        FingeringStrip.label("lower", left + 0.2, y(holes, 5), shapes);
    }

    /** The holes of one fingering in a column centred on x, its top at 0. */
    private static List<Shape> of(double x, Fingering fingering) {
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

    private static void moves(double x, Holes holes, Gesture gesture, Situation situation, List<Shape> shapes) {
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

    @Override
    public List<String> key() {
        List<String> lines = new ArrayList<>();
        boolean thumb = any().hasThumb();
        lines.add((thumb ? "top circle: the thumb; " : "")
                + "three holes of the upper hand, then those of the lower; filled = closed, half filled = half covered");
        boolean blown = chart.pitches().stream().anyMatch(
                p -> chart.ways(p).stream().anyMatch(w -> w.breath() == Breath.FIRM));
        if (blown) {
            lines.add("plus sign: the upper octave, more pressure%s".formatted(family.blown()
                    ? "; comma: breathe here, in brackets: in place of this note" : ""));
        }
        lines.add("a coloured ring: the finger that moves in the ornament; peak = lift it, trough = strike with it,"
                + " rising line = draw it off slowly");
        return lines;
    }

    @Override
    public List<String> keyOfPlaces() {
        return key().subList(0, 1);
    }
}
