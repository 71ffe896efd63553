package wildflourish.app.work;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.book.BookTune;

/** Grows a whole book of tunes, on as many cores as there are. */
public final class BookGrowth {

    private BookGrowth() {}

    /** As below, each tune at its own tempo, level and school as usual; one that has a ladder for the instrument keeps it. */
    public static List<Arrangement> grow(
            List<BookTune> tunes, Instrument instrument, IntConsumer progress, BooleanSupplier stopped) {
        return grow(tunes, tune -> tune.arrangement().filter(a -> a.instrument().id().equals(instrument.id()))
                .orElseGet(() -> Documents.grown(tune, instrument)), progress, stopped);
    }

    /**
     * A ladder for each tune of a book, in its order.
     *
     * @param grown the arrangement of a tune with its ladder, for an instrument, a tempo, a level and schools
     * @param progress told how many tunes are done, from any thread
     * @param stopped asked before each tune; once it says so, the tunes that are not done yet are left out
     */
    public static List<Arrangement> grow(
            List<BookTune> tunes, Function<BookTune, Arrangement> grown, IntConsumer progress, BooleanSupplier stopped) {
        AtomicInteger done = new AtomicInteger();
        return IntStream.range(0, tunes.size()).parallel()
                .filter(i -> !stopped.getAsBoolean())
                .mapToObj(i -> {
                    Arrangement one = grown.apply(tunes.get(i));
                    progress.accept(done.incrementAndGet());
                    return one;
                })
                .toList();
    }
}
