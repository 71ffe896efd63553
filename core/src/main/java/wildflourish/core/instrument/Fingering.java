package wildflourish.core.instrument;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * One way to finger a note.
 *
 * @param tapHole the hole that a tap strikes when it is not the next open one; empty for the plain rule
 * @param trial true when it depends on the instrument and has to be tried
 * @param school the schools that want it, as {@code c-natural=half} or {@code recorder-f=baroque|simplified}; empty when all
 *     do
 * @param remark what else the player does, said in place of how to blow: {@code chanter off the knee}; empty text says
 *     nothing
 */
public record Fingering(
        Holes holes, Breath breath, OptionalInt tapHole, boolean trial, Optional<String> school, Optional<String> remark) {

    /**
     * The hole a tap strikes: the next open one below the closed ones; where none is open, one that is half covered, which the
     * finger closes; on a fork with nothing open below it, the hole that the fork leaves open.
     */
    public OptionalInt tap() {
        if (tapHole.isPresent()) {
            return tapHole;
        }
        OptionalInt half = OptionalInt.empty();
        for (int below = holes.lowestClosed() + 1; below <= holes.count(); below++) {
            if (holes.isOpen(below)) {
                return OptionalInt.of(below);
            }
            half = half.isEmpty() ? OptionalInt.of(below) : half;
        }
        if (half.isEmpty() && holes.isFork()) {
            for (int inside = holes.lowestClosed() - 1; inside >= 1; inside--) {
                if (holes.isOpen(inside)) {
                    return OptionalInt.of(inside);
                }
            }
        }
        return half;
    }

    /** The name of the choice of school that it belongs to. */
    public Optional<String> choice() {
        return school.map(s -> s.substring(0, s.indexOf('=')));
    }

    /** Whether the schools in force want it; true where it belongs to none. */
    public boolean isOf(Instrument instrument, School chosen) {
        return school.map(s -> School.values(s).contains(instrument.school(s.substring(0, s.indexOf('=')), chosen))).orElse(true);
    }

    /** Whether it belongs to another maker's system than the instrument in hand has, so that it is not there to be played. */
    public boolean isBarred(Instrument instrument, School chosen) {
        return choice().filter(School::isSystem).isPresent() && !isOf(instrument, chosen);
    }

    /** Holes and breath, as one types them: {@code xxx xoo gentle}. */
    public String text() {
        return holes + " " + breath.name().toLowerCase(Locale.ROOT);
    }
}
