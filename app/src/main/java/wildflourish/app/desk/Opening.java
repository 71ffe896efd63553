package wildflourish.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.listening.ListeningState;
import wildflourish.app.trellis.Openings;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.work.Background;
import wildflourish.app.work.Keeper;

/** Opens tunes of the library: to work on them, to hear them, and the one that was open the last time. */
public final class Opening {

    private static final Background.Words NOT_ANSWERED = Background.Words.silent("the library did not answer; what is in it is as it was");
    private static final Background.Words NOT_OPENED = Background.Words.silent("this tune could not be opened; the others are as they were");

    private final Keeper keeper;
    private final Background background;
    private final TrellisModel trellis;
    private final ListeningModel listening;
    private final Consumer<String> show;
    private final Consumer<String> say;
    private final List<Consumer<Kept>> takingIn = new ArrayList<>();
    private long heard = -1;

    Opening(Keeper keeper, Background background, TrellisModel trellis, ListeningModel listening, Consumer<String> show, Consumer<String> say) {
        this.keeper = keeper;
        this.background = background;
        this.trellis = trellis;
        this.listening = listening;
        this.show = show;
        this.say = say;
    }

    /** Takes in, when the window opens, what the library has for somebody. */
    void whenRestored(Consumer<Kept> takes) {
        takingIn.add(takes);
    }

    /** Brings everything back to where it was; without a memory, to the first tune, or to an empty shelf. */
    void restore(Consumer<Kept> then) {
        background.run(NOT_ANSWERED, job -> Ready.of(keeper), ready -> restore(ready, then));
    }

    /** As above, from what has been made ready. */
    void restore(Ready ready, Consumer<Kept> then) {
        Kept kept = ready.kept();
        takingIn.forEach(t -> t.accept(kept));
        kept.standing().ifPresent(at -> {
            String last = kept.memory().screen().equals("shelf") ? "shelf" : TrellisScreen.ID;
            ready.opened().ifPresentOrElse(o -> show(o, at.rung(), at.note(), last), () -> open(at.tune(), at.rung(), at.note(), last));
        });
        if (kept.standing().isEmpty()) {
            show.accept("shelf");
        }
        then.accept(kept);
    }

    /** Opens a tune on the trellis, the fuller rung in hand. */
    public void open(long tune) {
        open(tune, 4, 0, TrellisScreen.ID);
    }

    /** Opens a tune on the trellis, unless it is open already; {@code then} runs when it can be seen. */
    void open(long tune, Runnable then) {
        if (trellis.isOpen() && trellis.now().tune() == tune) {
            show.accept(TrellisScreen.ID);
            then.run();
        } else {
            background.latest("opening", NOT_OPENED, job -> Openings.open(keeper, tune), opened -> show(opened, 4, 0, TrellisScreen.ID, then), () -> { });
        }
    }

    /** Opens a tune and stays on a screen, unless it is open already. */
    void openFor(long tune, String screen) {
        if (!trellis.isOpen() || trellis.now().tune() != tune) {
            open(tune, 4, 0, screen);
        }
    }

    private void open(long tune, int rung, int note, String then) {
        background.latest("opening", NOT_OPENED, job -> Openings.open(keeper, tune), opened -> show(opened, rung, note, then), () -> { });
    }

    private void show(Openings.Opened opened, int rung, int note, String then) {
        show(opened, rung, note, then, () -> { });
    }

    private void show(Openings.Opened opened, int rung, int note, String then, Runnable behind) {
        trellis.open(opened.tune(), opened.arrangement(), opened.history(), rung, note, () -> {
            show.accept(then);
            behind.run();
            opened.remark().ifPresent(say);
        });
    }

    /** Lets the first part of a tune on the shelf be heard, bare; stops when it is that one already. */
    public void hear(long tune) {
        boolean same = heard == tune && listening.state().get().playing();
        listening.stopIfPlaying();
        heard = tune;
        if (!same) {
            background.run(NOT_ANSWERED, job -> keeper.ask(l -> Openings.bare(l.tunes().current(tune).document())),
                    a -> listening.toggle(() -> a, 0, 0, ListeningState.Extent.PART));
        }
    }
}
