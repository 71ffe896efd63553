package wildflourish.core.setting;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.planning.Choices;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/**
 * A tune with its ladder for one instrument, level and tempo: what a teacher works on.
 *
 * @param tune the plain tune, without the signs of its ornaments
 * @param marks what the teacher has settled about its phrases
 * @param wishes what is to stay and not to come back when the ladder is grown
 * @param rounds what is played each time through
 * @param elsewhere its ladders on other instruments, by the instrument's id
 * @param unread what its document says besides, line by line, kept to be written back: what this program does not understand, and
 *     what waits for a note to be put right
 */
public record Arrangement(
        Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Choices choices,
        PhraseMarks marks, Wishes wishes, Rounds rounds, Ladder ladder, Map<String, Ladder> elsewhere,
        List<String> unread) {

    public Arrangement {
        unread = List.copyOf(unread);
        elsewhere = Collections.unmodifiableMap(new TreeMap<>(elsewhere));
    }

    /** An arrangement in which no place has been chosen by hand, for one instrument alone. */
    public Arrangement(
            Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school, Ladder ladder) {
        this(tune, instrument, tempo, speeds, school, Choices.NONE, PhraseMarks.NONE, Wishes.NONE, Rounds.NONE, ladder, Map.of(), List.of());
    }

    /** The bare tune for an instrument, at its own tempo and as most people play. */
    public static Arrangement bare(Tune tune, Instrument instrument) {
        return new Arrangement(tune, instrument, TuneType.tempoOf(tune.head()), Speeds.level(Speeds.USUAL), School.USUAL, Ladder.bare());
    }

    /** One rung of it, with everything that follows. */
    public Version version(int rung) {
        return Version.of(this, rung);
    }

    /** The plain tune in the hands of this instrument. */
    public Situation situation() {
        return version(0).bare();
    }

    public Arrangement with(Ladder other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, rounds, other, elsewhere, unread);
    }

    public Arrangement with(Tempo other) {
        return new Arrangement(tune, instrument, other, speeds, school, choices, marks, wishes, rounds, ladder, elsewhere, unread);
    }

    public Arrangement with(Speeds other) {
        return new Arrangement(tune, instrument, tempo, other, school, choices, marks, wishes, rounds, ladder, elsewhere, unread);
    }

    public Arrangement with(School other) {
        return new Arrangement(tune, instrument, tempo, speeds, other, choices, marks, wishes, rounds, ladder, elsewhere, unread);
    }

    /** With the places chosen otherwise. */
    public Arrangement with(Choices other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, other, marks, wishes, rounds, ladder, elsewhere, unread);
    }

    /** With the phrases settled otherwise. */
    public Arrangement with(PhraseMarks other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, other, wishes, rounds, ladder, elsewhere, unread);
    }

    /** With other wishes for growing. */
    public Arrangement with(Wishes other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, other, rounds, ladder, elsewhere, unread);
    }

    /** With other rounds. */
    public Arrangement with(Rounds other) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, other, ladder, elsewhere, unread);
    }

    /** On the same instrument as it is now, after its chart or its capo has changed. */
    public Arrangement with(Instrument other) {
        return new Arrangement(tune, other, tempo, speeds, school, choices, marks, wishes, rounds, ladder, elsewhere, unread);
    }

    /** With lines of its document that are kept without being understood. */
    public Arrangement withUnread(List<String> lines) {
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, rounds, ladder, elsewhere, lines);
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
        return new Arrangement(tune, other, tempo, speeds, school, choices, marks, wishes, rounds, its, kept, unread);
    }

    /** With a ladder kept for another instrument. */
    public Arrangement keeping(String other, Ladder its) {
        Map<String, Ladder> kept = new TreeMap<>(elsewhere);
        kept.put(other, its);
        return new Arrangement(tune, instrument, tempo, speeds, school, choices, marks, wishes, rounds, ladder, kept, unread);
    }
}
