package wildflourish.app.across;

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
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.core.setting.Arrangement;

/** Across: what comes over to every other instrument? */
public final class AcrossScreen extends TuneScreen<AcrossView> {

    private static final Plate PLATE = new Plate("across", "Across", "What comes over to every other instrument?", "Ctrl+4",
            "M5.5 12h13M5.5 12L18 5.2M5.5 12L18 18.8M3 12a2 2 0 1 0 4 0a2 2 0 1 0-4 0M18 5a1.5 1.5 0 1 0 3 0a1.5 1.5 0 1 0-3 0"
                + "M18.5 12a1.5 1.5 0 1 0 3 0a1.5 1.5 0 1 0-3 0M18 19a1.5 1.5 0 1 0 3 0a1.5 1.5 0 1 0-3 0");

    private final AcrossModel model;
    private final ListeningModel listening;
    private final List<Command> commands;
    private final Site site;

    /** The screen of the versions on every instrument. */
    public AcrossScreen(AcrossModel model, TrellisModel trellis, ListeningModel listening, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.site = site;
        this.listening = listening;
        this.commands = List.of(Command.of("across-take", "Take the version in hand to the trellis", "Across", () -> {
            if (model.take()) {
                site.show(TrellisScreen.ID);
            }
        }).keys("Enter"));
    }

    public AcrossModel model() {
        return model;
    }

    @Override
    protected AcrossView make() {
        return new AcrossView(model, commands.getFirst(), new GuideLink(site, "one version, many instruments", "keys-and-instruments.md#across-the-class"));
    }

    @Override
    public void enter() {
        model.refresh();
    }

    @Override
    public void focus() {
        view().focusList();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(() -> Optional.ofNullable(model.state().get()).flatMap(AcrossState::row).ifPresent(row -> {
            Arrangement there = trellis().arrangement().on(row.instrument(), row.translation().ladder());
            listening.toggle(() -> there, trellis().rung(), trellis().note(), ListeningState.Extent.PHRASE);
        }));
    }

    @Override
    protected void dress(AcrossView view, Look look) {
        view.setPalette(look.palette());
    }
}
