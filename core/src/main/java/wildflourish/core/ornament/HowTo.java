package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;

/**
 * Puts an ornament's instruction into words for the note in hand. The text of the data file names the fingers and notes of
 * its parts by number, in the order in which they come, those without a finger or note of their own left out:
 * <code>{finger1}</code>, <code>{note2}</code>; <code>{note}</code> is the note itself, <code>{place}</code> where it lies.
 */
public final class HowTo {

    private static final List<String> FINGERS = List.of(
            "thumb",
            "first finger of the upper hand",
            "second finger of the upper hand",
            "third finger of the upper hand",
            "first finger of the lower hand",
            "second finger of the lower hand",
            "third finger of the lower hand",
            "little finger of the lower hand");
    private static final String[] ORDINALS = {"open", "first", "second", "third", "fourth"};

    private HowTo() {}

    /** The finger that covers a hole, from 1 at the mouth; 0 is the thumb. */
    public static String finger(int hole) {
        return FINGERS.get(hole);
    }

    /** What moves, as players say it: {@code second finger on the A string}. */
    public static String means(Means means) {
        return switch (means) {
            case Means.Still s -> "the fingers as they lie";
            case Means.Hole(int hole) -> finger(hole);
            case Means.Holes(var holes) -> String.join(" and the ", holes.stream().map(HowTo::finger).toList());
            case Means.Finger(var at) -> string(at);
            case Means.Press(var at) -> "%s finger on the %s".formatted(ORDINALS[at.finger()], button(at));
            case Means.Stroke(int nth) -> "stroke " + (nth + 1);
            case Means.Directed(boolean down) -> down ? "down-stroke" : "up-stroke";
            case Means.Turn(var to) -> "bellows to " + to.word();
            case Means.Knee k -> "foot of the chanter back on the knee";
        };
    }

    private static String string(Place.Stopped at) {
        if (at.isOpen()) {
            return "open %s string".formatted(at.string());
        }
        String fret = at.fretted() ? ", fret %d".formatted(at.above()) : "";
        String shape = at.shape().isEmpty() || at.fretted() ? "" : at.shape() + " ";
        return "%s%s finger on the %s string%s".formatted(shape, ORDINALS[at.finger()], at.string(), fret);
    }

    private static String button(Place.Pressed at) {
        String side = at.button().side().map(s -> s + "-hand ").orElse("");
        return "%s%s row's button %d".formatted(side, at.button().row(), at.button().number());
    }

    /** What the hands do for {@code ornament} in {@code gesture}, which must contain it, on a note of this pitch. */
    public static String inWords(Ornament ornament, Gesture gesture, Pitch pitch) {
        String text = ornament.how().replace("{note}", pitch.spoken()).replace("{place}", place(gesture.place()));
        List<Gesture.Part> own = gesture.parts(ornament.id());
        Optional<Gesture.Part> absorbed = own.isEmpty()
                ? gesture.parts().stream().filter(p -> p.move().isBlip()).findFirst() : Optional.empty();
        int finger = 0;
        int note = 0;
        for (Gesture.Part part : absorbed.map(List::of).orElse(own)) {
            boolean moves = part.means().isMovement();
            if (moves) {
                text = text.replace("{finger" + ++finger + "}", means(part.means()));
            }
            if (!part.pitch().equals(pitch) || part.move() == Move.COMPANY) {
                text = text.replace("{note" + ++note + "}", part.pitch().spoken());
            }
        }
        return withoutGaps(text);
    }

    /**
     * What moves for an ornament in a gesture that contains it, in order and each once in a row: {@code third finger of the upper
     * hand, then first finger of the lower hand}; empty where nothing moves but tongue, breath or stroke.
     */
    public static String fingers(Ornament ornament, Gesture gesture) {
        List<String> all = new ArrayList<>();
        for (Gesture.Part part : gesture.parts(ornament.id())) {
            if (part.means().isMovement()) {
                String one = means(part.means());
                if (all.isEmpty() || !all.getLast().equals(one)) {
                    all.add(one);
                }
            }
        }
        return String.join(", then ", all);
    }

    private static String place(Place place) {
        return switch (place) {
            case Place.Stopped s -> string(s);
            case Place.Pressed p -> button(p);
            case Place.Fingered f -> f.fingering().text();
            case Place.AsWritten w -> "where it is written";
            case Place.Missing m -> m.why();
        };
    }

    /** What is left open where a gesture has fewer parts than the text names. */
    private static String withoutGaps(String text) {
        return text.replaceAll("\\{finger\\d+}", "the same finger").replaceAll("\\{note\\d+}", "the same note");
    }

    /** The instruction without a note in hand, for a list of ornaments. */
    public static String general(Ornament ornament) {
        return ornament.how().replace("{note}", "the note").replace("{place}", "its place")
                .replaceAll("\\{finger\\d+}", "helping finger").replaceAll("\\{note\\d+}", "the helping note");
    }
}
