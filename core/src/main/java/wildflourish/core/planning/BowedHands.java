package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Place.Stopped;

/** A bow, and fingers on strings without frets. */
record BowedHands() implements Hands {

    @Override
    public boolean looksBack() {
        return true;
    }

    @Override
    public void alone(Place place, Tally tally) {
        Stopped at = (Stopped) place;
        tally.add(Term.OPEN_STRING, at.isOpen());
        tally.add(Term.FOURTH_FINGER, at.finger() == 4);
        tally.add(Term.EXTENSION, at.strain());
        tally.add(Term.HIGH_POSITION, at.shift() > 0);
    }

    @Override
    public void between(@Nullable Place before, Place first, Place second, Tally tally) {
        Stopped from = (Stopped) first;
        Stopped to = (Stopped) second;
        int strings = Math.abs(to.index() - from.index());
        tally.add(Term.STRING_CROSSING, strings > 0);
        tally.add(Term.THERE_AND_BACK, strings > 0 && before != null && ((Stopped) before).index() == to.index());
        tally.add(Term.STRING_SKIPPED, Math.max(0, strings - 1));
        tally.add(Term.SHIFT, from.shift() != to.shift());
        if (to.isOpen()) {
            return;
        }
        tally.add(Term.FINGER_SET, !from.equals(to) && !isStillDown((Stopped) before, from, to));
        if (from.finger() == to.finger()) {
            boolean liesAcross = strings == 1 && from.above() == to.above();
            tally.add(Term.FINGER_HOPS, strings > 0 && !liesAcross);
        }
        tally.add(Term.HAND_SHAPE, from.finger() == to.finger() && from.shift() == to.shift()
                && !from.shape().equals(to.shape()));
    }

    /**
     * A finger may stay down while another string sounds, unless the note in between wants it elsewhere; and under a higher
     * finger on its own string.
     */
    private static boolean isStillDown(@Nullable Stopped before, Stopped from, Stopped to) {
        boolean underAnother = from.index() == to.index() && from.finger() > to.finger();
        return before != null && before.equals(to) && from.shift() == to.shift()
                && (underAnother || isWorthPlanting(before, from, to));
    }

    /** Whether a student has to be told to leave the finger down: the note between lies on another string. */
    static boolean isWorthPlanting(Stopped before, Stopped from, Stopped to) {
        return before.equals(to) && from.index() != to.index() && from.finger() != to.finger()
                && from.shift() == to.shift();
    }
}
