package wildflourish.core.instrument;

import wildflourish.core.instrument.Place.Stopped;

/** What one left hand can hold on two strings at once (common practice). */
public final class DoubleStop {

    /** Semitones from the lowest to the highest finger that a hand spans in one position, from memory. */
    private static final int SPAN = 6;

    private DoubleStop() {}

    /**
     * Whether both places can be held together: an open string goes with everything; two stopped ones need one position
     * of the hand, and fingers in the order of their places. One finger laid across two strings stops the same place on
     * both, and nothing else.
     */
    public static boolean canHold(Stopped a, Stopped b) {
        if (a.index() == b.index()) {
            return false;
        }
        if (a.isOpen() || b.isOpen()) {
            return true;
        }
        if (a.shift() != b.shift()) {
            return false;
        }
        if (a.finger() == b.finger()) {
            return a.above() == b.above() && Math.abs(a.index() - b.index()) == 1;
        }
        if (Math.abs(a.above() - b.above()) > SPAN) {
            return false;
        }
        return a.above() == b.above() ? a.fretted() : (a.finger() < b.finger()) == (a.above() < b.above());
    }
}
