package wildflourish.app.trellis;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.jspecify.annotations.Nullable;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Trouble;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Lick;
import wildflourish.core.growth.Reasons;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tune;

/**
 * The state of the trellis and what can be done to it. Every command computes the next state at once, publishes it, and
 * hands the edit to the {@link Journal}; none waits for a disk. Not for several threads.
 */
public final class TrellisModel {

    private static final Background.Words NOT_WORKED_OUT = Background.Words.silent("this could not be worked out; the tune is as it was");

    private static final Background.Words READING_BACK =
            Background.Words.silent("that edition could not be read; undo or redo once more, or open the tune again");

    private final Journal journal;
    private final Consumer<String> say;
    private final Background background;
    private final VariationChoices varying = new VariationChoices(this);
    private final LadderChoices ladder = new LadderChoices(this);
    private final PlaceChoices places = new PlaceChoices(this);
    private final OrnamentChoices ornaments = new OrnamentChoices(this);
    private final PlayerChoices player = new PlayerChoices(this);
    private final EarlierChoices earlier = new EarlierChoices(this);
    private final ReadOnlyObjectWrapper<TrellisState> state = new ReadOnlyObjectWrapper<>();
    private @Nullable TrellisState asked;
    private int working;
    private boolean readingBack;
    private Runnable hearing = () -> { };
    private @Nullable History history;
    private Map<String, SortedMap<String, String>> habits = Map.of();
    private List<Lick> licks = List.of();
    private Optional<Integer> compared = Optional.empty();
    private Optional<TrellisState.Instead> instead = Optional.empty();
    private final List<Consumer<TrellisState>> ahead = new CopyOnWriteArrayList<>();

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
        return now().arrangement();
    }

    public int rung() {
        return now().rung();
    }

    public int note() {
        return now().note();
    }

    /**
     * What all commands so far make of it: what is shown, or is about to be. Commands begin from here, so that none is lost when
     * they come faster than they can be shown. The trellis must be open.
     */
    public TrellisState now() {
        return Objects.requireNonNull(asked, "no tune is open");
    }

    private History steps() {
        return Objects.requireNonNull(history, "no tune is open");
    }

    /** Whether everything that has been asked for is shown. */
    public boolean isSettled() {
        return asked == state.get() && working == 0 && !readingBack;
    }

    /** As {@link #open(long, Arrangement, History, int, int, Runnable)}. */
    public void open(long tune, Arrangement arrangement, History history, int rung, int note) {
        open(tune, arrangement, history, rung, note, () -> { });
    }

    /** Shows a tune, standing on its rung and note as far as they are there; {@code shown} runs when it is there to be seen. */
    public void open(long tune, Arrangement arrangement, History history, int rung, int note, Runnable shown) {
        this.history = history;
        readingBack = false;
        publish(state(tune, arrangement, rung, note, Optional.empty()), shown);
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
        if (asked != null) {
            publish(state(asked.tune(), asked.arrangement(), asked.rung(), asked.note(), Optional.empty()));
        }
    }

    /** What is to be shown, its rung and note within what there is. */
    private TrellisState state(long tune, Arrangement given, int rung, int note, Optional<String> looking) {
        Arrangement arrangement = asThingsAre(given);
        Version version = arrangement.version(Math.clamp(rung, 0, arrangement.ladder().size() - 1));
        int there = Math.clamp(note, 0, Math.max(0, version.tune().size() - 1));
        return new TrellisState(tune, version, there, licks, looking, compared,
                instead.filter(i -> i.note() == there && i.arrangement().equals(arrangement)), steps().canUndo(), steps().canRedo());
    }

    /** The arrangement with the instrument and the habits as they are now. */
    private Arrangement asThingsAre(Arrangement given) {
        Instrument instrument = Instruments.byId(given.instrument().id())
                .map(i -> i.takesCapo() ? i.withCapo(given.instrument().capo()) : i).orElse(given.instrument());
        return given.with(instrument).with(given.choices().withHabits(habits));
    }

    private void publish(TrellisState next) {
        publish(next, () -> { });
    }

    /** Prepares each state before it is shown, on another thread. */
    public void ahead(Consumer<TrellisState> preparing) {
        ahead.add(preparing);
    }

    private TrellisState workedOut(TrellisState next) {
        next.workedOut();
        ahead.forEach(p -> p.accept(next));
        return next;
    }

    /** Shows it as soon as it is worked out, unless something newer has been asked for by then. */
    private void publish(TrellisState next, Runnable shown) {
        asked = next;
        journal.stand(next.tune(), next.rung(), next.note());
        background.latest(this, NOT_WORKED_OUT, job -> workedOut(next), ready -> {
            state.set(ready);
            shown.run();
        }, () -> asked = state.get());
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

    /** Computes in the background and goes on with the value on the interface's thread, unless another tune has been opened by then. */
    <T> void later(Supplier<T> work, Consumer<T> then) {
        working++;
        History asking = history;
        background.run(NOT_WORKED_OUT, job -> work.get(), answer -> {
            working--;
            if (asking == history) {
                then.accept(answer);
            } else {
                say.accept("another tune was opened before that was worked out: it was left as it was");
            }
        }, () -> working--);
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

    /** Looks at an ornament of the note in hand. */
    void look(Optional<String> id) {
        publish(state(now().tune(), now().arrangement(), now().rung(), now().note(), id));
    }

    void edit(String what, Arrangement changed) {
        edit(what, changed, Optional.empty());
    }

    /** Makes an edit, looking at an ornament afterwards. */
    void edit(String what, Arrangement changed, Optional<String> looking) {
        if (readingBack) {
            say.accept("an earlier edition is still being read: do that once more");
            return;
        }
        steps().push(what, changed);
        journal.save(now().tune(), what, () -> Documents.write(changed));
        publish(state(now().tune(), changed, now().rung(), now().note(), looking));
        say.accept(what);
    }

    /** Makes an edit of the open tune that another screen has decided on. */
    public void settle(String what, Arrangement changed) {
        edit(what, changed);
    }

    /** As {@link #settle(String, Arrangement)}, unless another tune is open by now than the one that the screen shows. Whether the edit was made. */
    public boolean settle(String what, Tune shown, UnaryOperator<Arrangement> change) {
        if (!isOpenStill(shown)) {
            return false;
        }
        edit(what, change.apply(arrangement()));
        return true;
    }

    /** Whether the tune that a screen shows, by its number in the library, is the open one; if not, that is said. */
    public boolean isOpenStill(long shown) {
        return isStill(isOpen() && now().tune() == shown);
    }

    private boolean isOpenStill(Tune shown) {
        return isStill(isOpen() && arrangement().tune().equals(shown));
    }

    private boolean isStill(boolean still) {
        if (!still) {
            say.accept("another tune is being opened: do that once more");
        }
        return still;
    }

    /** Moves to the next (or, negative, an earlier) note; stops at the ends. */
    public void stepNote(int by) {
        select(now().rung(), now().note() + by);
    }

    /** Moves to the first note of the next (or an earlier) bar. */
    public void stepBar(int by) {
        int bar = now().plain().note(now().note()).bar();
        List<Integer> starts = now().plain().barStarts();
        int target = Math.clamp(bar + by, 0, starts.size() - 1);
        select(now().rung(), starts.get(target));
    }

    /** Moves up (or, negative, down) the ladder. */
    public void stepRung(int by) {
        select(now().rung() + by, now().note());
    }

    /** Takes a note on a rung in hand. */
    public void select(int rung, int note) {
        publish(state(now().tune(), now().arrangement(), rung, note, Optional.empty()));
    }

    static String where(TrellisState now) {
        var stand = now.plain().note(now.note());
        return stand.pitch().spoken() + " in " + BarNames.spoken(stand.barNumber());
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

    /** What the tune was earlier. */
    public EarlierChoices earlier() {
        return earlier;
    }

    Journal journal() {
        return journal;
    }

    /** Takes the latest edit back. */
    public void undo() {
        walk(steps().undo(), "undone: ", true);
    }

    /** Does again what was taken back. */
    public void redo() {
        walk(steps().redo(), "done again: ", false);
    }

    private void walk(Optional<History.Step> step, String word, boolean back) {
        if (step.isEmpty()) {
            say.accept(back ? "there is nothing to undo" : "there is nothing to do again");
            return;
        }
        if (back) {
            journal.undo(now().tune());
        } else {
            journal.redo(now().tune());
        }
        if (step.get().after().isKnown()) {
            walked(step.get(), word);
        } else {
            readingBack = true;
            History walking = steps();
            background.latest(READING_BACK, READING_BACK, job -> step.get().after().get(), read -> ofThisTune(walking, () -> walked(step.get(), word)),
                    () -> ofThisTune(walking, () -> readingBack = false));
        }
    }

    /** Goes on with what belongs to a tune that was open, unless another is by now. */
    private void ofThisTune(History of, Runnable then) {
        if (of == history) {
            then.run();
        }
    }

    private void walked(History.Step step, String word) {
        readingBack = false;
        publish(state(now().tune(), step.after().get(), now().rung(), now().note(), Optional.empty()));
        say.accept(word + step.what());
        List<History.Step> near = steps().near();
        background.latest(steps(), READING_BACK, job -> {
            near.forEach(s -> s.after().get());
            return near;
        }, read -> { }, () -> { });
    }

    /** Why an ornament stands on the note in hand, or would. */
    static String reason(Candidate candidate) {
        return candidate.verdict() instanceof Verdict.Impossible(var obstacle)
                ? obstacle.inWords() : Reasons.of(candidate, candidate.verdict());
    }

    /** How the note in hand is called: {@code G, bar 3, beat 2, two quavers}. */
    static String noteInWords(TrellisState state) {
        var stand = state.plain().note(state.note());
        String bar = BarNames.name(stand.barNumber());
        return "%s  ·  %s, beat %d".formatted(stand.pitch().spoken(), bar, stand.beat());
    }
}
