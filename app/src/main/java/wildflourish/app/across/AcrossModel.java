package wildflourish.app.across;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.jspecify.annotations.Nullable;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;

/** The open tune's version on every instrument. Carrying over runs in the background and comes back as a value. */
public final class AcrossModel {

    private static final Background.Words NOT_CARRIED_OVER =
            Background.Words.silent("the tune could not be carried over to every instrument; it is as it was");

    private final TrellisModel trellis;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<AcrossState> state = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper working = new ReadOnlyBooleanWrapper();
    private @Nullable Arrangement shown;
    private List<Instrument> onInstruments = List.of();

    /** A model over the trellis. */
    public AcrossModel(TrellisModel trellis, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.background = background;
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
        if (!trellis.isOpen() || trellis.arrangement().equals(shown) && Instruments.all().equals(onInstruments)) {
            return;
        }
        Arrangement arrangement = trellis.arrangement();
        shown = arrangement;
        onInstruments = Instruments.all();
        working.set(true);
        background.latest(this, NOT_CARRIED_OVER, job -> rows(arrangement), rows -> {
            working.set(false);
            state.set(new AcrossState(arrangement.instrument(), arrangement.tune().title(), rows, 0));
        }, () -> {
            working.set(false);
            shown = null;
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
