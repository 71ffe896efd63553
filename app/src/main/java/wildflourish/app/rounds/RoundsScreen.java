package wildflourish.app.rounds;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.collections.ObservableList;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.listening.TakeHome;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.app.work.Folders;
import wildflourish.core.rounds.WrittenOut;
import wildflourish.library.TuneEntry;

/** The rounds: what do we play each time through? */
public final class RoundsScreen extends TuneScreen<RoundsView> {

    private static final String GROUP = "Rounds";

    /** The sets of the library. */
    public interface Sets {

        /** Puts the set that the open tune begins into the model, if one is kept and it is not there yet. */
        void take(RoundsModel model);

        /** Lets a tune of the shelf follow. */
        void follow(RoundsModel model, long tune);
    }

    private static final Plate PLATE = new Plate("rounds", "Rounds", "What do we play each time through?", "Ctrl+6",
            "M5 9.5a7.5 7.5 0 1 1-.6 5M5 4v5.5h5.5M9.5 14.5h1.2M12 14.5V12M14.5 14.5V9.5");

    private final RoundsModel model;
    private final ListeningModel listening;
    private final TakeHome takeHome;
    private final Sets sets;
    private final ObservableList<TuneEntry> shelf;
    private final Site site;
    private final List<Command> commands;
    private boolean shown;

    /**
     * The screen of rounds.
     *
     * @param shelf the tunes that may follow
     */
    public RoundsScreen(RoundsModel model, TrellisModel trellis, ListeningModel listening, TakeHome takeHome, Sets sets,
            ObservableList<TuneEntry> shelf, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.listening = listening;
        this.takeHome = takeHome;
        this.sets = sets;
        this.shelf = shelf;
        this.site = site;
        this.commands = List.of(
                Command.of("pass-before", "The pass before", GROUP, () -> model.step(0, -1)).keys("←").byKeyAlone(),
                Command.of("pass-after", "The next pass", GROUP, () -> model.step(0, 1)).keys("→").byKeyAlone(),
                Command.of("time-before", "The same pass a time earlier", GROUP, () -> model.step(-1, 0)).keys("↑").byKeyAlone(),
                Command.of("time-after", "The same pass a time later", GROUP, () -> model.step(1, 0)).keys("↓").byKeyAlone(),
                Command.of("pass-fuller", "Play the pass in hand fuller", GROUP, () -> model.stepRung(1)).key(Keys.sign("+=")),
                Command.of("pass-barer", "Play the pass in hand barer", GROUP, () -> model.stepRung(-1)).key(Keys.sign("-")),
                Command.of("pass-kind", "The next kind of variation in the pass in hand", GROUP, model::nextKind).keys("V"),
                Command.of("rounds-preset", "The first time bare, then some, the last time all", GROUP, model::bareSomeAll).keys("B"),
                Command.of("rounds-shuffle", "Shuffle the rounds within taste", GROUP, () -> model.shuffle(Optional.empty())).keys("S"),
                Command.of("rounds-more", "One time through more", GROUP, model::addTime).keys("T"),
                Command.of("rounds-less", "Leave out the time in hand", GROUP, model::dropTime).keys("X"));
    }

    public RoundsModel model() {
        return model;
    }

    /** Lets a tune of the shelf follow the open one in its set. */
    public void follow(long tune) {
        sets.follow(model, tune);
    }

    @Override
    protected RoundsView make() {
        return new RoundsView(model, commands, this::follow, shelf);
    }

    @Override
    public void enter() {
        shown = true;
        model.setShown(true);
        sets.take(model);
    }

    @Override
    public void leave() {
        shown = false;
        model.setShown(false);
    }

    @Override
    public void focus() {
        view().focusGrid();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> model.toHear().ifPresentOrElse(w -> listening.toggle(w, WrittenOut.RUNG, 0, ListeningState.Extent.TUNE),
                () -> site.say("there is nothing to play yet")));
    }

    @Override
    public Optional<Runnable> write() {
        return Optional.of(() -> site.askWhere("write the whole to (.abc .mid .wav .svg .pdf):",
                Folders.fileName(trellis().arrangement().tune().title()) + "-rounds.abc", this::write));
    }

    private void write(Path file) {
        model.toWrite().ifPresentOrElse(whole -> takeHome.whole(file, whole, WrittenOut.RUNG), () -> site.say("there is nothing to play yet"));
    }

    @Override
    public void sounds(OptionalInt rung, OptionalInt note) {
        model.sounds(shown ? note : OptionalInt.empty());
    }

    @Override
    protected void dress(RoundsView view, Look look) {
        view.setLook(look);
    }
}
