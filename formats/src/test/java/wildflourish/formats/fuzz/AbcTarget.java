package wildflourish.formats.fuzz;

import java.nio.charset.StandardCharsets;
import java.util.List;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;

/** Bytes as a book of ABC: no exception, and each tune that is read is written so that it reads back equal. */
public final class AbcTarget {

    private AbcTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) {
        for (BookTune tune : AbcReader.read(bytes).tunes()) {
            readsBackEqual(tune);
        }
    }

    static void readsBackEqual(BookTune tune) {
        String written = tune.arrangement().map(a -> AbcWriter.write(a, 0)).orElseGet(() -> AbcWriter.write(tune.tune(), tune.unread()));
        List<BookTune> again = AbcReader.read(written.getBytes(StandardCharsets.UTF_8)).tunes();
        if (again.size() != 1 || !again.getFirst().tune().equals(tune.tune()) || !again.getFirst().arrangement().equals(tune.arrangement())
                || !again.getFirst().unread().equals(tune.unread())) {
            throw new IllegalStateException("does not read back equal:\n" + written);
        }
    }
}
