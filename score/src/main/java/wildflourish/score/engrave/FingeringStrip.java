package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Means;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Slot;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Setting;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** The hands under the notes, each family in its own picture, with the marks of breath and air. */
public final class FingeringStrip {

    /** Room that the labels of its rows want before the music. */
    static final double LABELS = 6.4;

    /** Half a notehead: pictures stand under the middle of the note. */
    private static final double MIDDLE = 0.59;

    private final Situation situation;
    private final Setting setting;
    private final Aids aids;
    private final HandPicture picture;

    /** The strip of a version; its ornaments move the fingers. */
    FingeringStrip(AsPlayed played, Aids aids) {
        this.situation = played.situation();
        this.setting = played.varied().setting();
        this.aids = aids;
        this.picture = HandPicture.of(situation.instrument());
    }

    /** Its height, in staff spaces; 0 on no instrument. */
    double height() {
        return picture.height();
    }

    Situation situation() {
        return situation;
    }

    Aids aids() {
        return aids;
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
        picture.draw(this, system, spots, shapes);
        spots.stream().filter(s -> s.place() instanceof Place.Missing).forEach(s -> missing(s.x(), shapes));
        return shapes;
    }

    /** A note of the system with where it is played. */
    record Spot(double x, int note, Place place) {}

    /** What the ornaments of a note make of it; empty where the hands cannot do it. */
    Optional<Gesture> gesture(int note) {
        return Gestures.make(situation, note, setting.ornaments(note, situation.vocabulary())) instanceof Making.Made made
                ? Optional.of(made.gesture()) : Optional.empty();
    }

    /** What else is held while a note sounds. */
    List<Means> company(int note) {
        boolean none = setting.ornaments(note, situation.vocabulary()).stream().noneMatch(o -> o.slot() == Slot.COMPANY);
        return none ? List.of() : gesture(note).map(g -> g.company().stream().map(p -> p.means()).toList()).orElse(List.of());
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
