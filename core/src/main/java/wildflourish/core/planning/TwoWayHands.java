package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Place.Pressed;

/** Fingers on buttons that sound one note while the bellows close and another while they open. */
record TwoWayHands(ButtonBoard board) implements Hands {

    @Override
    public void alone(Place place, Tally tally) {
        Pressed at = (Pressed) place;
        tally.add(Term.OFF_HOME, at.strain());
        tally.add(Term.ACCIDENTAL_ROW, !at.button().keyed());
        tally.add(Term.WEAK_FINGER, at.finger() == 4);
    }

    @Override
    public void between(@Nullable Place before, Place first, Place second, Tally tally) {
        Pressed from = (Pressed) first;
        Pressed to = (Pressed) second;
        Button a = from.button();
        Button b = to.button();
        boolean turns = !from.direction().equals(to.direction());
        boolean repeats = !turns && a.isAlso(b);
        tally.add(Term.BELLOWS_CHANGE, turns);
        tally.add(Term.BELLOWS_KEPT, !turns && !repeats);
        tally.add(Term.ROW_CHANGE, a.rowIndex() != b.rowIndex() && !a.row().equals(b.row()));
        if (a.isOnTheSideOf(b)) {
            tally.add(Term.SAME_FINGER, from.finger() == to.finger() && !a.isAlso(b));
            int fingers = (to.finger() - from.finger()) * (board.fingersRise(a) ? 1 : -1);
            tally.add(Term.STRETCH, (int) Math.ceil(Math.abs(b.across() - a.across() - fingers)));
            tally.add(Term.CROSSED_FINGERS, board.isCrossed(from, to));
        }
    }
}
