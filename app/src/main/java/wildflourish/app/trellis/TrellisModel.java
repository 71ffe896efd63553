package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.work.Documents;
import wildflourish.core.finding.Finding;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Reasons;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.planning.Alternative;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.HandCheck;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/**
 * The state of the trellis and what can be done to it. Every command computes the next state at once, publishes it, and
 * hands the edit to the {@link Journal}; none waits for a disk. Not for several threads.
 */
public final class TrellisModel {

    /** Where edits go as they are made. */
    public interface Journal {

        /** A new edition of a tune. */
        void save(long tune, String what, String document);

        void undo(long tune);

        void redo(long tune);

        /** Where a pitch is played on an instrument from now on; an empty place ends the habit. */
        void habit(String instrument, String pitch, Optional<String> place);

        /** Where the teacher is now. */
        void stand(long tune, int rung, int note);
    }

    private static final int SLOWEST = 20;
    private static final int FASTEST = 400;

    private final Journal journal;
    private final Consumer<String> say;
    private final PlaceChoices places = new PlaceChoices(this);
    private final ReadOnlyObjectWrapper<TrellisState> state = new ReadOnlyObjectWrapper<>();
    private History history;
    private Map<String, SortedMap<String, String>> habits = Map.of();

    /**
     * A model with no tune yet.
     *
     * @param say receives short messages for the teacher
     */
    public TrellisModel(Journal journal, Consumer<String> say) {
        this.journal = journal;
        this.say = say;
    }

    /** What is shown; null before a tune is open. */
    public ReadOnlyObjectProperty<TrellisState> state() {
        return state.getReadOnlyProperty();
    }

    public boolean isOpen() {
        return state.get() != null;
    }

    /** The arrangement in hand; the trellis must be open. */
    public Arrangement arrangement() {
        return state.get().arrangement();
    }

    public int rung() {
        return state.get().rung();
    }

    public int note() {
        return state.get().note();
    }

    /** Shows a tune, standing on its rung and note as far as they are there. */
    public void open(long tune, Arrangement arrangement, History history, int rung, int note) {
        this.history = history;
        publish(tune, arrangement, rung, note);
    }

    /** Takes in the habits kept so far, by instrument and written pitch. */
    public void setHabits(Map<String, SortedMap<String, String>> kept) {
        habits = kept;
    }

    /** Keeps or ends a habit of the instrument in hand and plans anew with it. */
    void habit(Choices changed, String instrument, Pitch pitch, Optional<String> place) {
        habits = changed.habits();
        journal.habit(instrument, Pitch.ofMidi(pitch.midi()).toString(), place);
        refresh();
    }

    void tell(String words) {
        say.accept(words);
    }

    /** Plans anew after an instrument has been changed. */
    public void refresh() {
        if (isOpen()) {
            TrellisState now = state.get();
            publish(now.tune(), now.arrangement(), now.rung(), now.note());
        }
    }

    private void publish(long tune, Arrangement given, int rung, int note) {
        Arrangement arrangement = asThingsAre(given);
        TrellisState before = state.get();
        boolean samePlan = before != null && before.tune() == tune
                && before.arrangement().tune() == arrangement.tune()
                && before.arrangement().instrument().equals(arrangement.instrument())
                && before.arrangement().school().equals(arrangement.school())
                && before.arrangement().choices().equals(arrangement.choices());
        Situation situation = samePlan ? before.situation() : arrangement.situation();
        publish(tune, arrangement, situation, new Candidates(situation, arrangement.tempo(), arrangement.speeds()),
                rung, note);
    }

    /** The arrangement with the instrument and the habits as they are now. */
    private Arrangement asThingsAre(Arrangement given) {
        Instrument instrument = Instruments.byId(given.instrument().id())
                .map(i -> i.takesCapo() ? i.withCapo(given.instrument().capo()) : i).orElse(given.instrument());
        return given.with(instrument).with(given.choices().withHabits(habits));
    }

    private void publish(
            long tune, Arrangement arrangement, Situation situation, Candidates candidates, int rung, int note) {
        int safeRung = Math.clamp(rung, 0, arrangement.ladder().size() - 1);
        int safeNote = Math.clamp(note, 0, Math.max(0, situation.tune().size() - 1));
        List<Candidate> ranked = situation.tune().size() == 0 ? List.of()
                : candidates.ranked(safeNote, arrangement.ladder().setting(safeRung));
        TrellisState before = state.get();
        boolean sameHands = before != null && before.situation() == situation
                && before.arrangement().equals(arrangement) && before.rung() == safeRung;
        PlayingAdvice advice = sameHands ? before.advice() : PlayingAdvice.of(arrangement, situation, safeRung);
        state.set(new TrellisState(tune, arrangement, situation, candidates, advice, safeRung, safeNote, ranked,
                history.canUndo(), history.canRedo()));
        journal.stand(tune, safeRung, safeNote);
    }

    void edit(String what, Arrangement changed) {
        TrellisState now = state.get();
        history.push(what, changed);
        journal.save(now.tune(), what, Documents.write(changed));
        publish(now.tune(), changed, now.rung(), now.note());
        say.accept(what);
    }

    /** Moves to the next (or, negative, an earlier) note; stops at the ends. */
    public void stepNote(int by) {
        TrellisState now = state.get();
        select(now.rung(), now.note() + by);
    }

    /** Moves to the first note of the next (or an earlier) bar. */
    public void stepBar(int by) {
        TrellisState now = state.get();
        int bar = now.situation().tune().note(now.note()).bar();
        List<Integer> starts = now.situation().tune().barStarts();
        int target = Math.clamp(bar + by, 0, starts.size() - 1);
        select(now.rung(), starts.get(target));
    }

    /** Moves up (or, negative, down) the ladder. */
    public void stepRung(int by) {
        TrellisState now = state.get();
        select(now.rung() + by, now.note());
    }

    /** Takes a note on a rung in hand. */
    public void select(int rung, int note) {
        TrellisState now = state.get();
        publish(now.tune(), now.arrangement(), now.situation(), now.candidates(), rung, note);
    }

    /** Places an ornament on the note in hand from the rung in hand upward, or lifts it when it stands there. */
    public void toggle(String id) {
        TrellisState now = state.get();
        Optional<Candidate> candidate = now.ranked().stream().filter(c -> c.ornament().id().equals(id)).findFirst();
        if (candidate.isEmpty()) {
            return;
        }
        Ornament ornament = candidate.get().ornament();
        String where = where(now);
        Ladder ladder = now.arrangement().ladder();
        if (now.stands(id)) {
            edit("%s lifted from %s".formatted(ornament.name(), where),
                    now.arrangement().with(ladder.lift(now.rung(), now.note(), id)));
        } else if (candidate.get().verdict() instanceof Verdict.Impossible(var obstacle)) {
            say.accept("no %s on %s: %s".formatted(ornament.name(), where, obstacle.inWords()));
        } else if (now.rung() == 0) {
            say.accept("the ground stays bare: go up to a rung with the up arrow, then place the " + ornament.name());
        } else {
            edit("%s placed on %s".formatted(ornament.name(), where), now.arrangement()
                    .with(ladder.place(now.rung(), now.note(), ornament, now.situation().vocabulary())));
        }
    }

    /** As {@link #toggle} for the ornament of a key, if one has it. */
    public boolean toggleByKey(char key) {
        Optional<Ornament> ornament = state.get().situation().vocabulary().all().stream()
                .filter(o -> o.key() == key).findFirst();
        ornament.ifPresent(o -> toggle(o.id()));
        return ornament.isPresent();
    }

    /** Lifts everything from the note in hand on this rung and those below. */
    public void clearNote() {
        TrellisState now = state.get();
        List<String> ids = now.arrangement().ladder().setting(now.rung()).at(now.note());
        if (ids.isEmpty()) {
            say.accept("nothing stands on " + where(now));
            return;
        }
        Ladder ladder = now.arrangement().ladder();
        for (String id : ids) {
            ladder = ladder.lift(now.rung(), now.note(), id);
        }
        edit("everything lifted from " + where(now), now.arrangement().with(ladder));
    }

    static String where(TrellisState now) {
        var stand = now.situation().tune().note(now.note());
        return stand.pitch().spoken() + (stand.barNumber() == 0 ? " of the pickup" : " in bar " + stand.barNumber());
    }

    /** Changes the tempo by so many counts a minute. */
    public void stepTempo(int by) {
        Tempo tempo = arrangement().tempo();
        setTempo(tempo.perMinute().floor() + by);
    }

    /** Sets the tempo to a count a minute of the beat in use, within what can be played. */
    public void setTempo(long count) {
        long possible = Math.clamp(count, SLOWEST, FASTEST);
        Tempo changed = arrangement().tempo().withCount(possible);
        if (!changed.equals(arrangement().tempo())) {
            edit("tempo " + changed.spoken(), arrangement().with(changed));
        }
    }

    /** Sets the student's level. */
    public void setLevel(String name) {
        if (!arrangement().speeds().name().equals(name)) {
            edit("level " + name, arrangement().with(Speeds.level(name)));
        }
    }

    /** Chooses a school. */
    public void setSchool(String name, String value) {
        School changed = arrangement().school().with(name, value);
        if (!changed.equals(arrangement().school())) {
            edit("school of the %s: %s".formatted(name, value), arrangement().with(changed));
        }
    }

    /** Takes another instrument; the places chosen for this tune on each stay with it. */
    public void setInstrument(String id) {
        Instrument instrument = Instruments.known(id);
        if (!instrument.id().equals(arrangement().instrument().id())) {
            edit("on the " + instrument.name(), arrangement().with(instrument));
        }
    }

    /** Moves the capo by so many frets, within what the neck allows. */
    public void stepCapo(int by) {
        Instrument instrument = arrangement().instrument();
        try {
            Instrument moved = instrument.withCapo(instrument.capo() + by);
            edit(moved.capo() == 0 ? "no capo" : "capo at fret " + moved.capo(), arrangement().with(moved));
        } catch (IllegalArgumentException e) {
            say.accept(e.getMessage());
        }
    }

    /** Where the note in hand is played, and what can be done about it. */
    public PlaceChoices places() {
        return places;
    }

    /** Grows the ladder anew from bare, at this tempo and level. */
    public void grow() {
        if (hasVocabulary()) {
            edit("ladder grown from bare", arrangement().with(grower().grow().ladder()));
        }
    }

    /** Thins the fullest rung out into a new ladder. */
    public void prune() {
        if (!hasVocabulary()) {
            return;
        }
        Arrangement now = arrangement();
        edit("ladder pruned from the fullest rung", now.with(
                grower().prune(now.ladder().setting(now.ladder().size() - 1)).ladder()));
    }

    private boolean hasVocabulary() {
        boolean has = !state.get().situation().vocabulary().all().isEmpty();
        if (!has) {
            say.accept("there are no ornaments for the %s yet; its fingering is planned".formatted(
                    arrangement().instrument().name()));
        }
        return has;
    }

    private Grower grower() {
        Arrangement now = arrangement();
        return new Grower(state.get().situation(), now.tempo(), now.speeds(), Taste.of(now.instrument()));
    }

    /** Takes the latest edit back. */
    public void undo() {
        walk(history.undo(), "undone: ", true);
    }

    /** Does again what was taken back. */
    public void redo() {
        walk(history.redo(), "done again: ", false);
    }

    private void walk(Optional<History.Step> step, String word, boolean back) {
        TrellisState now = state.get();
        if (step.isEmpty()) {
            say.accept(back ? "there is nothing to undo" : "there is nothing to do again");
            return;
        }
        if (back) {
            journal.undo(now.tune());
        } else {
            journal.redo(now.tune());
        }
        publish(now.tune(), step.get().after().get(), now.rung(), now.note());
        say.accept(word + step.get().what());
    }

    /** Why an ornament stands on the note in hand, or would. */
    static String reason(Candidate candidate) {
        return candidate.verdict() instanceof Verdict.Impossible(var obstacle)
                ? obstacle.inWords() : Reasons.of(candidate, candidate.verdict());
    }

    /** How the note in hand is called: {@code G, bar 3, beat 2, two quavers}. */
    static String noteInWords(TrellisState state) {
        var stand = state.situation().tune().note(state.note());
        int beat = 0;
        Ratio at = Ratio.ZERO;
        for (Ratio length : stand.meter().beats()) {
            if (!stand.offset().isLess(at)) {
                beat++;
            }
            at = at.plus(length);
        }
        String bar = stand.barNumber() == 0 ? "pickup" : "bar " + stand.barNumber();
        return "%s  ·  %s, beat %d".formatted(stand.pitch().spoken(), bar, beat);
    }
}
