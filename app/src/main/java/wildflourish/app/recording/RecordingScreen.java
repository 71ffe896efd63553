package wildflourish.app.recording;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Node;
import javafx.scene.control.ComboBoxBase;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.Keys;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.recording.RecordingState.Extent;
import wildflourish.app.recording.RecordingState.Manner;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;

/** Recording: what was played? */
public final class RecordingScreen extends TuneScreen<RecordingView> {

    private static final String GROUP = "Recording";
    private static final Plate PLATE = new Plate("recording", "Listen", "What was played?", "Ctrl+Shift+E",
            "M4 12h2l1.6-5l2.4 11l2.2-13l2.2 10l1.6-5.5l1.4 2.5H20");

    private final RecordingModel model;
    private final Site site;
    private final List<Command> commands;

    private final ReadOnlyBooleanWrapper heard = new ReadOnlyBooleanWrapper();

    /** The screen of recordings. */
    public RecordingScreen(RecordingModel model, TrellisModel trellis, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.site = site;
        model.state().addListener((o, before, now) -> heard.set(now.playing()));
        this.commands = List.of(
                Command.of("recording-bring-in", "Bring in a recording of this tune", GROUP, () -> site.askWhich("recording of this tune:", model::bringIn)).keys("B"),
                Command.of("recording-record", "Record by the microphone, or end it", GROUP, model::record).keys("R"),
                Command.of("recording-made-up", "Let a made-up student play the rung in hand", GROUP, model::madeUp).keys("M"),
                Command.of("recording-away", "Throw the recording in hand away", GROUP, () -> view().askAway()).keys("Delete").when(() -> model.state().get().chosen().isPresent()),
                Command.of("recording-take-down", "Take down what was played as a ladder that leads up to it", GROUP, model::takeDown).keys("D").when(() -> model.state().get().listened().isPresent()),
                Command.of("recording-left", "The note before", GROUP, () -> model.step(-1)).keys("←").byKeyAlone(),
                Command.of("recording-right", "The next note", GROUP, () -> model.step(1)).keys("→").byKeyAlone(),
                Command.of("recording-last-remark", "Back to a note of which there is something to say", GROUP, () -> model.stepToRemark(-1)).keys("Shift+←").whileHeld(),
                Command.of("recording-next-remark", "On to a note of which there is something to say", GROUP, () -> model.stepToRemark(1)).keys("Shift+→").whileHeld(),
                Command.of("recording-pass", "The same note in the next time through", GROUP, model::nextPass).keys("T"),
                Command.of("recording-slower", "Slower, without another pitch", GROUP, () -> percent(-5)).key(Keys.sign("-")).whileHeld(),
                Command.of("recording-faster", "Faster, without another pitch", GROUP, () -> percent(5)).key(Keys.sign("+=")).whileHeld(),
                Command.of("recording-higher", "Higher by a semitone, without another tempo", GROUP, () -> cents(100)).key(Keys.sign("]")).whileHeld(),
                Command.of("recording-lower", "Lower by a semitone, without another tempo", GROUP, () -> cents(-100)).key(Keys.sign("[")).whileHeld(),
                Command.of("recording-again", "Around and around, or once", GROUP, this::again).keys("L"),
                Command.of("recording-extent", "Play on from this note, this bar, this phrase, or all of it", GROUP, this::extent).keys("P"));
    }

    public RecordingModel model() {
        return model;
    }

    private void percent(int by) {
        Manner now = model.state().get().how();
        model.playing().how(new Manner(now.extent(), now.again(), now.percent() + by, now.cents()));
        site.say("at %d %% of its tempo".formatted(model.state().get().how().percent()));
    }

    private void cents(int by) {
        Manner now = model.state().get().how();
        model.playing().how(new Manner(now.extent(), now.again(), now.percent(), now.cents() + by));
    }

    private void again() {
        Manner now = model.state().get().how();
        model.playing().how(new Manner(now.extent(), !now.again(), now.percent(), now.cents()));
        site.say(now.again() ? "once" : "around and around");
    }

    private void extent() {
        Manner now = model.state().get().how();
        Extent next = Extent.values()[(now.extent().ordinal() + 1) % Extent.values().length];
        model.playing().how(new Manner(next, now.again(), now.percent(), now.cents()));
        site.say(next.words());
    }

    @Override
    protected RecordingView make() {
        return new RecordingView(model, commands, new GuideLink(site, "what is heard in a recording", "what-was-played.md#what-is-said-and-how-sure-it-is"));
    }

    @Override
    public void enter() {
        model.setShown(true);
    }

    @Override
    public void leave() {
        model.setShown(false);
    }

    @Override
    public void focus() {
        view().focusScore();
    }

    @Override
    public boolean takesKeys(Node focus) {
        return !(focus instanceof ComboBoxBase<?>);
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(model.playing()::toggle);
    }

    @Override
    public ReadOnlyBooleanProperty heard() {
        return heard.getReadOnlyProperty();
    }

    @Override
    public void onMoving(Runnable start) {
        model.state().addListener((o, before, now) -> {
            if (now.playing() && !before.playing()) {
                start.run();
            }
        });
    }

    @Override
    public boolean moves() {
        return model.state().get().playing();
    }

    @Override
    public void frame() {
        model.playing().tick();
    }

    @Override
    public void soundLost() {
        model.playing().soundLost();
    }

    @Override
    protected void dress(RecordingView view, Look look) {
        view.dress(look);
    }
}
