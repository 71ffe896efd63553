package wildflourish.app.trellis;

import java.util.List;
import org.mockito.Mockito;
import wildflourish.app.work.Documents;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.abc.AbcReader;

/** A trellis on which a tune is open, for tests of what stands beside it. */
public final class Opened {

    private Opened() {}

    /** A trellis with no tune yet. */
    public static TrellisModel empty() {
        return new TrellisModel(Mockito.mock(Journal.class), words -> { });
    }

    /** A tune from ABC with a ladder grown for an instrument, its first note in hand on the fuller rung. */
    public static TrellisModel tune(String abc, String instrument) {
        TrellisModel model = new TrellisModel(Mockito.mock(Journal.class), words -> { });
        open(model, 7, abc, instrument);
        return model;
    }

    /** Another tune on the same trellis. */
    public static void another(TrellisModel model, String abc, String instrument) {
        open(model, 8, abc, instrument);
    }

    private static void open(TrellisModel model, long id, String abc, String instrument) {
        Arrangement start = Documents.grown(AbcReader.read(abc).tunes().getFirst().tune(), Instruments.known(instrument));
        model.open(id, start, new History(List.of(History.Step.done("added", start)), 0), 4, 0);
    }
}
