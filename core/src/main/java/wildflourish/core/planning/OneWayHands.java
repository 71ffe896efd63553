package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.Place.Pressed;

/** Fingers on buttons that sound the same both ways, the scale shared out between the two hands. */
record OneWayHands(ButtonBoard board) implements Hands {

    @Override
    public void alone(Place place, Tally tally) {
        tally.add(Term.OFF_HOME, ((Pressed) place).strain());
    }

    @Override
    public void between(@Nullable Place before, Place first, Place second, Tally tally) {
        Pressed from = (Pressed) first;
        Pressed to = (Pressed) second;
        Button a = from.button();
        Button b = to.button();
        if (a.isOnTheSideOf(b)) {
            boolean sameFinger = from.finger() == to.finger();
            tally.add(Term.SAME_FINGER, sameFinger && !a.isAlso(b));
            tally.add(Term.REPEATED_FINGER, sameFinger && a.isAlso(b));
            tally.add(Term.STRETCH, (int) Math.ceil(Math.max(0, Math.abs(b.across() - a.across()) - board.reach())));
            tally.add(Term.CROSSED_FINGERS, board.isCrossed(from, to));
        }
    }
}
