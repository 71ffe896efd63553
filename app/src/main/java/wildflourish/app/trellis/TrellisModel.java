package wildflourish.app.trellis;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Trouble;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.growth.Feature;
import wildflourish.core.growth.Lick;
import wildflourish.core.growth.Reasons;
import wildflourish.core.growth.Variations;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.planning.Choices;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Pitch;

/**
 * The state of the trellis and what can be done to it. Every command computes the next state at once, publishes it, and
 * hands the edit to the {@link Journal}; none waits for a disk. Not for several threads.
 */
public final class TrellisModel {

    private static final Background.Words NOT_WORKED_OUT = Background.Words.silent("this could not be worked out; the tune is as it was");

    /** Where edits go as they are made. */
    public interface Journal {

        /** A new edition of a tune. */
        void save(long tune, String what, String document);

        void undo(long tune);

        void redo(long tune);

        /** Where a pitch is played on an instrument from now on; an empty place ends the habit. */
        void habit(String instrument, String pitch, Optional<String> place);

        /** Keeps a lick under its name; an empty one ends it. */
        default void keepLick(String name, Optional<Lick> lick) {}

        /** Where the teacher is now. */
        void stand(long tune, int rung, int note);
    }

    private final Journal journal;
    private final Consumer<String> say;
    private final Background background;
    private final VariationChoices varying = new VariationChoices(this);
    private final LadderChoices ladder = new LadderChoices(this);
    private final PlaceChoices places = new PlaceChoices(this);
    private final OrnamentChoices ornaments = new OrnamentChoices(this);
    private final PlayerChoices player = new PlayerChoices(this);
    private final ReadOnlyObjectWrapper<TrellisState> state = new ReadOnlyObjectWrapper<>();
    private Runnable hearing = () -> { };
    private History history;
    private Map<String, SortedMap<String, String>> habits = Map.of();
    private List<Lick> licks = List.of();
    private Optional<Integer> compared = Optional.empty();
    private Optional<TrellisState.Instead> instead = Optional.empty();

    /**
     * A model with no tune yet.
     *
     * @param say receives short messages for the teacher
     */
    public TrellisModel(Journal journal, Consumer<String> say) {
        this(journal, say, new Background(Runnable::run, Runnable::run, new Trouble(say)));
    }

    /** A model whose longer work runs in the background. */
    public TrellisModel(Journal journal, Consumer<String> say, Background background) {
        this.journal = journal;
        this.say = say;
        this.background = background;
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
        publish(tune, given, rung, note, Optional.empty());
    }

    private void publish(long tune, Arrangement given, int rung, int note, Optional<String> looking) {
        Arrangement arrangement = asThingsAre(given);
        TrellisState before = state.get();
        boolean samePlan = before != null && before.tune() == tune
                && before.arrangement().tune() == arrangement.tune()
                && before.arrangement().instrument().equals(arrangement.instrument())
                && before.arrangement().school().equals(arrangement.school())
                && before.arrangement().choices().equals(arrangement.choices());
        Situation situation = samePlan ? before.situation() : arrangement.situation();
        publish(tune, arrangement, situation, rung, note, looking);
    }

    /** The arrangement with the instrument and the habits as they are now. */
    private Arrangement asThingsAre(Arrangement given) {
        Instrument instrument = Instruments.byId(given.instrument().id())
                .map(i -> i.takesCapo() ? i.withCapo(given.instrument().capo()) : i).orElse(given.instrument());
        return given.with(instrument).with(given.choices().withHabits(habits));
    }

    private void publish(
            long tune, Arrangement arrangement, Situation situation, int rung, int note, Optional<String> looking) {
        int safeRung = Math.clamp(rung, 0, arrangement.ladder().size() - 1);
        int safeNote = Math.clamp(note, 0, Math.max(0, situation.tune().size() - 1));
        Setting setting = arrangement.ladder().setting(safeRung);
        TrellisState before = state.get();
        boolean same = before != null && before.situation() == situation
                && before.arrangement().equals(arrangement) && before.rung() == safeRung;
        Varied varied = same ? before.varied() : Varied.of(situation.tune(), setting);
        Situation hands = same ? before.hands() : hands(situation, varied);
        boolean sameHands = before != null && before.hands() == hands
                && sameHands(before, arrangement);
        Candidates candidates = sameHands ? before.candidates()
                : new Candidates(hands, arrangement.tempo(), arrangement.speeds());
        boolean replaced = setting.variationAt(safeNote).isPresent();
        List<Candidate> ranked = situation.tune().size() == 0 || replaced ? List.of()
                : candidates.ranked(varied.now(safeNote), varied.setting());
        PlayingAdvice advice = same ? before.advice() : PlayingAdvice.of(arrangement, hands, varied.setting());
        Variations variations = before != null && before.situation() == situation && sameHands(before, arrangement)
                && before.arrangement().marks().equals(arrangement.marks()) && before.licks().equals(licks) ? before.variations()
                : variations(situation, arrangement);
        state.set(new TrellisState(tune, arrangement, situation, hands, varied, candidates, variations, licks, advice, safeRung, safeNote, ranked,
                looking.or(() -> inSight(setting.at(safeNote), ranked)), compared,
                instead.filter(i -> i.arrangement().equals(arrangement) && i.note() == safeNote),
                history.canUndo(), history.canRedo()));
        journal.stand(tune, safeRung, safeNote);
    }

    private static boolean sameHands(TrellisState before, Arrangement arrangement) {
        return before.arrangement().tempo().equals(arrangement.tempo())
                && before.arrangement().speeds().equals(arrangement.speeds());
    }

    /** The rung's notes in somebody's hands, its places planned together with what stands on them. */
    private static Situation hands(Situation situation, Varied varied) {
        Situation played = varied.situation(situation);
        return played.playing(varied.setting().ornaments(played.vocabulary()));
    }

    private Variations variations(Situation situation, Arrangement arrangement) {
        List<Phrase> phrases = Phrases.of(situation.tune(), arrangement.marks());
        return new Variations(situation, arrangement.tempo(), arrangement.speeds(), phrases,
                Feature.of(situation.tune(), phrases), licks);
    }

    /** Marks on the score what tells the rung in hand from another; empty for no other. */
    public void compare(Optional<Integer> rung) {
        compared = rung;
        refresh();
    }

    void instead(TrellisState.Instead other) {
        instead = Optional.of(other);
        refresh();
    }

    /** Computes in the background and goes on with the value on the interface's thread. */
    <T> void later(java.util.function.Supplier<T> work, Consumer<T> then) {
        background.run(NOT_WORKED_OUT, job -> work.get(), then);
    }

    void keepLick(Lick lick) {
        List<Lick> more = new java.util.ArrayList<>(licks);
        more.removeIf(l -> l.name().equals(lick.name()));
        more.add(lick);
        journal.keepLick(lick.name(), Optional.of(lick));
        setLicks(more);
    }

    void forgetLick(Lick lick) {
        journal.keepLick(lick.name(), Optional.empty());
        setLicks(licks.stream().filter(l -> !l.equals(lick)).toList());
    }

    /** Takes in the player's own licks. */
    public void setLicks(List<Lick> kept) {
        licks = List.copyOf(kept);
        refresh();
    }

    /** The player's own licks. */
    public List<Lick> licks() {
        return licks;
    }

    /** What is looked at when nothing was chosen: what stands on the note, else the best that it can take. */
    private static Optional<String> inSight(List<String> standing, List<Candidate> ranked) {
        return ranked.stream().map(c -> c.ornament().id()).filter(standing::contains).findFirst()
                .or(() -> ranked.stream().map(c -> c.ornament().id()).findFirst());
    }

    /** Looks at an ornament of the note in hand. */
    void look(Optional<String> id) {
        TrellisState now = state.get();
        publish(now.tune(), now.arrangement(), now.situation(), now.rung(), now.note(), id);
    }

    void edit(String what, Arrangement changed) {
        edit(what, changed, Optional.empty());
    }

    /** Makes an edit, looking at an ornament afterwards. */
    void edit(String what, Arrangement changed, Optional<String> looking) {
        TrellisState now = state.get();
        history.push(what, changed);
        journal.save(now.tune(), what, Documents.write(changed));
        publish(now.tune(), changed, now.rung(), now.note(), looking);
        say.accept(what);
    }

    /** Makes an edit that another screen has decided on. */
    public void settle(String what, Arrangement changed) {
        edit(what, changed);
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
        publish(now.tune(), now.arrangement(), now.situation(), rung, note, Optional.empty());
    }

    static String where(TrellisState now) {
        var stand = now.situation().tune().note(now.note());
        return stand.pitch().spoken() + (stand.barNumber() == 0 ? " of the pickup" : " in bar " + stand.barNumber());
    }

    /** Lets the ornament that is looked at be heard; what does so is told by {@link #onHear}. */
    void hear() {
        hearing.run();
    }

    /** What lets the ornament that is looked at be heard. */
    public void onHear(Runnable action) {
        hearing = action;
    }

    /** Where the note in hand is played, and what can be done about it. */
    public PlaceChoices places() {
        return places;
    }

    /** What stands on the notes, and what can be done about it. */
    public OrnamentChoices ornaments() {
        return ornaments;
    }

    /** Stretches played otherwise, and licks. */
    public VariationChoices variations() {
        return varying;
    }

    /** The rungs themselves. */
    public LadderChoices ladder() {
        return ladder;
    }

    /** Who plays, on what, how fast. */
    public PlayerChoices player() {
        return player;
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
        String bar = stand.barNumber() == 0 ? "pickup" : "bar " + stand.barNumber();
        return "%s  ·  %s, beat %d".formatted(stand.pitch().spoken(), bar, stand.beat());
    }
}
