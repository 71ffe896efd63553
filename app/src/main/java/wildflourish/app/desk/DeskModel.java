package wildflourish.app.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
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
import wildflourish.app.rounds.RoundsState;
import wildflourish.app.shelf.Incipits;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Trouble;
import wildflourish.core.data.DataFault;
import wildflourish.core.growth.Lick;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.AbcBook;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.abc.AbcTune;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.library.Drawer;
import wildflourish.library.Habit;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

/** What the whole desktop can do. Long work runs in the background and comes back to the interface's own thread. */
public final class DeskModel {

    /** The screens there are. */
    public enum Screen { SHELF, TRELLIS, READING, CHART, ACROSS, ROUNDS, PRACTICE }

    private static final Duration BETWEEN_PASSES = Duration.ofMillis(1800);
    private static final Background.Words NOT_ANSWERED = Background.Words.silent("the library did not answer; what is in it is as it was");
    private static final Background.Words NOT_OPENED = Background.Words.silent("this tune could not be opened; the others are as they were");
    private static final Background.Words GROWING =
            new Background.Words("growing the shelf", "the shelf could not be grown to its end; what was grown is kept");

    private final Keeper keeper;
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
    private final Map<String, Instrument> own = new LinkedHashMap<>();
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final ObservableList<Background.Job> underWay = FXCollections.observableArrayList();
    private final Writing writing;
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
        this.background = new Background(workers, ui, new Trouble(this::say));
        background.onChange(() -> underWay.setAll(background.underWay()));
        this.trellis = new TrellisModel(new TrellisModel.Journal() {
            @Override
            public void save(long tune, String what, Supplier<String> document) {
                keeper.save(tune, what, document);
            }

            @Override
            public void undo(long tune) {
                keeper.undo(tune);
            }

            @Override
            public void redo(long tune) {
                keeper.redo(tune);
            }

            @Override
            public void habit(String instrument, String pitch, Optional<String> place) {
                keeper.habit(instrument, pitch, place);
            }

            @Override
            public void stand(long tune, int rung, int note) {
                remember(memory.standing(tune, rung, note));
            }

            @Override
            public void keepLick(String name, Optional<Lick> lick) {
                keeper.lick(name, lick.map(Lick::write));
            }
        }, this::say, background);
        this.chart = new ChartModel(new ChartModel.Keeping() {
            @Override
            public void keep(Instrument instrument) {
                keeper.keepInstrument(instrument.id(), Instruments.write(instrument));
                own.put(instrument.id(), instrument);
                takeOwn();
            }

            @Override
            public void forget(String id) {
                keeper.forgetInstrument(id);
                own.remove(id);
                takeOwn();
            }
        }, () -> trellis.isOpen() ? Optional.of(trellis.arrangement().tune()) : Optional.empty(), this::say);
        this.across = new AcrossModel(trellis, background, this::say);
        this.reading = new ReadingModel(trellis, background, this::say);
        this.rounds = new RoundsModel(trellis, (tune, others, linked) -> keeper.remember("set " + tune, (linked ? "linked" : "apart")
                + others.stream().map(o -> " " + o).reduce("", String::concat)), background, this::say);
        this.listening = new ListeningModel(trellis, player, background, this::say);
        this.writing = new Writing(this, background);
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
            if (listening.state().get().playing()) {
                listening.stop();
            }
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

    /** Shows how the open tune is made. */
    public void openReading() {
        if (!trellis.isOpen()) {
            say("choose a tune on the shelf first");
            return;
        }
        screen.set(Screen.READING);
        ask(Recollection::of, reading::remember);
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
        if (trellis.isOpen()) {
            screen.set(Screen.PRACTICE);
        } else {
            say("choose a tune on the shelf first");
        }
    }

    /** Lets the first part of a tune on the shelf be heard, bare; stops when it is that one already. */
    public void hear(long tune) {
        boolean same = heardFromShelf == tune && listening.state().get().playing();
        if (listening.state().get().playing()) {
            listening.stop();
        }
        heardFromShelf = tune;
        if (!same) {
            ask(l -> Openings.bare(l.tunes().current(tune).document()),
                    a -> listening.toggle(() -> a, 0, 0, ListeningState.Stretch.PART));
        }
    }

    /** Lets what the screen is about be heard, or stops: the trellis, a phrase, the rounds, the version on another instrument. */
    public void hear() {
        switch (screen.get()) {
            case TRELLIS -> listening.toggle();
            case ROUNDS -> rounds.toHear().ifPresentOrElse(w -> listening.toggle(w, WrittenOut.RUNG, 0, ListeningState.Stretch.TUNE),
                    () -> say("there is nothing to play yet"));
            case READING -> Optional.ofNullable(reading.state().get()).flatMap(ReadingState::passage).ifPresent(
                    p -> listening.toggle(trellis::arrangement, 0, p.phrase().fromNote(), ListeningState.Stretch.PHRASE));
            case ACROSS -> Optional.ofNullable(across.state().get()).flatMap(AcrossState::row).ifPresent(row -> {
                Arrangement there = trellis.arrangement().on(row.instrument(), row.translation().ladder());
                listening.toggle(() -> there, trellis.rung(), trellis.note(), ListeningState.Stretch.PHRASE);
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
        if (!trellis.isOpen()) {
            say("choose a tune on the shelf first");
            return;
        }
        screen.set(Screen.ROUNDS);
        long tune = trellis.now().tune();
        ask(l -> l.drawer().remembered("set " + tune).map(kept -> set(l, kept)), kept -> kept
                .filter(k -> trellis.now().tune() == tune && !k.tunes().equals(rounds.state().get().set()))
                .ifPresent(k -> rounds.takeSet(k.tunes(), k.linked())));
    }

    private record KeptSet(List<RoundsState.InSet> tunes, boolean linked) {}

    private KeptSet set(Library library, String kept) {
        List<RoundsState.InSet> tunes = new ArrayList<>();
        for (String id : kept.split(" ")) {
            if (id.matches("\\d+") && library.tunes().all().stream().anyMatch(t -> String.valueOf(t.id()).equals(id))) {
                tunes.add(inSet(Long.parseLong(id)));
            }
        }
        return new KeptSet(tunes, kept.startsWith("linked"));
    }

    private RoundsState.InSet inSet(long tune) {
        Arrangement arrangement = Openings.open(keeper, tune).arrangement();
        return new RoundsState.InSet(tune, arrangement.tune().title(), arrangement);
    }

    /** Lets a tune of the shelf follow the open one in its set. */
    public void follow(long tune) {
        ask(l -> inSet(tune), rounds::follow);
    }

    /** Shows the open tune's version on every instrument. */
    public void openAcross() {
        if (trellis.isOpen()) {
            across.refresh();
            screen.set(Screen.ACROSS);
        } else {
            say("choose a tune on the shelf first");
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

    private void takeOwn() {
        Instruments.own(List.copyOf(own.values()));
        trellis.refresh();
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

    /** Says something to the teacher. */
    public void say(String words) {
        message.set(words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1));
    }

    private void remember(WindowMemory changed) {
        memory = changed;
        keeper.remember(WindowMemory.name(), changed.write());
    }

    /** What a library has for a window that opens. */
    private record Kept(
            List<TuneEntry> tunes, List<Habit> habits, List<String> instruments, List<String> licks, List<LoggedPass> passes,
            WindowMemory memory, Optional<String> trouble) {

        static Kept of(Library library) {
            Drawer drawer = library.drawer();
            WindowMemory memory = WindowMemory.NONE;
            Optional<String> trouble = Optional.empty();
            try {
                memory = WindowMemory.of(drawer::remembered);
            } catch (DataFault e) {
                trouble = Optional.of("where you were last time could not be read; the window opens as it does the first time");
            }
            return new Kept(library.tunes().all(), drawer.habits(), drawer.instruments(), drawer.licks(), library.log().passes(), memory, trouble);
        }

        boolean has(long tune) {
            return tunes.stream().anyMatch(t -> t.id() == tune);
        }
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
            kept.trouble().ifPresent(this::say);
        });
    }

    private void takeIn(Kept kept) {
        for (String document : kept.instruments()) {
            try {
                Instrument instrument = Instruments.parse("an instrument of yours", document);
                own.put(instrument.id(), instrument);
            } catch (DataFault e) {
                say(e.getMessage() + "; it was left out and is kept in the library as it is");
            }
        }
        takeOwn();
        Map<String, SortedMap<String, String>> habits = new TreeMap<>();
        kept.habits().forEach(h -> habits.computeIfAbsent(h.instrument(), i -> new TreeMap<>())
                .put(h.pitch(), h.place()));
        trellis.setHabits(habits);
        List<Lick> licks = new ArrayList<>();
        for (String document : kept.licks()) {
            try {
                licks.add(Lick.parse(document));
            } catch (DataFault | IllegalArgumentException e) {
                say("one of your licks cannot be read; it was left out and is kept in the library as it is");
            }
        }
        trellis.setLicks(licks);
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
        background.latest("opening", NOT_OPENED, job -> keeper.ask(l -> Openings.open(keeper, tune)), opened -> {
            trellis.open(opened.tune(), opened.arrangement(), opened.history(), rung, note, () -> {
                screen.set(then);
                opened.remark().ifPresent(this::say);
            });
        }, () -> { });
    }

    private record CameIn(AbcBook book, List<Long> ids) {}

    /** Reads a file and puts its tunes on the shelf; one tune alone is opened at once. */
    public void bringIn(Path file) {
        String name = file.getFileName().toString();
        background.run(new Background.Words("reading " + name, "the file %s could not be brought in; the shelf is as it was".formatted(name)), job -> {
            try {
                if (Files.size(file) > AbcReader.LARGEST) {
                    throw new IOException("larger than 64 MB");
                }
                AbcBook book = AbcReader.read(Files.readAllBytes(file));
                return Optional.of(new CameIn(book, keeper.ask(l -> addAll(l, book.tunes(), job))));
            } catch (IOException e) {
                return Optional.<CameIn>empty();
            }
        }, came -> came.ifPresentOrElse(c -> show(name, c),
                () -> say("%s cannot be read; check its name and whether you may read it".formatted(file))));
    }

    private void show(String name, CameIn came) {
        List<Long> ids = came.ids();
        shelf.setFindings(name, came.book().findings());
        refresh();
        if (ids.size() == 1 && !came.book().hasErrors()) {
            open(ids.getFirst());
        } else {
            screen.set(Screen.SHELF);
        }
        say(ids.isEmpty() ? "no tune could be read; see what was found below"
                : ids.size() == 1 ? "one tune came in" : ids.size() + " tunes came in");
    }

    private static List<Long> addAll(Library library, List<AbcTune> tunes, Background.Job job) {
        List<Long> ids = new java.util.ArrayList<>();
        for (AbcTune tune : tunes) {
            if (!job.stopped()) {
                ids.add(add(library, tune));
            }
        }
        return ids;
    }

    /** Puts one tune into a library; its id. */
    static long add(Library library, AbcTune tune) {
        Head head = tune.tune().head();
        String type = head.rhythm().isEmpty() ? TuneType.of(head).id() : head.rhythm();
        String document = tune.arrangement().map(a -> AbcWriter.write(a, 0)).orElseGet(
                () -> AbcWriter.write(tune.tune(), tune.unread()));
        return library.tunes().add(head.title(), type, head.key().spoken(), head.meter().toString(), document);
    }

    /**
     * Grows a ladder for every tune on the shelf that has none yet, in the background, as a new edition of each; what is grown
     * before it is stopped is kept.
     */
    public void growAll() {
        background.latest("growing", GROWING, job -> {
            List<TuneEntry> tunes = keeper.ask(l -> l.tunes().all());
            int grown = 0;
            for (int i = 0; i < tunes.size() && !job.stopped(); i++) {
                long id = tunes.get(i).id();
                String document = keeper.ask(l -> l.tunes().current(id).document());
                AbcTune read = Documents.read(document);
                if (read.arrangement().isEmpty()) {
                    String with = Documents.write(Documents.grown(read, Instruments.known(Openings.FIRST_INSTRUMENT)));
                    grown += keeper.ask(l -> keepGrown(l, id, document, with));
                }
                job.tell("growing the shelf: %d of %d".formatted(i + 1, tunes.size()));
            }
            return grown;
        }, all -> say(all == 0 ? "every tune has its ladder already" : "%d tune%s grown".formatted(all, all == 1 ? "" : "s")), () -> { });
    }

    /** Keeps a grown ladder, unless the tune has been edited meanwhile; how many were kept. */
    private static int keepGrown(Library library, long tune, String before, String document) {
        var now = library.tunes().current(tune);
        if (!now.document().equals(before)) {
            return 0;
        }
        library.tunes().save(tune, now.id(), "ladder grown", document);
        return 1;
    }

    private void refresh() {
        ask(l -> l.tunes().all(), shelf::setTunes);
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
