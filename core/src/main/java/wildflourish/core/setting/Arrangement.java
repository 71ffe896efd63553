package wildflourish.core.setting;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * A tune with its ladder for one instrument, level and tempo: what a teacher works on.
 *
 * @param tune the plain tune, without the signs of its ornaments
 */
public record Arrangement(
        Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Ladder ladder) {

    /** The tune in the hands of this instrument. */
    public Situation situation() {
        return Situation.of(Timeline.of(tune), instrument, school);
    }

    public Arrangement with(Ladder other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, other);
    }

    public Arrangement with(Tempo other) {
        return new Arrangement(tune, instrument, other, speeds, school, ladder);
    }

    public Arrangement with(Speeds other) {
        return new Arrangement(tune, instrument, tempo, other, school, ladder);
    }

    public Arrangement with(School other) {
        return new Arrangement(tune, instrument, tempo, speeds, other, ladder);
    }
}
