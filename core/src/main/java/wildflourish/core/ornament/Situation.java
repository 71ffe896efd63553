package wildflourish.core.ornament;

import wildflourish.core.instrument.FingeringPlan;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Planner;
import wildflourish.core.tune.Timeline;

/** A tune in somebody's hands: its notes, the instrument, where each note lies on it, and the school of playing. */
public record Situation(Timeline tune, Instrument instrument, FingeringPlan plan, School school) {

    public static Situation of(Timeline tune, Instrument instrument, School school) {
        return new Situation(tune, instrument, Planner.plan(tune, instrument), school);
    }

    public Vocabulary vocabulary() {
        return Vocabulary.of(instrument.family());
    }

    public Situation with(School other) {
        return new Situation(tune, instrument, plan, other);
    }
}
