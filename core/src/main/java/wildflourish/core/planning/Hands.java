package wildflourish.core.planning;

import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;

/** What the notes of a tune cost a pair of hands on one kind of instrument. */
interface Hands {

    /** What a place costs in itself. */
    void alone(Place place, Tally tally);

    /**
     * What going from one place to the next costs.
     *
     * @param before the place before {@code from}; null at the start, and always where {@link #looksBack} is false
     */
    void between(Place before, Place from, Place to, Tally tally);

    /** Whether a step depends on the place before it too. */
    default boolean looksBack() {
        return false;
    }

    /** The hands that play an instrument. */
    static Hands of(Instrument instrument, School school) {
        return switch (instrument.family()) {
            case OPEN_HOLE, THUMB_HOLE, CLOSED_CHANTER, NINE_NOTE_CHANTER -> new WindHands(instrument, school);
            case BOWED -> new BowedHands();
            case FRETTED -> new FrettedHands();
            case TWO_WAY_REED -> new TwoWayHands((ButtonBoard) instrument.layout());
            case ONE_WAY_REED -> new OneWayHands((ButtonBoard) instrument.layout());
            case NONE -> throw new IllegalArgumentException("nobody plays the tune as written");
        };
    }
}
