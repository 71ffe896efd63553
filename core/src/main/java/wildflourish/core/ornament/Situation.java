package wildflourish.core.ornament;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.tune.Timeline;

/** A tune in somebody's hands: its notes, the instrument, where each note lies on it, and the school of playing. */
public record Situation(Timeline tune, Instrument instrument, FingeringPlan plan, School school, Choices choices) {

    public static Situation of(Timeline tune, Instrument instrument, School school) {
        return of(tune, instrument, school, Choices.NONE);
    }

    /** As {@link #of(Timeline, Instrument, School)}, with the places that the teacher has chosen. */
    public static Situation of(Timeline tune, Instrument instrument, School school, Choices choices) {
        return new Situation(tune, instrument, Planner.plan(tune, instrument, school, choices), school, choices);
    }

    public Vocabulary vocabulary() {
        return Vocabulary.of(instrument.family());
    }

    public Situation with(School other) {
        return of(tune, instrument, other, choices);
    }
}
