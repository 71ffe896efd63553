package wildflourish.app.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.core.setting.Arrangement;

/** Writing: what are the notes? */
public final class WritingScreen extends TuneScreen<WritingView> {

    public static final String ID = "writing";

    private static final String GROUP = "Writing";

    private static final Plate PLATE = new Plate(ID, "Writing", "What are the notes?", "Ctrl+9",
            "M4 20l1.200-4.800L16.500 3.900l3.600 3.600L8.800 18.800zM14.200 6.200l3.600 3.600M11 20.500h9");

    private final WritingModel model;
    private final ListeningModel listening;
    private final List<Command> deeds;
    private final List<Command> commands;

    /** The screen of a text. */
    public WritingScreen(WritingModel model, TrellisModel trellis, ListeningModel listening, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.listening = listening;
        this.deeds = List.of(
                Command.of("keep-writing", "Keep the tune as it is written", GROUP, model::keep).keys("Ctrl+Enter"),
                Command.of("back-from-writing", "Back to the tune as it is", GROUP, model::goBack),
                Command.of("new-tune", "Write a new tune", GROUP, () -> {
                    model.startNew();
                    site.show(ID);
                }).keys("Ctrl+Shift+N"));
        this.commands = new ArrayList<>(deeds);
        commands.addAll(new PenKeys(model, this::penHasKeyboard, this::ask, this::heard).commands());
    }

    private boolean penHasKeyboard() {
        return isMade() && view().penHasKeyboard();
    }

    private void ask(String words, String now, Consumer<String> then) {
        view().ask(words, now, then);
    }

    /** Lets the note just written be heard. */
    private void heard(Arrangement note) {
        listening.stopIfPlaying();
        listening.toggle(() -> note, 0, 0, ListeningState.Extent.TUNE);
    }

    public WritingModel model() {
        return model;
    }

    @Override
    public boolean needsTune() {
        return false;
    }

    @Override
    protected WritingView make() {
        return new WritingView(model, deeds);
    }

    @Override
    public void enter() {
        model.enter();
    }

    @Override
    public void leave() {
        model.leave();
    }

    @Override
    public void focus() {
        view().focusStave();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public boolean canUndo() {
        return model.hasStrokes() || super.canUndo();
    }

    @Override
    public boolean undo() {
        return model.unstroke() || super.undo();
    }

    @Override
    public boolean redo() {
        return model.restroke() || super.redo();
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> model.bare().ifPresent(bare -> listening.toggle(() -> bare, 0, 0, ListeningState.Extent.TUNE)));
    }

    @Override
    protected void dress(WritingView view, Look look) {
        view.setLook(look);
    }
}
