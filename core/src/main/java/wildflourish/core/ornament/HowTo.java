package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.tune.Pitch;

/** Puts an ornament's instruction into words for the note in hand. */
public final class HowTo {

    private static final List<String> FINGERS = List.of(
            "first finger of the upper hand",
            "second finger of the upper hand",
            "third finger of the upper hand",
            "first finger of the lower hand",
            "second finger of the lower hand",
            "third finger of the lower hand");

    private HowTo() {}

    /** The finger that covers a hole, from 1 at the mouth. */
    public static String finger(int hole) {
        return FINGERS.get(hole - 1);
    }

    /** What the hands do for {@code ornament} in {@code gesture}, which must contain it, on a note of this pitch. */
    public static String inWords(Ornament ornament, Gesture gesture, Pitch pitch) {
        String text = ornament.how().replace("{note}", pitch.spoken());
        int crans = 0;
        for (Gesture.Pulse pulse : gesture.pulses()) {
            for (Gesture.Part part : pulse.parts()) {
                if (!part.ornament().equals(ornament.id())) {
                    continue;
                }
                String finger = part.hole() > 0 ? finger(part.hole()) : "";
                text = switch (part.move()) {
                    case CUT -> text.replace("{cut}", finger);
                    case CRAN_CUT -> text.replace(crans++ == 0 ? "{first}" : "{second}", finger);
                    case TAP -> text.replace("{tap}", finger);
                    case SLIDE -> text.replace("{slide}", finger).replace("{below}", part.pitch().spoken());
                    case POP -> text.replace("{pop}", finger);
                    case PASSING -> text.replace("{between}", part.pitch().spoken());
                    case SOUND, TOUCH, TONGUE, BREATH -> text;
                };
            }
        }
        return text;
    }

    /** The instruction without a note in hand, for a list of ornaments. */
    public static String general(Ornament ornament) {
        return ornament.how()
                .replace("{note}", "the note")
                .replace("{cut}", "cutting finger")
                .replace("{tap}", "finger over the next open hole")
                .replace("{slide}", "lowest finger")
                .replace("{below}", "the note below")
                .replace("{pop}", "finger above")
                .replace("{first}", "third finger of the upper hand")
                .replace("{second}", "first finger of the lower hand")
                .replace("{between}", "the note between");
    }
}
