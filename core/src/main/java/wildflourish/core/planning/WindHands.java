package wildflourish.core.planning;

import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;

/** Fingers over holes. */
record WindHands(Instrument instrument, School school) implements Hands {

    /** The value of a school that leaves the choice to the plan. */
    static final String BY_PLACE = "by-place";

    @Override
    public void alone(Place place, Tally tally) {
        Place.Fingered fingered = (Place.Fingered) place;
        Fingering way = fingered.fingering();
        tally.add(Term.HALF_HOLE, way.holes().hasHalf());
        tally.add(Term.FORK, instrument.chart().orElseThrow().isFork(way));
        tally.add(Term.TRIAL, way.trial());
        if (way.school().isPresent()) {
            String chosen = instrument.school(way.choice().orElseThrow(), school);
            boolean wanted = way.isOf(instrument, school);
            tally.add(Term.AGAINST_SCHOOL, !wanted && !chosen.equals(BY_PLACE));
            if (wanted) {
                return;
            }
        }
        tally.add(Term.SECOND_CHOICE, fingered.rank());
    }

    @Override
    public void between(@Nullable Place before, Place from, Place to, Tally tally) {
        Fingering a = ((Place.Fingered) from).fingering();
        Fingering b = ((Place.Fingered) to).fingering();
        tally.add(Term.FINGER_MOVED, a.holes().fingersMoved(b.holes()));
        tally.add(Term.CONTRARY, a.holes().isContraryTo(b.holes()));
        tally.add(Term.REGISTER, a.breath() != b.breath());
    }
}
