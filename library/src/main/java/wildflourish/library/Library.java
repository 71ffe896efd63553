package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/**
 * An open library: its tunes, the drawer of own things, and the practice log. Methods may be called from any thread, and run one
 * after another; each writes one transaction or nothing.
 *
 * @see #open
 */
public final class Library implements AutoCloseable {

    private static final int WAIT_MS = 5000;

    private final Store store;
    private final Tunes tunes;
    private final Drawer drawer;
    private final Log log;

    private Library(Store store, Clock clock) {
        this.store = store;
        this.tunes = new Tunes(store, clock);
        this.drawer = new Drawer(store);
        this.log = new Log(store);
    }

    /**
     * Opens the library in a file, making the file and its folders when they are not there.
     *
     * @throws LibraryFault when the file is something else, is damaged, cannot be written, or was made by a newer program
     */
    public static Library open(Path file) {
        return open(file, Clock.systemUTC());
    }

    /** As {@link #open(Path)}, with a clock for the times of editions. */
    public static Library open(Path file, Clock clock) {
        try {
            Path folder = file.toAbsolutePath().getParent();
            Files.createDirectories(folder);
            SQLiteConfig config = new SQLiteConfig();
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.NORMAL);
            config.setBusyTimeout(WAIT_MS);
            config.enforceForeignKeys(true);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
            SQLiteDataSource source = new SQLiteDataSource(config);
            source.setUrl("jdbc:sqlite:" + file.toAbsolutePath());
            Jdbi jdbi = Jdbi.create(source);
            Schema.update(jdbi);
            return new Library(new Store(jdbi), clock);
        } catch (IOException e) {
            throw new LibraryFault("the folder of the library %s cannot be made: choose another with --library"
                    .formatted(file), e);
        } catch (JdbiException e) {
            throw new LibraryFault(("the library %s cannot be opened: it may be another kind of file, or damaged, or "
                    + "read-only; choose another with --library, or put a copy back in its place").formatted(file), e);
        }
    }

    /** The tunes and their editions. */
    public Tunes tunes() {
        return tunes;
    }

    /** The teacher's own things. */
    public Drawer drawer() {
        return drawer;
    }

    /** What has been practised. */
    public Log log() {
        return log;
    }

    @Override
    public void close() {
        store.close();
    }
}
