package wildflourish.app.reading;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.core.reading.Remembered;

/** The reading: how is this tune made, how do I teach it? */
public final class ReadingScreen extends TuneScreen<ReadingView> {

    private static final String GROUP = "Phrases";

    private static final Plate PLATE = new Plate("reading", "Reading", "How is this tune made, and how do I teach it?", "Ctrl+5",
            "M3 12c1.5-6 7.5-6 9 0c1.5-6 7.5-6 9 0M3 16.5h7.5M13.5 16.5H21M3 20h18");

    private final ReadingModel model;
    private final ListeningModel listening;
    private final Consumer<Consumer<Remembered>> recollect;
    private final List<Command> commands;
    private final Site site;

    /**
     * The screen of a reading.
     *
     * @param recollect tells, as soon as it is known, what the other tunes hold
     */
    public ReadingScreen(ReadingModel model, TrellisModel trellis, ListeningModel listening, Consumer<Consumer<Remembered>> recollect, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.site = site;
        this.listening = listening;
        this.recollect = recollect;
        this.commands = List.of(
                Command.of("phrase-before", "The phrase before", GROUP, () -> model.step(-1)).keys("←").byKeyAlone(),
                Command.of("phrase-after", "The next phrase", GROUP, () -> model.step(1)).keys("→").byKeyAlone(),
                Command.of("start-earlier", "Begin the phrase a note earlier", GROUP, () -> model.moveStart(-1)).keys("Alt+←"),
                Command.of("start-later", "Begin the phrase a note later", GROUP, () -> model.moveStart(1)).keys("Alt+→"),
                Command.of("phrase-join", "Join the phrase to the one before", GROUP, model::join).keys("J"),
                Command.of("phrase-divide", "Divide the phrase at a bar line", GROUP, model::divide).keys("D"),
                Command.of("phrase-rename", "Name the phrase", GROUP, () -> view().focusName()).keys("N", "F2"),
                Command.of("phrase-remark", "Write a remark on the phrase", GROUP, () -> view().focusRemark()).keys("R"),
                Command.of("phrases-found", "Let the reading find the phrases by itself again", GROUP, model::findAgain),
                Command.of("phrase-on-trellis", "Show the phrase on the trellis", GROUP, () -> {
                    model.show();
                    site.show(TrellisScreen.ID);
                }).keys("Enter"));
    }

    public ReadingModel model() {
        return model;
    }

    @Override
    protected ReadingView make() {
        return new ReadingView(model, commands, new GuideLink(site, "what to teach in a tune", "what-to-add-next.md#what-makes-a-tune-hard"));
    }

    @Override
    public void enter() {
        model.setShown(true);
        recollect.accept(model::remember);
    }

    @Override
    public void leave() {
        model.setShown(false);
    }

    @Override
    public void focus() {
        view().focusMap();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> Optional.ofNullable(model.state().get()).flatMap(ReadingState::passage).ifPresent(
                p -> listening.toggle(trellis()::arrangement, 0, p.phrase().fromNote(), ListeningState.Extent.PHRASE)));
    }

    @Override
    protected void dress(ReadingView view, Look look) {
        view.setLook(look);
    }
}
