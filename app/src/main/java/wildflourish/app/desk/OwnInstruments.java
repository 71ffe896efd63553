package wildflourish.app.desk;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.app.chart.ChartModel;
import wildflourish.app.work.Keeper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;

/** The teacher's own instruments: known to the whole program, and kept. */
final class OwnInstruments implements ChartModel.Keeping {

    private final Keeper keeper;
    private final Runnable changed;
    private final Map<String, Instrument> own = new LinkedHashMap<>();

    OwnInstruments(Keeper keeper, Runnable changed) {
        this.keeper = keeper;
        this.changed = changed;
    }

    /** Takes in those that were kept. */
    void takeIn(List<Instrument> kept) {
        kept.forEach(i -> own.put(i.id(), i));
        use();
    }

    @Override
    public void keep(Instrument instrument) {
        keeper.keepInstrument(instrument.id(), Instruments.write(instrument));
        own.put(instrument.id(), instrument);
        use();
    }

    @Override
    public void forget(String id) {
        keeper.forgetInstrument(id);
        own.remove(id);
        use();
    }

    private void use() {
        Instruments.own(List.copyOf(own.values()));
        changed.run();
    }
}
