package wildflourish.app.across;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;

/** The open tune's version on every instrument. Carrying over runs in the background and comes back as a value. */
public final class AcrossModel {

    private final TrellisModel trellis;
    private final Executor background;
    private final Executor ui;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<AcrossState> state = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper working = new ReadOnlyBooleanWrapper();
    private Arrangement shown;

    /** A model over the trellis; {@code ui} runs tasks on the thread that owns the interface. */
    public AcrossModel(TrellisModel trellis, Executor background, Executor ui, Consumer<String> say) {
        this.trellis = trellis;
        this.background = background;
        this.ui = ui;
        this.say = say;
    }

    /** What is shown; null before the first tune has been carried over. */
    public ReadOnlyObjectProperty<AcrossState> state() {
        return state.getReadOnlyProperty();
    }

    /** Whether versions are being worked out. */
    public ReadOnlyBooleanProperty working() {
        return working.getReadOnlyProperty();
    }

    /** Carries the open tune's ladder over to every other instrument, unless that has been done already. */
    public void refresh() {
        if (!trellis.isOpen() || trellis.arrangement().equals(shown)) {
            return;
        }
        Arrangement arrangement = trellis.arrangement();
        shown = arrangement;
        working.set(true);
        background.execute(() -> {
            List<AcrossState.Row> rows = rows(arrangement);
            ui.execute(() -> {
                if (arrangement.equals(shown)) {
                    working.set(false);
                    state.set(new AcrossState(arrangement.instrument(), arrangement.tune().title(), rows, 0));
                }
            });
        });
    }

    private static List<AcrossState.Row> rows(Arrangement arrangement) {
        return Instruments.all().parallelStream()
                .filter(i -> i.hasHands() && !i.id().equals(arrangement.instrument().id()))
                .map(i -> new AcrossState.Row(i, Translation.of(arrangement, i)))
                .toList();
    }

    /** Takes a row in hand. */
    public void select(int index) {
        AcrossState now = state.get();
        if (now != null && index >= 0 && index < now.rows().size() && index != now.selected()) {
            state.set(new AcrossState(now.from(), now.title(), now.rows(), index));
        }
    }

    /** Puts the row in hand on the trellis, in place of a ladder that the tune has on that instrument; whether it could. */
    public boolean take() {
        Optional<AcrossState.Row> row = state.get() == null ? Optional.empty() : state.get().row();
        if (row.isEmpty() || !trellis.isOpen() || !trellis.arrangement().equals(shown)) {
            say.accept("choose an instrument first");
            return false;
        }
        Instrument instrument = row.get().instrument();
        trellis.player().take(row.get().translation(), instrument);
        return true;
    }
}
