package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Place.Stopped;

/** A picking hand, and fingers behind frets. */
record FrettedHands() implements Hands {

    private static boolean isShort(Stopped at) {
        return at.shape().equals(Neck.SHORT);
    }

    @Override
    public void alone(Place place, Tally tally) {
        Stopped at = (Stopped) place;
        tally.add(Term.OPEN_STRING, at.isOpen());
        tally.add(Term.FOURTH_FINGER, at.finger() == 4);
        tally.add(Term.STRETCH, at.strain());
        tally.add(Term.HIGH_POSITION, at.isOpen() ? 0 : (at.shift() + 1) / 2);
        tally.add(Term.SHORT_STRING, isShort(at));
    }

    @Override
    public void between(@Nullable Place before, Place first, Place second, Tally tally) {
        Stopped from = (Stopped) first;
        Stopped to = (Stopped) second;
        if (!isShort(from) && !isShort(to)) {
            int strings = Math.abs(to.index() - from.index());
            tally.add(Term.STRING_CROSSING, strings > 0);
            tally.add(Term.STRING_SKIPPED, Math.max(0, strings - 1));
        }
        int shift = Math.abs(to.shift() - from.shift());
        tally.add(Term.SHIFT, shift > 0);
        tally.add(Term.SHIFT_FRET, shift);
        if (!to.isOpen()) {
            boolean same = from.index() == to.index() && from.above() == to.above() && from.finger() == to.finger();
            tally.add(Term.FINGER_SET, !same);
            tally.add(Term.FINGER_HOPS, !same && from.finger() == to.finger() && from.above() != to.above());
        }
    }
}
