package wildflourish.app.fit;

import java.util.List;
import java.util.Optional;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;

/** Fit: in which key, on which instrument? */
public final class FitScreen extends TuneScreen<FitView> {

    private static final String GROUP = "Fit";
    private static final Plate PLATE = new Plate("fit", "Fit", "In which key, on which instrument?", "Ctrl+Shift+K",
            "M8 8.5a4.5 4.5 0 1 0 0 7a4.5 4.5 0 0 0 0-7M10.6 12h10M17 12v3.2M20.2 12v2.6");

    private final FitModel model;
    private final ListeningModel listening;
    private final List<Command> commands;
    private final Site site;

    /** The screen of the keys. */
    public FitScreen(FitModel model, TrellisModel trellis, ListeningModel listening, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.site = site;
        this.listening = listening;
        this.commands = List.of(
                Command.of("fit-move", "Move the tune to the key in hand, with its ladder", GROUP, model::move).keys("Enter"),
                Command.of("fit-plays", "The instrument in hand plays with the others, or no more", GROUP, model::togglePlaying).keys("P"),
                Command.of("fit-score", "The key in hand on the score, bar by bar, or no more", GROUP, () -> view().toggleScore()).keys("S"));
    }

    public FitModel model() {
        return model;
    }

    @Override
    protected FitView make() {
        return new FitView(model, commands, new GuideLink(site, "which key, which instrument", "keys-and-instruments.md#how-a-key-is-weighed"));
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
        view().focusTable();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    protected void dress(FitView view, Look look) {
        view.dress(look);
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> model.heard().ifPresent(a -> listening.toggle(() -> a, 0, 0, ListeningState.Extent.TUNE)));
    }
}
