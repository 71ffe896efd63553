package wildflourish.core.ornament;

import java.util.Locale;
import java.util.Optional;
import wildflourish.core.instrument.Family;

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

    /** Why hands of a kind cannot be asked for it; empty where they can. */
    Optional<String> fault(Family.Held hands) {
        boolean understood = switch (hands) {
            case NONE -> false;
            case HOLES -> switch (move) {
                case HAMMER, PULL, BEND, COMPANY -> false;
                case SOUND, TOUCH, TONGUE, BREATH, SWELL, SLUR, WAVER, CUT, CRAN_CUT, TAP, CLOSE, SLAP, SLIDE, FALL, PASSING, GRACE, POP,
                        OVERLAP -> helper instanceof HelperNote.OnHoles;
                case STROKE -> helper instanceof HelperNote.Itself;
            };
            case STRINGS -> switch (move) {
                case CRAN_CUT, POP, SLAP, OVERLAP, CLOSE -> false;
                case STROKE -> helper instanceof HelperNote.Struck;
                case COMPANY -> helper instanceof HelperNote.AlongStrings;
                case SOUND, TOUCH, TONGUE, BREATH, SWELL, SLUR, WAVER, GRACE, CUT, TAP, PASSING, PULL, HAMMER, SLIDE, BEND, FALL ->
                    helper instanceof HelperNote.OnStrings;
            };
            case BUTTONS -> switch (move) {
                case WAVER, CUT, TAP, CRAN_CUT, SLIDE, BEND, FALL, POP, SLAP, OVERLAP, CLOSE, HAMMER, PULL -> false;
                case COMPANY -> helper instanceof HelperNote.Along;
                case SOUND, TOUCH, SLUR, BREATH, SWELL, TONGUE, GRACE, PASSING -> helper instanceof HelperNote.ByMusic;
                case STROKE -> helper instanceof HelperNote.Itself;
            };
        };
        return understood ? Optional.empty() : Optional.of("hands on %s do not know a %s with '%s'".formatted(
                hands.name().toLowerCase(Locale.ROOT), move.words(), helper.getClass().getSimpleName()));
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
