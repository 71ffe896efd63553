package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Means;
import wildflourish.core.planning.Stroke;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/**
 * The strings as lines, the highest on top. On strings without frets a counter carries the finger, with a wedge to the left
 * for its low place and to the right for its high one; over frets it carries the fret, and the finger stands in the row
 * below. An open string is a ring. The lowest row has the strokes.
 */
final class NeckPicture implements HandPicture {

    private static final double STEP = 1.75;
    private static final double RADIUS = 0.82;
    private static final double TOP = 0.9;

    private final Neck neck;

    NeckPicture(Neck neck) {
        this.neck = neck;
    }

    @Override
    public void draw(FingeringStrip strip, SystemLayout system, List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        boolean strokes = strip.aids().strokes();
        strings(system, strokes, shapes);
        spots.forEach(s -> {
            note(s, strokes ? strip.situation().strokes().at(s.note()) : Optional.empty(),
                    strokes ? strip.situation().strokes().finger(s.note()) : Optional.empty(), shapes);
            strip.company(s.note()).forEach(m -> {
                if (m instanceof Means.Finger(var at)) {
                    company(s.x(), at, shapes);
                }
            });
        });
    }

    private double y(int index) {
        return TOP + (neck.strings().size() - 1 - index) * STEP;
    }

    private double fingers() {
        return y(0) + 1.85;
    }

    private double strokes() {
        return neck.isFretted() ? fingers() + 1.1 : y(0) + 1.2;
    }

    private boolean hasStrokes() {
        return !neck.strokes().equals("fingers");
    }

    @Override
    public double height() {
        return strokes() + 2.2;
    }

    private void strings(SystemLayout system, boolean strokes, List<Shape> shapes) {
        double right = system.right();
        for (int s = 0; s < neck.strings().size(); s++) {
            double y = y(s);
            shapes.add(new Shape.Line(system.left() + 3.4, y, right, y, 0.1, Ink.STAVE));
            FingeringStrip.label(neck.strings().get(s).name(), system.left() + 0.3, y, shapes);
        }
        if (neck.isFretted()) {
            FingeringStrip.label("finger", system.left() + 0.3, fingers(), shapes);
        }
        if (strokes && hasStrokes()) {
            FingeringStrip.label(neck.strokes().equals("bow") ? "bow" : "pick", system.left() + 0.3,
                    strokes() + 0.8, shapes);
        } else if (strokes) {
            FingeringStrip.label("pluck", system.left() + 0.3, strokes() + 0.8, shapes);
        }
    }

    private void note(
            FingeringStrip.Spot spot, Optional<Stroke> stroke, Optional<String> plucks, List<Shape> shapes) {
        if (!(spot.place() instanceof Place.Stopped at)) {
            return;
        }
        double y = y(at.index());
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
            shapes.add(new Shape.Words(String.valueOf(at.finger()), spot.x(), fingers() + 0.45, 1.4, Face.SANS,
                    Shape.Anchor.MIDDLE, Ink.MUSIC));
        }
        if (!neck.isFretted() && at.shift() > 0) {
            shapes.add(new Shape.Words(at.position(), spot.x(), TOP - 1, 1.1, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
        }
        // T, I and M: thumb, index and middle finger of the plucking hand.
        plucks.ifPresent(f -> shapes.add(new Shape.Words(f.substring(0, 1).toUpperCase(java.util.Locale.ROOT), spot.x(),
                strokes() + 1.3, 1.4, Face.SANS, Shape.Anchor.MIDDLE, Ink.MUSIC)));
        stroke.ifPresent(s -> stroke(spot.x(), strokes(), s, shapes));
    }

    /** What sounds along: a smaller counter on its own string. */
    private void company(double x, Place.Stopped at, List<Shape> shapes) {
        double y = y(at.index());
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

    @Override
    public List<String> key() {
        List<String> lines = new ArrayList<>();
        lines.add("each line is a string, the highest on top; a ring is an open string");
        lines.add(neck.isFretted() ? "the figure on the string is the fret, the one below it the finger (1 = index)"
                : "the figure is the finger (1 = index); a wedge to the left: its low place, to the right: its high place");
        switch (neck.strokes()) {
            case "bow" -> lines.add("open square: down-bow; V: up-bow; bar: joined to the note before; a coloured sign is"
                    + " our proposal, not on the page");
            case "plectrum" -> lines.add("open square: stroke down; V: stroke up");
            default -> lines.add("T, I, M: thumb, index and middle finger of the plucking hand");
        }
        return lines;
    }

    @Override
    public List<String> keyOfPlaces() {
        return key().subList(0, 2);
    }

    @Override
    public List<SystemBlock> maps(double left, double right, IntPredicate asked) {
        return List.of(map(left, right, asked));
    }

    private SystemBlock map(double start, double end, IntPredicate asked) {
        List<Shape> shapes = new ArrayList<>();
        int reach = Math.min(12, neck.reach());
        double left = start + 5;
        double step = Math.min(8.4, (end - left) / (reach + 1.0));
        int strings = neck.strings().size();
        double bottom = 1.5 + (strings - 1) * 2.7;
        for (int fret = 0; fret <= reach; fret++) {
            double x = left + fret * step + step * 0.62;
            shapes.add(new Shape.Line(x, 1.2, x, bottom + 0.3, fret == 0 ? 0.5 : neck.isFretted() ? 0.14 : 0.05, Ink.STAVE));
            if (fret > 0) {
                shapes.add(new Shape.Words(neck.isFretted() ? String.valueOf(fret) : "+" + fret, x - step / 2,
                        bottom + 3, 1.4, Face.SANS, Shape.Anchor.MIDDLE, Ink.QUIET));
            }
        }
        for (int s = 0; s < strings; s++) {
            Neck.OpenString string = neck.strings().get(s);
            double y = 1.5 + (strings - 1 - s) * 2.7;
            shapes.add(new Shape.Line(left, y, left + (string.isShort() ? 0.4 : reach + 0.8) * step, y, 0.12, Ink.STAVE));
            shapes.add(new Shape.Words(string.name(), start, y + 0.6, 1.7, Face.SANS_BOLD, Shape.Anchor.START, Ink.MUSIC));
            for (int fret = 0; fret <= (string.isShort() ? 0 : reach); fret++) {
                Pitch pitch = Pitch.ofMidi(string.open().midi() + fret);
                double x = left + fret * step + 0.1;
                boolean wanted = asked.test(pitch.midi());
                shapes.add(new Shape.Disc(x, y, 1.12, true, 0, wanted ? Ink.MUSIC : Ink.PAPER));
                shapes.add(new Shape.Words(pitch.letter(), x, y + 0.5, 1.4, Face.SANS_BOLD, Shape.Anchor.MIDDLE,
                        wanted ? Ink.PAPER : Ink.QUIET));
            }
        }
        String under = neck.isFretted() ? "frets" : "semitones above the open string";
        shapes.add(new Shape.Words(under, start, bottom + 5.2, 1.4, Face.SANS, Shape.Anchor.START, Ink.QUIET));
        return new SystemBlock(shapes, bottom + 7.4);
    }
}
