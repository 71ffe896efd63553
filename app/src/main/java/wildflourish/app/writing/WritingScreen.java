package wildflourish.app.writing;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.listening.Player;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.app.work.Background;
import wildflourish.core.hearing.ByEar;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;

/** Writing: what are the notes? */
public final class WritingScreen extends TuneScreen<WritingView> {

    public static final String ID = "writing";

    private static final String GROUP = "Writing";

    private static final Plate PLATE = new Plate(ID, "Writing", "What are the notes?", "Ctrl+9",
            "M4 20l1.200-4.800L16.500 3.900l3.600 3.600L8.800 18.800zM14.200 6.200l3.600 3.600M11 20.500h9");

    private final WritingModel model;
    private final Background background;
    private final ListeningModel listening;
    private final PlayingIn playingIn;
    private final ByFingers byFingers;
    private final List<Command> deeds;
    private final List<Command> commands;

    /** The screen of a text. */
    public WritingScreen(WritingModel model, TrellisModel trellis, ListeningModel listening, Player player, Background background, Site site) {
        super(PLATE, trellis);
        this.background = background;
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
        this.playingIn = new PlayingIn(model, player, () -> listening.state().get().manner().percent(), background::onInterface, site::say);
        this.byFingers = new ByFingers(model, this::instrument, site::say);
        commands.addAll(new PenKeys(model, this::penHasKeyboard, this::ask, this::heard, playingIn).commands());
        commands.add(Command.of("play-in", "Play it in to a click; the same key ends", GROUP, playingIn::toggleClick).keys("Ctrl+Shift+R"));
        commands.add(Command.of("play-in-made-up", "Have a made-up player play the open tune in, as an example", GROUP, () -> madeUp(site)));
        commands.add(Command.of("midi-keyboard", "Write what a MIDI keyboard plays, key by key, or no more", GROUP, playingIn::toggleKeyboard));
        commands.add(Command.of("by-ear", "Take a tune in by ear from a recording: whistled, sung or played", GROUP, () -> site.askWhich("recording of a tune:", file -> byEar(file, site))));
        commands.add(Command.of("by-fingers", "Write by the fingers: type a fingering, its note is put", GROUP, this::askFingering).keys("Ctrl+Shift+F"));
    }

    /** Listens to a recording and writes what it heard as a new tune. */
    private void byEar(Path file, Site site) {
        record Came(Optional<ByEar> tune, String trouble) {}
        String name = String.valueOf(file.getFileName());
        background.run(new Background.Words("listening to " + name, "%s could not be listened to; nothing was written".formatted(name)), job -> {
            try (Audio audio = Recording.open(file)) {
                Optional<ByEar> tune = ByEar.of(Ears.listen(audio, seconds -> { }, job::stopped), name.replaceFirst("\\.[^.]*$", ""), Optional.empty(), Optional.empty());
                return new Came(tune, "no tune is heard in %s: is it one instrument alone, or a voice?".formatted(name));
            } catch (NoRecording e) {
                return new Came(Optional.empty(), String.valueOf(e.getMessage()));
            }
        }, came -> came.tune().ifPresentOrElse(tune -> {
            model.startNewWith(AbcWriter.write(tune.tune()));
            site.show(ID);
            site.say(String.join(" ", tune.inWords()));
        }, () -> site.say(came.trouble())));
    }

    private void madeUp(Site site) {
        if (!trellis().isOpen()) {
            site.say("open a tune first: a made-up player plays it in");
            return;
        }
        Tune tune = trellis().arrangement().tune();
        model.startNewLike(tune);
        site.show(ID);
        model.whenPenStands(() -> playingIn.madeUp(tune));
    }

    private Instrument instrument() {
        return trellis().isOpen() && trellis().arrangement().instrument().hasHands() ? trellis().arrangement().instrument() : Instruments.known(Openings.FIRST_INSTRUMENT);
    }

    /** Asks for one fingering after another, until nothing is typed. */
    private void askFingering() {
        view().ask(byFingers.question(), "", typed -> {
            if (byFingers.put(typed)) {
                askFingering();
            }
        });
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

    /** Notes that are played in, for the tests. */
    PlayingIn playingIn() {
        return playingIn;
    }

    @Override
    public List<Command> findable() {
        List<String> voices = model.pen().get().map(p -> OtherVoices.names(p.tune())).orElse(List.of());
        List<Command> all = new ArrayList<>();
        for (int v = 0; v < voices.size(); v++) {
            int voice = v;
            all.add(Command.of("melody-" + v, "Make the voice “%s” the melody".formatted(voices.get(v)), GROUP,
                    () -> model.stroke(p -> OtherVoices.madeMelody(p.tune(), voice).map(p::over).orElse(p))));
        }
        return all;
    }

    @Override
    public void leave() {
        playingIn.giveUp();
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
