package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Means;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Slot;
import wildflourish.core.planning.Strokes;
import wildflourish.core.setting.Setting;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** The hands under the notes, each family in its own picture, with the marks of breath and air. */
public final class FingeringStrip {

    /** Room that the labels of its rows want before the music. */
    static final double LABELS = 6.4;

    /** Half a notehead: pictures stand under the middle of the note. */
    private static final double MIDDLE = 0.59;

    private final Situation situation;
    private final Setting setting;
    private final Aids aids;
    private final Strokes strokes;

    /** The strip of a tune in somebody's hands; {@code setting} says whose ornaments move the fingers. */
    FingeringStrip(Situation situation, Setting setting, Aids aids) {
        this.situation = situation.playing(setting.ornaments(situation.vocabulary()));
        this.setting = setting;
        this.aids = aids;
        this.strokes = this.situation.strokes();
    }

    /** Its height, in staff spaces; 0 on no instrument. */
    double height() {
        return switch (situation.instrument().layout()) {
            case WindChart chart -> HolePicture.height(chart);
            case Neck neck -> NeckPicture.height(neck);
            case ButtonBoard board -> ButtonPicture.height(board);
            case Unheld unheld -> 0;
        };
    }

    /** The shapes under one system, their top at 0. */
    List<Shape> of(SystemLayout system) {
        List<Spot> spots = new ArrayList<>();
        for (SystemLayout.Placed bar : system.bars()) {
            for (int i = 0; i < bar.xs().length; i++) {
                int note = bar.bar().columns().get(i).note();
                if (note >= 0 && !situation.tune().note(note).heldOver()) {
                    spots.add(new Spot(bar.xs()[i] + MIDDLE, note, situation.plan().at(note)));
                }
            }
        }
        List<Shape> shapes = new ArrayList<>();
        switch (situation.instrument().layout()) {
            case WindChart chart -> holes(chart, system, spots, shapes);
            case Neck neck -> {
                NeckPicture.strings(neck, system, aids.strokes(), shapes);
                spots.forEach(s -> {
                    NeckPicture.note(neck, s, aids.strokes() ? strokes.at(s.note()) : Optional.empty(),
                            aids.strokes() ? strokes.finger(s.note()) : Optional.empty(), shapes);
                    company(s).forEach(m -> {
                        if (m instanceof Means.Finger(var at)) {
                            NeckPicture.company(neck, s.x(), at, shapes);
                        }
                    });
                });
            }
            case ButtonBoard board -> {
                ButtonPicture.rows(board, system, shapes);
                spots.forEach(s -> {
                    ButtonPicture.note(board, s, aids.air().contains(s.note()), shapes);
                    company(s).forEach(m -> {
                        if (m instanceof Means.Press(var at) && s.place() instanceof Place.Pressed main) {
                            ButtonPicture.company(board, s.x(), at, main, shapes);
                        }
                    });
                });
                ButtonPicture.bellows(board, spots, shapes);
            }
            case Unheld unheld -> { }
        }
        spots.stream().filter(s -> s.place() instanceof Place.Missing).forEach(s -> missing(s.x(), shapes));
        return shapes;
    }

    /** A note of the system with where it is played. */
    record Spot(double x, int note, Place place) {}

    private void holes(WindChart chart, SystemLayout system, List<Spot> spots, List<Shape> shapes) {
        HolePicture.labels(chart, system.left(), shapes);
        for (Spot spot : spots) {
            if (spot.place() instanceof Place.Fingered(var fingering, var rank)) {
                shapes.addAll(HolePicture.of(spot.x(), fingering));
                if (Gestures.make(situation, spot.note(), setting.ornaments(spot.note(), situation.vocabulary()))
                        instanceof Making.Made made) {
                    HolePicture.moves(spot.x(), fingering.holes(), made.gesture(), situation, shapes);
                }
            }
            breath(spot, shapes);
        }
    }

    /** What else is held while a note sounds. */
    private List<Means> company(Spot spot) {
        List<Ornament> ornaments = setting.ornaments(spot.note(), situation.vocabulary());
        return ornaments.stream().noneMatch(o -> o.slot() == Slot.COMPANY)
                || !(Gestures.make(situation, spot.note(), ornaments) instanceof Making.Made made) ? List.of()
                : made.gesture().company().stream().map(p -> p.means()).toList();
    }

    private void breath(Spot spot, List<Shape> shapes) {
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

    private static void missing(double x, List<Shape> shapes) {
        shapes.add(new Shape.Line(x - 0.5, 2.5, x + 0.5, 3.5, 0.2, Ink.MISSING));
        shapes.add(new Shape.Line(x - 0.5, 3.5, x + 0.5, 2.5, 0.2, Ink.MISSING));
    }

    /** A filled disc with a light figure in it, or a ring with a dark one. */
    static void counter(double x, double y, double radius, String figure, boolean filled, List<Shape> shapes) {
        shapes.add(new Shape.Disc(x, y, radius, true, 0, filled ? Ink.MUSIC : Ink.PAPER));
        if (!filled) {
            shapes.add(new Shape.Disc(x, y, radius - 0.06, false, 0.13, Ink.MUSIC));
        }
        double size = figure.length() > 1 ? radius * 1.55 : radius * 1.95;
        shapes.add(new Shape.Words(figure, x, y + size * 0.36, size, Face.SANS_BOLD, Shape.Anchor.MIDDLE,
                filled ? Ink.PAPER : Ink.MUSIC));
    }

    /** A quiet label at the head of a row, ending before x. */
    static void label(String text, double x, double y, List<Shape> shapes) {
        shapes.add(new Shape.Words(text, x, y + 0.45, 1.3, Face.SANS, Shape.Anchor.START, Ink.QUIET));
    }
}
