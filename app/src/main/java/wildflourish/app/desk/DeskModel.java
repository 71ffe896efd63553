package wildflourish.app.desk;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import wildflourish.app.across.AcrossModel;
import wildflourish.app.across.AcrossState;
import wildflourish.app.chart.ChartModel;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.listening.Player;
import wildflourish.app.paint.Palette;
import wildflourish.app.practice.PracticeModel;
import wildflourish.app.practice.Practising;
import wildflourish.app.reading.ReadingModel;
import wildflourish.app.reading.ReadingState;
import wildflourish.app.reading.Recollection;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.shelf.Incipits;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Trouble;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Library;

/** What the whole desktop can do. Long work runs in the background and comes back to the interface's own thread. */
public final class DeskModel {

    private static final Duration BETWEEN_PASSES = Duration.ofMillis(1800);
    private static final Background.Words NOT_ANSWERED = Background.Words.silent("the library did not answer; what is in it is as it was");
    private static final Background.Words NOT_OPENED = Background.Words.silent("this tune could not be opened; the others are as they were");

    private final Keeper keeper;
    private final Sets sets;
    private final Background background;
    private final ShelfModel shelf = new ShelfModel();
    private final TrellisModel trellis;
    private final ChartModel chart;
    private final AcrossModel across;
    private final ReadingModel reading;
    private final RoundsModel rounds;
    private final ListeningModel listening;
    private final PracticeModel practice;
    private final ObjectProperty<Screen> screen = new SimpleObjectProperty<>(Screen.SHELF);
    private final ObjectProperty<Palette> palette = new SimpleObjectProperty<>(Palette.LIGHT);
    private final OwnInstruments own;
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final ObservableList<Background.Job> underWay = FXCollections.observableArrayList();
    private final Writing writing;
    private final ShelfWork shelfWork;
    private final Watch watch;
    private WindowMemory memory = WindowMemory.NONE;
    private long heardFromShelf = -1;

    /**
     * A desktop over a keeper.
     *
     * @param workers run what takes time
     * @param ui runs tasks on the thread that owns the interface
     * @param player lets what is played be heard
     */
    public DeskModel(Keeper keeper, Executor workers, Executor ui, Player player) {
        this(keeper, workers, ui, player, BETWEEN_PASSES);
    }

    /** As above, with another pause between one pass and the next. */
    DeskModel(Keeper keeper, Executor workers, Executor ui, Player player, Duration betweenPasses) {
        this.keeper = keeper;
        this.sets = new Sets(keeper);
        this.background = new Background(workers, ui, new Trouble(this::say));
        background.onChange(() -> underWay.setAll(background.underWay()));
        this.trellis = new TrellisModel(new KeepersJournal(keeper, (tune, rung, note) -> remember(memory.standing(tune, rung, note))), this::say, background);
        this.own = new OwnInstruments(keeper, trellis::refresh);
        this.chart = new ChartModel(own, () -> trellis.isOpen() ? Optional.of(trellis.arrangement().tune()) : Optional.empty(), this::say);
        this.across = new AcrossModel(trellis, background, this::say);
        this.reading = new ReadingModel(trellis, background, this::say);
        this.rounds = new RoundsModel(trellis, sets, background, this::say);
        this.listening = new ListeningModel(trellis, player, background, this::say);
        this.writing = new Writing(this, background);
        this.watch = new Watch(keeper, background, shelf, this::say);
        this.shelfWork = new ShelfWork(this, keeper, background);
        trellis.onHear(listening::toggleOrnament);
        this.practice = new PracticeModel(trellis, player, new PracticeModel.Keeping() {
            @Override
            public void log(LoggedPass pass) {
                keeper.log(pass);
            }

            @Override
            public void remember(Practising how) {
                DeskModel.this.remember(memory.with(how));
            }
        }, background, this::say, Clock.systemUTC(), betweenPasses);
        listening.lit().addListener((o, a, now) -> rounds.sounds(screen.get() == Screen.ROUNDS
                ? now.map(l -> OptionalInt.of(l.note())).orElse(OptionalInt.empty()) : OptionalInt.empty()));
        screen.addListener((o, a, now) -> {
            listening.stopIfPlaying();
            reading.setShown(now == Screen.READING);
            rounds.setShown(now == Screen.ROUNDS);
            practice.setShown(now == Screen.PRACTICE);
        });
        screen.addListener((o, a, now) -> remember(memory.with(now)));
        listening.state().addListener((o, before, now) -> {
            if (!before.manner().equals(now.manner())) {
                remember(memory.with(now.manner().kept()));
            }
        });
        palette.addListener((o, a, now) -> remember(memory.with(now)));
    }

    public ShelfModel shelf() {
        return shelf;
    }

    public TrellisModel trellis() {
        return trellis;
    }

    public AcrossModel across() {
        return across;
    }

    public ReadingModel reading() {
        return reading;
    }

    /** Whether a tune is open; says what to do where none is. */
    boolean hasTune() {
        if (!trellis.isOpen()) {
            say("choose a tune on the shelf first");
        }
        return trellis.isOpen();
    }

    /** Shows how the open tune is made. */
    public void openReading() {
        if (hasTune()) {
            screen.set(Screen.READING);
            ask(Recollection::of, reading::remember);
        }
    }

    public RoundsModel rounds() {
        return rounds;
    }

    /** What is written to files. */
    public Writing writing() {
        return writing;
    }

    /** What is heard. */
    public ListeningModel listening() {
        return listening;
    }

    public PracticeModel practice() {
        return practice;
    }

    /** Opens a tune of the shelf to practise it. */
    public void practise(long tune) {
        if (!trellis.isOpen() || trellis.now().tune() != tune) {
            open(tune, 4, 0, Screen.PRACTICE);
        }
    }

    /** Sits down to practise the open tune. */
    public void openPractice() {
        if (hasTune()) {
            screen.set(Screen.PRACTICE);
        }
    }

    /** Lets the first part of a tune on the shelf be heard, bare; stops when it is that one already. */
    public void hear(long tune) {
        boolean same = heardFromShelf == tune && listening.state().get().playing();
        listening.stopIfPlaying();
        heardFromShelf = tune;
        if (!same) {
            ask(l -> Openings.bare(l.tunes().current(tune).document()),
                    a -> listening.toggle(() -> a, 0, 0, ListeningState.Extent.PART));
        }
    }

    /** Lets what the screen is about be heard, or stops: the trellis, a phrase, the rounds, the version on another instrument. */
    public void hear() {
        switch (screen.get()) {
            case TRELLIS -> listening.toggle();
            case ROUNDS -> rounds.toHear().ifPresentOrElse(w -> listening.toggle(w, WrittenOut.RUNG, 0, ListeningState.Extent.TUNE),
                    () -> say("there is nothing to play yet"));
            case READING -> Optional.ofNullable(reading.state().get()).flatMap(ReadingState::passage).ifPresent(
                    p -> listening.toggle(trellis::arrangement, 0, p.phrase().fromNote(), ListeningState.Extent.PHRASE));
            case ACROSS -> Optional.ofNullable(across.state().get()).flatMap(AcrossState::row).ifPresent(row -> {
                Arrangement there = trellis.arrangement().on(row.instrument(), row.translation().ladder());
                listening.toggle(() -> there, trellis.rung(), trellis.note(), ListeningState.Extent.PHRASE);
            });
            default -> { }
        }
    }

    /** A word from the sound: of its device, or that what was played had to be given up. */
    public void soundSays(String words) {
        say(words);
        listening.soundLost();
        practice.soundLost();
    }

    /** Looks where the sound is; called for each frame. */
    public void tick() {
        listening.tick();
        practice.tick();
    }

    /** Shows what is played each time through. */
    public void openRounds() {
        if (!hasTune()) {
            return;
        }
        screen.set(Screen.ROUNDS);
        long tune = trellis.now().tune();
        background.run(NOT_ANSWERED, job -> sets.of(tune), kept -> kept
                .filter(k -> trellis.now().tune() == tune && !k.tunes().equals(rounds.state().get().set()))
                .ifPresent(k -> rounds.takeSet(k.tunes(), k.linked())));
    }

    /** Lets a tune of the shelf follow the open one in its set. */
    public void follow(long tune) {
        background.run(NOT_ANSWERED, job -> sets.tune(tune), rounds::follow);
    }

    /** Shows the open tune's version on every instrument. */
    public void openAcross() {
        if (hasTune()) {
            across.refresh();
            screen.set(Screen.ACROSS);
        }
    }

    public ChartModel chart() {
        return chart;
    }

    /** Shows the chart of the instrument in hand, or of the first there is. */
    public void openChart() {
        boolean held = trellis.isOpen() && trellis.arrangement().instrument().hasHands();
        chart.show(held ? Instruments.known(trellis.arrangement().instrument().id()) : Instruments.all().get(1));
        if (held && trellis.now().plain().size() > 0) {
            chart.select(trellis.now().plain().note(trellis.note()).pitch());
        }
        screen.set(Screen.CHART);
    }

    public ObjectProperty<Screen> screen() {
        return screen;
    }

    public ObjectProperty<Palette> palette() {
        return palette;
    }

    /** The latest word to the teacher. */
    public ReadOnlyStringProperty message() {
        return message.getReadOnlyProperty();
    }

    /** What is being done in the background, the oldest first: each has its own words, and can be stopped by itself. */
    public ObservableList<Background.Job> underWay() {
        return FXCollections.unmodifiableObservableList(underWay);
    }

    /** Asks the library something and goes on with the answer on the interface's thread. */
    private <T> void ask(Function<Library, T> question, Consumer<T> then) {
        background.run(NOT_ANSWERED, job -> keeper.ask(question), then);
    }

    /** How the library is. */
    public Watch watch() {
        return watch;
    }

    /** Says something to the teacher. */
    public void say(String words) {
        message.set(Sentence.capital(words));
    }

    private void remember(WindowMemory changed) {
        memory = changed;
        keeper.remember(WindowMemory.name(), changed.write());
    }

    /** Brings everything back to where it was; without a memory, to the first tune, or to an empty shelf. */
    public void restore() {
        ask(Kept::of, kept -> {
            memory = kept.memory();
            WindowMemory was = kept.memory();
            takeIn(kept);
            shelf.setTunes(kept.tunes());
            palette.set(was.look());
            Screen last = was.screen() == Screen.SHELF ? Screen.SHELF : Screen.TRELLIS;
            if (kept.has(was.tune())) {
                open(was.tune(), was.rung(), was.note(), last);
            } else if (!kept.tunes().isEmpty()) {
                open(kept.tunes().getFirst().id(), WindowMemory.NONE.rung(), WindowMemory.NONE.note(), last);
            }
            watch.begin(kept.trouble());
        });
    }

    private void takeIn(Kept kept) {
        own.takeIn(kept.ownInstruments(this::say));
        trellis.setHabits(kept.placesByPitch());
        trellis.setLicks(kept.ownLicks(this::say));
        listening.recall(kept.memory().listening());
        practice.recall(kept.passes(), kept.memory().practising());
    }

    /** The first bars of the tunes on the shelf. */
    Incipits incipits() {
        return new Incipits(tune -> keeper.ask(l -> l.tunes().current(tune).document()), background, palette::get);
    }

    /** Opens a tune on the trellis, the fuller rung in hand. */
    public void open(long tune) {
        open(tune, 4, 0, Screen.TRELLIS);
    }

    private void open(long tune, int rung, int note, Screen then) {
        background.latest("opening", NOT_OPENED, job -> Openings.open(keeper, tune), opened -> {
            trellis.open(opened.tune(), opened.arrangement(), opened.history(), rung, note, () -> {
                screen.set(then);
                opened.remark().ifPresent(this::say);
            });
        }, () -> { });
    }

    /** Reads a file and puts its tunes on the shelf; one tune alone is opened at once. */
    public void bringIn(Path file) {
        shelfWork.bringIn(file);
    }

    /** Grows a ladder for every tune on the shelf that has none yet. */
    public void growAll() {
        shelfWork.growAll();
    }

    /** Shows the shelf as the library has it. */
    void refresh() {
        ask(l -> l.tunes().all().read(), shelf::setTunes);
    }

    /** Stops a work in the background; what is done already stays. */
    public void stop(Background.Job job) {
        job.stop();
        refresh();
        say("stopped");
    }

    /** Stops whatever is under way: nothing waits for it any more. */
    public void close() {
        background.close();
    }
}
