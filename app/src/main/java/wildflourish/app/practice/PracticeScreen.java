package wildflourish.app.practice;

import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.collections.ObservableList;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.app.work.Production;
import wildflourish.formats.csv.PracticeCsv;
import wildflourish.library.TuneEntry;

/** Practice: can they do it evenly? */
public final class PracticeScreen extends TuneScreen<PracticeView> {

    /** What it is kept under. */
    public static final String ID = "practice";

    private static final String GROUP = "Practice";

    private static final Plate PLATE = new Plate(ID, "Practice", "Can they do it evenly?", "Ctrl+7",
            "M9 3h6l3.5 17.5h-13zM7.2 15.5h9.6M12 15.5L18 5.5");

    private final PracticeModel model;
    private final ObservableList<TuneEntry> shelf;
    private final LongConsumer open;
    private final Production production;
    private final Site site;
    private final List<Command> commands;

    /**
     * The screen of practice.
     *
     * @param shelf the tunes that can be practised
     * @param open opens one of them, to practise it
     */
    public PracticeScreen(PracticeModel model, TrellisModel trellis, ObservableList<TuneEntry> shelf, LongConsumer open, Production production,
            Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.shelf = shelf;
        this.open = open;
        this.production = production;
        this.site = site;
        this.commands = List.of(
                Command.of("practise", "Begin to practise, or stop", GROUP, model::toggle).keys("Enter").when(this::plays),
                Command.of("tap", "Tap a note", GROUP, model::tap).keys("Space").key(new Keys.Letter("any letter")).when(this::plays)
                        .unlisted(),
                Command.of("calibrate", "Calibrate the keys: take the keyboard's own delay off", GROUP, () -> view().calibrate()),
                Command.of("history", "What has been reached, day by day", GROUP, () -> view().openHistory()).keys("Ctrl+H"),
                Command.of("write-log", "Write the practice log as a table", GROUP, this::askLog));
    }

    private boolean plays() {
        return view().isPlaying();
    }

    public PracticeModel model() {
        return model;
    }

    @Override
    protected PracticeView make() {
        return new PracticeView(model, trellis(), shelf, open, this::askLog);
    }

    private void askLog() {
        site.askWhere("write the practice log to (.csv):", "practice.csv", file -> {
            var log = model.log();
            production.make(file, "the practice log", job -> PracticeCsv.of(log).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        });
    }

    @Override
    public void enter() {
        model.setShown(true);
        view().setShown(true);
    }

    @Override
    public void leave() {
        model.setShown(false);
        view().setShown(false);
    }

    @Override
    public void focus() {
        view().focusLanes();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public boolean takesKeys(Node focus) {
        return !(focus instanceof ListView<?>);
    }

    @Override
    public Optional<Runnable> write() {
        return Optional.of(this::askLog);
    }

    @Override
    public boolean canUndo() {
        return super.canUndo() && !model.isRunning();
    }

    @Override
    public boolean undo() {
        return !model.isRunning() && super.undo();
    }

    @Override
    public boolean redo() {
        return !model.isRunning() && super.redo();
    }

    @Override
    public void onMoving(Runnable start) {
        model.state().addListener((o, a, now) -> start.run());
    }

    @Override
    public boolean moves() {
        return model.isRunning();
    }

    @Override
    public void frame() {
        model.tick();
    }

    @Override
    public void soundLost() {
        model.soundLost();
    }

    @Override
    protected void dress(PracticeView view, Look look) {
        view.setLook(look);
    }
}
