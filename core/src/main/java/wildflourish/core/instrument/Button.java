package wildflourish.core.instrument;

import java.util.Optional;
import wildflourish.core.tune.Pitch;

/**
 * A button of a free-reed instrument.
 *
 * @param side the hand, where there are two
 * @param row the row's name
 * @param rowIndex counted from 0 over all rows of the instrument
 * @param number counted from 1 along the row
 * @param across where it lies along its row, in buttons, with the stagger of the rows
 * @param keyed whether its row is the scale of a key, not a row of accidentals
 * @param push its note while the bellows close, as written
 * @param pull its note while the bellows open, as written
 */
public record Button(
        Optional<String> side, String row, int rowIndex, int number, double across, boolean keyed, Pitch push, Pitch pull) {

    public Pitch sounds(Bellows direction) {
        return direction == Bellows.PUSH ? push : pull;
    }

    /** As one types it: {@code left C row 3}. */
    public String text() {
        return side.map(s -> s + " ").orElse("") + row + " row " + number;
    }

    public String inWords() {
        return "%s%s row, button %d".formatted(side.map(s -> s + " hand, ").orElse(""), row, number);
    }

    public boolean isOnTheSideOf(Button other) {
        return side.equals(other.side);
    }

    /** Whether both are the same button of one instrument. */
    public boolean isAlso(Button other) {
        return rowIndex == other.rowIndex && number == other.number;
    }
}
