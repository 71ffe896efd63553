package wildflourish.app.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.app.work.Documents;
import wildflourish.core.reading.Reading;
import wildflourish.core.reading.Remembered;
import wildflourish.core.tune.Timeline;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.TuneEntry;

/** Reads the tunes of a library, to know their phrases again. */
public final class Recollection {

    /** So many tunes are read at most, the first on the shelf, so that it never takes long. */
    private static final int MOST = 400;

    private Recollection() {}

    /** What the library's tunes hold. */
    public static Remembered of(Library library) {
        List<Reading> readings = new ArrayList<>();
        List<TuneEntry> tunes = library.tunes().all().read();
        for (TuneEntry entry : tunes.subList(0, Math.min(MOST, tunes.size()))) {
            reading(library, entry.id()).ifPresent(readings::add);
        }
        return new Remembered(readings);
    }

    /** How a tune reads; nothing where it cannot be read: whoever opens it is told. */
    private static Optional<Reading> reading(Library library, long tune) {
        try {
            var read = Documents.read(library.tunes().current(tune).document());
            return Optional.of(Reading.of(Timeline.of(read.arrangement().map(a -> a.tune()).orElse(read.tune()))));
        } catch (LibraryFault | IllegalStateException e) {
            return Optional.empty();
        }
    }
}
