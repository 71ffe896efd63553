package wildflourish.app.reading;

import java.util.ArrayList;
import java.util.List;
import wildflourish.app.work.Documents;
import wildflourish.core.reading.Reading;
import wildflourish.core.reading.Remembered;
import wildflourish.core.tune.Timeline;
import wildflourish.library.Library;
import wildflourish.library.TuneEntry;

/** Reads the tunes of a library, to know their phrases again. */
public final class Recollection {

    /** So many tunes are read at most, the first on the shelf, so that it never takes long. */
    private static final int MOST = 400;

    private Recollection() {}

    /** What the library's tunes hold. */
    public static Remembered of(Library library) {
        List<Reading> readings = new ArrayList<>();
        List<TuneEntry> tunes = library.tunes().all();
        for (TuneEntry entry : tunes.subList(0, Math.min(MOST, tunes.size()))) {
            var read = Documents.read(library.tunes().current(entry.id()).document());
            readings.add(Reading.of(Timeline.of(read.arrangement().map(a -> a.tune()).orElse(read.tune()))));
        }
        return new Remembered(readings);
    }
}
