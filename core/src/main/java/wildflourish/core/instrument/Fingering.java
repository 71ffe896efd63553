package wildflourish.core.instrument;

import java.util.OptionalInt;

/**
 * One way to finger a note.
 *
 * @param tapHole the hole that a tap strikes when it is not the next open one; empty for the plain rule
 * @param trial true when it depends on the instrument and has to be tried
 */
public record Fingering(Holes holes, Breath breath, OptionalInt tapHole, boolean trial) {

    /** The hole a tap strikes: the next open one below the closed ones, if any. */
    public OptionalInt tap() {
        if (tapHole.isPresent()) {
            return tapHole;
        }
        int below = holes.lowestClosed() + 1;
        return below <= Holes.COUNT && holes.isOpen(below) ? OptionalInt.of(below) : OptionalInt.empty();
    }
}
