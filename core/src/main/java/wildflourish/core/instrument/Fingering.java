package wildflourish.core.instrument;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * One way to finger a note.
 *
 * @param tapHole the hole that a tap strikes when it is not the next open one; empty for the plain rule
 * @param trial true when it depends on the instrument and has to be tried
 * @param school the school that wants it, as {@code c-natural=half}; empty when all do
 */
public record Fingering(Holes holes, Breath breath, OptionalInt tapHole, boolean trial, Optional<String> school) {

    /** The hole a tap strikes: the next open one below the closed ones, if any. */
    public OptionalInt tap() {
        if (tapHole.isPresent()) {
            return tapHole;
        }
        int below = holes.lowestClosed() + 1;
        return below <= holes.count() && holes.isOpen(below) ? OptionalInt.of(below) : OptionalInt.empty();
    }

    /** Holes and breath, as one types them: {@code xxx xoo gentle}. */
    public String text() {
        return holes + " " + breath.name().toLowerCase(Locale.ROOT);
    }
}
