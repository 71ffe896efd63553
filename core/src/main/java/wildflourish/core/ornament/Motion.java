package wildflourish.core.ornament;

import java.util.Locale;

/**
 * An elementary part as an ornament's data file asks for it.
 *
 * @param helper the rule for its other note or its finger
 */
public record Motion(Move move, HelperNote helper) {

    /** Reads {@code "cut"} or {@code "grace: step above"}; throws {@link IllegalArgumentException} for anything else. */
    static Motion parse(String text) {
        String[] halves = text.split(":\\s*", 2);
        Move move;
        try {
            move = Move.valueOf(halves[0].strip().toUpperCase(Locale.ROOT).replace(' ', '_'));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("there is no movement '" + halves[0] + "'");
        }
        return new Motion(move, halves.length > 1 ? HelperNote.parse(halves[1].strip()) : usual(move));
    }

    /** The helper that a movement has when the file names none. */
    private static HelperNote usual(Move move) {
        return switch (move) {
            case CUT, CRAN_CUT -> new HelperNote.FingerAbove();
            case TAP, SLAP, CLOSE -> new HelperNote.FingerBelow();
            case SLIDE, FALL -> new HelperNote.Steps(-1);
            case PASSING -> new HelperNote.Between();
            case POP, OVERLAP -> new HelperNote.Next();
            case BEND -> new HelperNote.Semitones(1);
            case GRACE -> new HelperNote.Steps(1);
            case HAMMER, PULL -> new HelperNote.FingerBelow();
            case SOUND, TOUCH, TONGUE, BREATH, STROKE, WAVER, SWELL, SLUR -> HelperNote.ITSELF;
            case COMPANY -> new HelperNote.OpenString();
        };
    }
}
