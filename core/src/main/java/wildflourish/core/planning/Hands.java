package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;

/** What the notes of a tune cost a pair of hands on one kind of instrument. */
interface Hands {

    /** What a place costs in itself. */
    void alone(Place place, Tally tally);

    /**
     * What going from one place to the next costs.
     *
     * @param before the place before {@code from}; null at the start, and always where {@link #looksBack} is false
     */
    void between(@Nullable Place before, Place from, Place to, Tally tally);

    /** Whether a step depends on the place before it too. */
    default boolean looksBack() {
        return false;
    }

    /** The hands that play an instrument. */
    static Hands of(Instrument instrument, School school) {
        return switch (instrument.layout()) {
            case WindChart chart -> new WindHands(instrument, school);
            case Neck neck -> instrument.family().frets() ? new FrettedHands() : new BowedHands();
            case ButtonBoard board -> instrument.family().twoWay() ? new TwoWayHands(board) : new OneWayHands(board);
            case Unheld nobody -> throw new IllegalArgumentException("nobody plays the tune as written");
        };
    }
}
