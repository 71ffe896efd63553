package wildflourish.core.setting;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.planning.Choices;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * A tune with its ladder for one instrument, level and tempo: what a teacher works on.
 *
 * @param tune the plain tune, without the signs of its ornaments
 */
public record Arrangement(
        Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Choices choices, Ladder ladder) {

    /** An arrangement in which no place has been chosen by hand. */
    public Arrangement(
            Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Ladder ladder) {
        this(tune, instrument, tempo, speeds, school, Choices.NONE, ladder);
    }

    /** The tune in the hands of this instrument. */
    public Situation situation() {
        return Situation.of(Timeline.of(tune), instrument, school, choices);
    }

    /** The tune in the hands of this instrument, its places planned together with the ornaments of a rung. */
    public Situation situation(int rung) {
        Situation bare = situation();
        return bare.playing(ladder.setting(rung).ornaments(bare.vocabulary()));
    }

    public Arrangement with(Ladder other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, other);
    }

    public Arrangement with(Tempo other) {
        return new Arrangement(tune, instrument, other, speeds, school, choices, ladder);
    }

    public Arrangement with(Speeds other) {
        return new Arrangement(tune, instrument, tempo, other, school, choices, ladder);
    }

    public Arrangement with(School other) {
        return new Arrangement(tune, instrument, tempo, speeds, other, choices, ladder);
    }

    /** With the places chosen otherwise. */
    public Arrangement with(Choices other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, other, ladder);
    }

    /** On another instrument; its ornaments stay where they were placed. */
    public Arrangement with(Instrument other) {
        return new Arrangement(tune, other, tempo, speeds, school, choices, ladder);
    }
}
