package wildflourish.score.engrave;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.planning.Stroke;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The strings as lines, the highest on top. On strings without frets a counter carries the finger, with a wedge to the left
 * for its low place and to the right for its high one; over frets it carries the fret, and the finger stands in the row
 * below. An open string is a ring. The lowest row has the strokes.
 */
final class NeckPicture {

    private static final double STEP = 1.75;
    private static final double RADIUS = 0.82;
    private static final double TOP = 0.9;

    private NeckPicture() {}

    private static double y(Neck neck, int index) {
        return TOP + (neck.strings().size() - 1 - index) * STEP;
    }

    private static double fingers(Neck neck) {
        return y(neck, 0) + 1.85;
    }

    private static double strokes(Neck neck) {
        return neck.isFretted() ? fingers(neck) + 1.1 : y(neck, 0) + 1.2;
    }

    private static boolean hasStrokes(Neck neck) {
        return !neck.strokes().equals("fingers");
    }

    static double height(Neck neck) {
        return strokes(neck) + 2.2;
    }

    static void strings(Neck neck, SystemLayout system, boolean strokes, List<Shape> shapes) {
        double right = system.right();
        for (int s = 0; s < neck.strings().size(); s++) {
            double y = y(neck, s);
            shapes.add(new Shape.Line(system.left() + 3.4, y, right, y, 0.1, Ink.STAVE));
            FingeringStrip.label(neck.strings().get(s).name(), system.left() + 0.3, y, shapes);
        }
        if (neck.isFretted()) {
            FingeringStrip.label("finger", system.left() + 0.3, fingers(neck), shapes);
        }
        if (strokes && hasStrokes(neck)) {
            FingeringStrip.label(neck.strokes().equals("bow") ? "bow" : "pick", system.left() + 0.3,
                    strokes(neck) + 0.8, shapes);
        } else if (strokes) {
            FingeringStrip.label("pluck", system.left() + 0.3, strokes(neck) + 0.8, shapes);
        }
    }

    static void note(
            Neck neck, FingeringStrip.Spot spot, Optional<Stroke> stroke, Optional<String> plucks, List<Shape> shapes) {
        if (!(spot.place() instanceof Place.Stopped at)) {
            return;
        }
        double y = y(neck, at.index());
        String figure = String.valueOf(neck.isFretted() ? at.above() : at.finger());
        if (at.shape().equals("low") || at.shape().equals("high")) {
            double side = at.shape().equals("low") ? -1 : 1;
            shapes.add(new Shape.Polygon(List.of(
                    new Shape.Point(spot.x() + side * 1.42, y),
                    new Shape.Point(spot.x() + side * 0.5, y - 0.62),
                    new Shape.Point(spot.x() + side * 0.5, y + 0.62)), Ink.MUSIC));
        }
        FingeringStrip.counter(spot.x(), y, RADIUS, figure, !at.isOpen(), shapes);
        if (neck.isFretted() && !at.isOpen()) {
            shapes.add(new Shape.Words(String.valueOf(at.finger()), spot.x(), fingers(neck) + 0.45, 1.4, Face.SANS,
                    Shape.Anchor.MIDDLE, Ink.MUSIC));
        }
        if (!neck.isFretted() && at.shift() > 0) {
            shapes.add(new Shape.Words(at.position(), spot.x(), TOP - 1, 1.1, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
        }
        // T, I and M: thumb, index and middle finger of the plucking hand.
        plucks.ifPresent(f -> shapes.add(new Shape.Words(f.substring(0, 1).toUpperCase(java.util.Locale.ROOT), spot.x(),
                strokes(neck) + 1.3, 1.4, Face.SANS, Shape.Anchor.MIDDLE, Ink.MUSIC)));
        stroke.ifPresent(s -> stroke(spot.x(), strokes(neck), s, shapes));
    }

    /** What sounds along: a smaller counter on its own string. */
    static void company(Neck neck, double x, Place.Stopped at, List<Shape> shapes) {
        double y = y(neck, at.index());
        String figure = String.valueOf(neck.isFretted() ? at.above() : at.finger());
        shapes.add(new Shape.Disc(x, y, RADIUS, true, 0, Ink.PAPER));
        shapes.add(new Shape.Disc(x, y, RADIUS - 0.08, at.isOpen() ? false : true, 0.18, Ink.COMPANY));
        shapes.add(new Shape.Words(figure, x, y + RADIUS * 0.66, RADIUS * 1.85, Face.SANS_BOLD, Shape.Anchor.MIDDLE,
                at.isOpen() ? Ink.COMPANY : Ink.PAPER));
    }

    private static void stroke(double x, double top, Stroke stroke, List<Shape> shapes) {
        if (stroke.joined()) {
            Ink ink = stroke.advice().isPresent() ? Ink.GLIDE : Ink.STAVE;
            shapes.add(new Shape.Line(x - 1.6, top + 0.85, x + 0.5, top + 0.85, 0.22, ink));
        } else {
            Ink ink = stroke.advice().isPresent() ? Ink.GLIDE : Ink.MUSIC;
            String glyph = stroke.down() ? "stringsDownBow" : "stringsUpBow";
            shapes.add(MusicFont.glyph(glyph, x - MusicFont.width(glyph) * 0.4, top + 1.5, 0.8, ink));
        }
    }
}
