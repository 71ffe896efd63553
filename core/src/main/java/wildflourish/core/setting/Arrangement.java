package wildflourish.core.setting;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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
 * @param marks what the teacher has settled about its phrases
 * @param wishes what is to stay and not to come back when the ladder is grown
 * @param rounds what is played each time through
 * @param elsewhere its ladders on other instruments, by the instrument's id
 */
public record Arrangement(
        Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Choices choices,
        PhraseMarks marks, Wishes wishes, Rounds rounds, Ladder ladder, Map<String, Ladder> elsewhere) {

    public Arrangement {
        elsewhere = Collections.unmodifiableMap(new TreeMap<>(elsewhere));
    }

    /** An arrangement in which no place has been chosen by hand, for one instrument alone. */
    public Arrangement(
            Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Ladder ladder) {
        this(tune, instrument, tempo, speeds, school, Choices.NONE, PhraseMarks.NONE, Wishes.NONE, Rounds.NONE, ladder, Map.of());
    }

    /** The tune in the hands of this instrument. */
    public Situation situation() {
        return Situation.of(Timeline.of(tune), instrument, school, choices).at(tempo);
    }

    /** The tune in the hands of this instrument, its places planned together with the ornaments of a rung. */
    public Situation situation(int rung) {
        Situation bare = situation();
        return bare.playing(ladder.setting(rung).ornaments(bare.vocabulary()));
    }

    public Arrangement with(Ladder other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, rounds, other, elsewhere);
    }

    public Arrangement with(Tempo other) {
        return new Arrangement(tune, instrument, other, speeds, school, choices, marks, wishes, rounds, ladder, elsewhere);
    }

    public Arrangement with(Speeds other) {
        return new Arrangement(tune, instrument, tempo, other, school, choices, marks, wishes, rounds, ladder, elsewhere);
    }

    public Arrangement with(School other) {
        return new Arrangement(tune, instrument, tempo, speeds, other, choices, marks, wishes, rounds, ladder, elsewhere);
    }

    /** With the places chosen otherwise. */
    public Arrangement with(Choices other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, other, marks, wishes, rounds, ladder, elsewhere);
    }

    /** With the phrases settled otherwise. */
    public Arrangement with(PhraseMarks other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, other, wishes, rounds, ladder, elsewhere);
    }

    /** With other wishes for growing. */
    public Arrangement with(Wishes other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, other, rounds, ladder, elsewhere);
    }

    /** With other rounds. */
    public Arrangement with(Rounds other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, other, ladder, elsewhere);
    }

    /**
     * A rung as it is played.
     *
     * @param arrangement has no variations on the rung: they stand in its tune
     * @param rung the rung's index in that arrangement
     * @param varied how its notes answer to those of the plain tune
     */
    public record Played(Arrangement arrangement, int rung, Varied varied) {}

    /** A rung with its variations played in place of what they replace; where it has none, this arrangement itself. */
    public Played played(int rung) {
        Varied varied = Varied.of(Timeline.of(tune), ladder.setting(rung));
        if (!ladder.setting(rung).isVaried()) {
            return new Played(this, rung, varied);
        }
        Ladder own = new Ladder(java.util.List.of(new Rung("bare", Setting.BARE), ladder.rung(rung).with(varied.setting())));
        return new Played(new Arrangement(varied.tune().tune(), instrument, tempo, speeds, school, varied.choices(choices),
                PhraseMarks.NONE, Wishes.NONE, Rounds.NONE, own, Map.of()), 1, varied);
    }

    /** On the same instrument as it is now, after its chart or its capo has changed. */
    public Arrangement with(Instrument other) {
        return new Arrangement(tune, other, tempo, speeds, school, choices, marks, wishes, rounds, ladder, elsewhere);
    }

    /** The ladder it has on an instrument, if it has been there. */
    public Optional<Ladder> ladderOn(Instrument other) {
        return other.id().equals(instrument.id()) ? Optional.of(ladder) : Optional.ofNullable(elsewhere.get(other.id()));
    }

    /** On another instrument with a ladder of its own; the ladder that it leaves is kept. */
    public Arrangement on(Instrument other, Ladder its) {
        Map<String, Ladder> kept = new TreeMap<>(elsewhere);
        if (instrument.hasHands()) {
            kept.put(instrument.id(), ladder);
        }
        kept.remove(other.id());
        return new Arrangement(tune, other, tempo, speeds, school, choices, marks, wishes, rounds, its, kept);
    }

    /** With a ladder kept for another instrument. */
    public Arrangement keeping(String other, Ladder its) {
        Map<String, Ladder> kept = new TreeMap<>(elsewhere);
        kept.put(other, its);
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, rounds, ladder, kept);
    }
}
