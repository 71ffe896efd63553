package wildflourish.app.desk;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import wildflourish.app.backup.BackupModel;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Screen;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.Player;
import wildflourish.app.paint.Look;
import wildflourish.app.shelf.ShelfModel;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Production;
import wildflourish.app.work.Trouble;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instruments;

/**
 * The window's model: the open tune, the sound, the screens and which of them is shown, what is said and what is under way. It
 * knows every screen only as a {@link Screen}.
 */
public final class DeskModel {

    private static final Duration BETWEEN_PASSES = Duration.ofMillis(1800);
    private static final Background.Words NOT_ANSWERED = Background.Words.silent("the library did not answer; what is in it is as it was");

    /** Asks for a file inside the window. */
    interface Asking {

        /** For one to be read. */
        void file(String question, Consumer<Path> then);

        /** For one to be written. */
        void where(String question, String name, Consumer<Path> then);

        /** For a page of the guide, or a section of one. */
        void explain(String target);
    }

    private final Keeper keeper;
    private final Background background;
    private final ShelfModel shelf = new ShelfModel();
    private final TrellisModel trellis;
    private final ListeningModel listening;
    private final OwnInstruments own;
    private final Memory memory;
    private final Opening opening;
    private final ShelfWork shelfWork;
    private final Watch watch;
    private final BackupModel backups;
    private final List<Screen> screens;
    private final List<Command> commands;
    private final ReadOnlyObjectWrapper<Screen> screen = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Look> look = new SimpleObjectProperty<>(Look.USUAL);
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final Map<Screen, String> said = new HashMap<>();
    private final ObservableList<Background.Job> underWay = FXCollections.observableArrayList();
    private Asking asking = new Asking() {
        @Override
        public void file(String question, Consumer<Path> then) {}

        @Override
        public void where(String question, String name, Consumer<Path> then) {}

        @Override
        public void explain(String target) {}
    };

    /**
     * A desktop over a keeper.
     *
     * @param workers run what takes time
     * @param ui runs tasks on the thread that owns the interface
     * @param player lets what is played be heard
     */
    public DeskModel(Keeper keeper, Executor workers, Executor ui, Player player) {
        this(keeper, workers, ui, player, BETWEEN_PASSES, Screens::of);
    }

    /** As above, with another pause between one pass and the next, and other screens; the first of them is shown. */
    DeskModel(Keeper keeper, Executor workers, Executor ui, Player player, Duration betweenPasses, Function<Tools, List<Screen>> makes) {
        this.keeper = keeper;
        this.background = new Background(workers, ui, new Trouble(this::say));
        background.onChange(() -> underWay.setAll(background.underWay()));
        this.memory = new Memory(keeper);
        this.trellis = new TrellisModel(new KeepersJournal(keeper, (tune, rung, note) -> memory.change(m -> m.standing(tune, rung, note))),
                this::say, background);
        this.own = new OwnInstruments(keeper, trellis::refresh);
        this.listening = new ListeningModel(trellis, player, background, this::say);
        this.watch = new Watch(keeper, background, shelf, this::say);
        this.opening = new Opening(keeper, background, trellis, listening, this::show, this::say);
        opening.whenRestored(this::takeIn);
        this.shelfWork = new ShelfWork(this, keeper, background);
        this.backups = new BackupModel(keeper, background, this::say, () -> {
            restore();
            refresh();
        }, Clock.systemDefaultZone());
        shelf.order().addListener((o, before, now) -> weighAgain(now == ShelfModel.Order.HARDNESS));
        trellis.onHear(listening::toggleOrnament);
        trellis.state().addListener((o, before, now) -> {
            if (before == null || before.arrangement().tune() != now.arrangement().tune()) {
                shelfWork.follow(now.tune(), now.arrangement().tune().head());
            }
            weighAgain(before != null && !before.arrangement().instrument().equals(now.arrangement().instrument()));
        });
        WindowCommands window = new WindowCommands(this);
        Site site = new Site() {
            @Override
            public void say(String words) {
                DeskModel.this.say(words);
            }

            @Override
            public void show(String id) {
                DeskModel.this.show(id);
            }

            @Override
            public void askWhich(String question, Consumer<Path> then) {
                asking.file(question, then);
            }

            @Override
            public void askWhere(String question, String name, Consumer<Path> then) {
                asking.where(question, name, then);
            }

            @Override
            public void explain(String target) {
                asking.explain(target);
            }
        };
        this.screens = makes.apply(new Tools(keeper, background, trellis, listening, player, betweenPasses, shelf, shelfWork, own, opening, memory,
                new Production(background, this::say), look::get, window.bringIn(), site));
        this.commands = window.all(screens);
        screen.set(screens.getFirst());
        listening.lit().addListener((o, a, now) -> screens.forEach(s -> s.sounds(
                now.map(l -> OptionalInt.of(l.rung())).orElse(OptionalInt.empty()), now.map(l -> OptionalInt.of(l.note())).orElse(OptionalInt.empty()))));
        listening.state().addListener((o, before, now) -> {
            if (!before.manner().equals(now.manner())) {
                memory.change(m -> m.with(now.manner().kept()));
            }
        });
        look.addListener((o, a, now) -> {
            memory.change(m -> m.with(now));
            screens.forEach(s -> s.dress(now));
        });
    }

    /** Where files are asked for from now on. */
    void onAsking(Asking asks) {
        asking = asks;
    }

    Asking asking() {
        return asking;
    }

    /** What is gathered and written when something went wrong. */
    Faults faults() {
        return new Faults(this, keeper, background);
    }

    /** The tunes there are. */
    public ShelfModel shelf() {
        return shelf;
    }

    /** The open tune. */
    public TrellisModel trellis() {
        return trellis;
    }

    /** What is heard. */
    public ListeningModel listening() {
        return listening;
    }

    /** Opens tunes. */
    public Opening opening() {
        return opening;
    }

    /** What takes time about the shelf. */
    ShelfWork shelfWork() {
        return shelfWork;
    }

    /** Back-ups of the library. */
    public BackupModel backups() {
        return backups;
    }

    /** How the library is. */
    public Watch watch() {
        return watch;
    }

    /** Where the shelf stands by how hard its tunes are, they are weighed on the instrument of who plays. */
    private void weighAgain(boolean needed) {
        if (needed && shelf.order().get() == ShelfModel.Order.HARDNESS) {
            boolean played = trellis.isOpen() && trellis.arrangement().instrument().hasHands();
            shelfWork.weigh(played ? trellis.arrangement().instrument() : Instruments.known(Openings.FIRST_INSTRUMENT));
        }
    }

    /** The screens, in the order of the work. */
    public List<Screen> screens() {
        return screens;
    }

    /** The commands of the whole window. */
    List<Command> commands() {
        return commands;
    }

    /** The screen that is shown. */
    public ReadOnlyObjectProperty<Screen> screen() {
        return screen.getReadOnlyProperty();
    }

    /** The screen of a kind, for the tour and the tests. */
    public <T extends Screen> T screen(Class<T> kind) {
        return screens.stream().filter(kind::isInstance).map(kind::cast).findFirst().orElseThrow();
    }

    /** Shows a screen while nothing is known yet of what is on it. */
    void begin(String id) {
        screens.stream().filter(s -> s.id().equals(id)).findFirst().ifPresent(s -> {
            s.enter();
            screen.set(s);
        });
    }

    /** Shows the screen of an id; one that there is not any more is not shown. */
    public void show(String id) {
        screens.stream().filter(s -> s.id().equals(id)).findFirst().ifPresent(this::show);
    }

    /** Shows a screen; entered anew where it is shown already. Says so where it needs a tune and none is open. */
    public void show(Screen next) {
        if (next.needsTune() && !trellis.isOpen()) {
            say("choose a tune on the shelf first");
            return;
        }
        Screen before = screen.get();
        if (before != next) {
            listening.stopIfPlaying();
            before.leave();
            message.set(said.getOrDefault(next, ""));
        }
        next.enter();
        screen.set(next);
        memory.change(m -> m.showing(next.id()));
    }

    /** Colours, and the size of words. */
    public ObjectProperty<Look> look() {
        return look;
    }

    /** How often each thing was taken in the find field. */
    Map<String, Integer> uses() {
        return memory.now().uses();
    }

    /** Counts that something was taken in the find field. */
    void used(String id) {
        memory.change(m -> m.using(id));
    }

    /** The latest word to the teacher on the screen that is shown. */
    public ReadOnlyStringProperty message() {
        return message.getReadOnlyProperty();
    }

    /** Says something to the teacher; it stands on the screen that is shown, and goes with it. */
    public void say(String words) {
        String sentence = Sentence.capital(words);
        if (screen.get() != null) {
            said.put(screen.get(), sentence);
        }
        message.set(sentence);
    }

    /** A word from the sound: of its device, or that what was played had to be given up. */
    public void soundSays(String words) {
        say(words);
        listening.soundLost();
        screens.forEach(Screen::soundLost);
    }

    /** Lets the screen that is shown be heard, or stops. */
    public void hear() {
        screen.get().hear().ifPresent(Runnable::run);
    }

    /** {@code start} is run whenever something may begin to move. */
    void onMoving(Runnable start) {
        listening.state().addListener((o, a, now) -> start.run());
        screens.forEach(s -> s.onMoving(start));
    }

    /** Whether something moves from frame to frame. */
    boolean moves() {
        return listening.state().get().playing() || screen.get().moves();
    }

    /** Looks where the sound is; called for each frame. */
    public void tick() {
        listening.tick();
        screen.get().frame();
    }

    /** What is being done in the background, the oldest first: each has its own words, and can be stopped by itself. */
    public ObservableList<Background.Job> underWay() {
        return FXCollections.unmodifiableObservableList(underWay);
    }

    /** Brings everything back to where it was; without a memory, to the first tune, or to an empty shelf. */
    public void restore() {
        opening.restore(kept -> watch.begin(kept.trouble()));
    }

    /** As above, at once, from what has been made ready. */
    void restore(Ready ready) {
        opening.restore(ready, kept -> watch.begin(kept.trouble()));
    }

    /** Takes in what the library has for the window. */
    private void takeIn(Kept kept) {
        memory.recall(kept.memory());
        own.takeIn(kept.ownInstruments(this::say));
        trellis.setHabits(kept.placesByPitch());
        trellis.setLicks(kept.ownLicks(this::say));
        listening.recall(kept.memory().listening());
        shelf.setTunes(kept.tunes());
        look.set(kept.memory().dress());
    }

    /** Opens a tune on the trellis, the fuller rung in hand. */
    public void open(long tune) {
        opening.open(tune);
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
        background.run(NOT_ANSWERED, job -> keeper.ask(l -> l.tunes().all().read()), shelf::setTunes);
        background.run(NOT_ANSWERED, job -> keeper.ask(l -> l.tunes().off().read()), shelf::setOff);
        shelfWork.index();
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
