package wildflourish.core.tune;

import java.util.Optional;

/**
 * A silence.
 *
 * @param length sounding length; positive
 * @param visible false for a rest that only fills time
 * @param wholeBar true when it is the sign of a bar's rest, whatever the meter
 */
public record Rest(Ratio length, boolean visible, boolean wholeBar, Optional<Tuplet> tuplet, Marks marks)
        implements Element {

    public Rest {
        if (!length.isPositive()) {
            throw new IllegalArgumentException("a rest has a length");
        }
    }

    public static Rest of(Ratio length) {
        return new Rest(length, true, false, Optional.empty(), Marks.NONE);
    }

    /** The length as drawn, without the tuplet's factor. */
    public Ratio writtenLength() {
        return tuplet.map(t -> length.dividedBy(t.factor())).orElse(length);
    }

    public Rest withTuplet(Tuplet newTuplet) {
        return new Rest(length, visible, wholeBar, Optional.of(newTuplet), marks);
    }

    public Rest withLength(Ratio newLength) {
        return new Rest(newLength, visible, wholeBar, tuplet, marks);
    }
}
