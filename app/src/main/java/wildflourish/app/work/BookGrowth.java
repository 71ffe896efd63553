package wildflourish.app.work;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.abc.AbcTune;

/** Grows a whole book of tunes, on as many cores as there are. */
public final class BookGrowth {

    private BookGrowth() {}

    /**
     * A ladder for each tune of a book, in its order; a tune that has one for the instrument keeps it.
     *
     * @param progress told how many tunes are done, from any thread
     * @param stopped asked before each tune; once it says so, the tunes that are not done yet are left out
     */
    public static List<Arrangement> grow(
            List<AbcTune> tunes, Instrument instrument, IntConsumer progress, BooleanSupplier stopped) {
        AtomicInteger done = new AtomicInteger();
        return IntStream.range(0, tunes.size()).parallel()
                .filter(i -> !stopped.getAsBoolean())
                .mapToObj(i -> {
                    AbcTune tune = tunes.get(i);
                    Arrangement grown = tune.arrangement().filter(a -> a.instrument().id().equals(instrument.id()))
                            .orElseGet(() -> Documents.grown(tune.tune(), instrument));
                    progress.accept(done.incrementAndGet());
                    return grown;
                })
                .toList();
    }
}
