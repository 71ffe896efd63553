package wildflourish.app.bench;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.desk.DeskApplication;
import wildflourish.app.trellis.Openings;
import wildflourish.app.work.Aside;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Keeper;
import wildflourish.library.Library;

/** How long a tune with 20,000 editions takes to open, and what it holds afterwards. Run with {@code -Dtest=EditionsProbe}. */
public class EditionsProbe {

    private static final int EDITIONS = 20_000;

    @Test
    void open(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("library.db");
        long tune = fill(folder, file);
        try (Keeper keeper = new Keeper(Library.open(file), new Aside(folder), System.err::println)) {
            Openings.open(keeper, tune);
            for (int run = 0; run < 4; run++) {
                long before = held();
                long began = System.nanoTime();
                Openings.Opened opened = Openings.open(keeper, tune);
                double ms = (System.nanoTime() - began) / 1e6;
                System.out.printf("%,d editions opened in %.0f ms, holding %.1f MB (%d)%n", EDITIONS, ms, (held() - before) / 1e6, opened.tune());
            }
        }
    }

    /** A tune of the demo class with its ladder, edited so many times. */
    private static long fill(Path folder, Path file) throws Exception {
        long tune;
        String document;
        try (Library library = Library.open(file)) {
            DeskApplication.fillWithDemo(library);
            tune = library.tunes().all().read().getFirst().id();
        }
        try (Keeper keeper = new Keeper(Library.open(file), new Aside(folder), System.err::println)) {
            document = Documents.write(Openings.open(keeper, tune).arrangement());
        }
        try (Library library = Library.open(file)) {
            long edition = library.tunes().current(tune).id();
            for (int i = 0; i < EDITIONS; i++) {
                edition = library.tunes().save(tune, edition, "edit " + i, document.replace("\nQ:", "\n%" + i + "\nQ:")).edition().id();
            }
        }
        return tune;
    }

    private static long held() throws InterruptedException {
        System.gc();
        Thread.sleep(200);
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
