package wildflourish.library;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * An open library: its tunes, the drawer of own things, and the practice log. Methods may be called from any thread, and run one
 * after another; each writes one transaction or nothing.
 *
 * @see #open
 */
public final class Library implements AutoCloseable {

    /** The folder of the recordings of its tunes is called so. */
    public static final String RECORDINGS = "recordings";
    /** Programs before this version of the tables left their files open to everybody. */
    private static final int FIRST_PRIVATE = 10;

    private final LibraryFile file;
    private final Store store;
    private final boolean leftOpen;
    private final Clock clock;
    private final Tunes tunes;
    private final Drawer drawer;
    private final Log log;
    private final Index index;
    private final People people;

    private Library(LibraryFile file, Store store, Clock clock, boolean leftOpen) {
        this.file = file;
        this.leftOpen = leftOpen;
        this.store = store;
        this.clock = clock;
        this.tunes = new Tunes(store, clock);
        this.drawer = new Drawer(store);
        this.log = new Log(store);
        this.index = new Index(store);
        this.people = new People(store, clock);
    }

    /**
     * Opens the library in a file, making the file and its folders when they are not there. Before its tables are brought to what
     * this program knows, a copy of it is kept beside it.
     *
     * @throws LibraryFault when the file is something else, is damaged, cannot be written, or was made by a newer program; it is
     *     unchanged then
     */
    public static Library open(Path file) {
        return open(file, Clock.systemUTC());
    }

    /** As {@link #open(Path)}, with a clock for the times of editions. */
    public static Library open(Path path, Clock clock) {
        LibraryFile file = new LibraryFile(path);
        return opening(path, () -> {
            PrivateFiles.createFolders(Objects.requireNonNull(path.toAbsolutePath().getParent()));
            boolean leftOpen = file.wasLeftOpen();
            Handle handle = ready(file);
            return new Library(file, new Store(file, handle), clock, leftOpen);
        });
    }

    /** Something that opens a library's file. */
    private interface Opening<T> {
        T open() throws IOException;
    }

    private static <T> T opening(Path path, Opening<T> opening) {
        try {
            return opening.open();
        } catch (LibraryFault e) {
            throw new LibraryFault("the library %s cannot be opened: %s".formatted(path, e.getMessage()), e.getCause());
        } catch (IOException e) {
            throw new LibraryFault("the folder of the library %s cannot be made or written to: choose another with --library"
                    .formatted(path), e);
        } catch (JdbiException e) {
            throw new LibraryFault(("the library %s cannot be opened (%s): it may be another kind of file, or damaged, or "
                    + "read-only; choose another with --library, or put a copy back in its place").formatted(path, LibraryFault.reason(e)), e);
        }
    }

    /** Opens a file and brings its tables to what this program knows; a copy of what an earlier one made is kept first. */
    private static Handle ready(LibraryFile file) throws IOException {
        file.refuseLoneJournal();
        Schema.Look look = file.look();
        Handle handle = file.open();
        try {
            if (look.isOld() && look.version() > 0) {
                file.copy(handle, look.version());
            }
            if (look.isOld() || !look.named()) {
                Schema.update(handle);
                if (look.version() > 0 && look.version() < FIRST_PRIVATE) {
                    PrivateFiles.makePrivate(file.file());
                }
                // What the file says of itself is in the file, not in its journal alone.
                handle.execute("PRAGMA wal_checkpoint(TRUNCATE)");
            }
            Optional<Identity> identity = Identity.of(handle);
            if (identity.isPresent()) {
                RecordingsSwap.finish(Backups.folder(file.file(), RECORDINGS), identity.get());
            }
            return handle;
        } catch (IOException | RuntimeException e) {
            handle.close();
            throw e;
        }
    }

    /** Whether its last program, or the machine, ended without closing it: then it wants to be examined. */
    public boolean wasLeftOpen() {
        return leftOpen;
    }

    /**
     * Examines the whole file, beside whatever else is done: what is damaged, in words; empty when it is whole. Takes as long as
     * reading the file does.
     *
     * @throws LibraryFault when it cannot be read at all
     */
    public Optional<String> examine() {
        try {
            List<String> found = file.examine();
            return found.isEmpty() ? Optional.empty() : Optional.of(("the library's file is damaged (%s): make a copy of %s now, and put a "
                    + "back-up in its place; what can be read is here").formatted(found.getFirst(), file.file()));
        } catch (JdbiException e) {
            throw new LibraryFault("the library's file could not be examined: make a copy of %s now".formatted(file.file()), e);
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

    /** Those who learn. */
    public People people() {
        return people;
    }

    /** What tunes are found by. */
    public Index index() {
        return index;
    }

    /** The file that it is kept in. */
    public Path file() {
        return file.file();
    }

    /** The folder beside it, of its own name, for what is kept in files. */
    public Path folder(String name) {
        return Backups.folder(file.file(), name);
    }

    /** Its back-ups. */
    public Backups backups() {
        return new Backups(file.file(), clock);
    }

    /**
     * Puts what a back-up holds in the place of what the library holds, and goes on with that. Whatever was read of it before is out of date.
     *
     * @param reads whether the document of a tune makes sense
     * @param force whether a damaged back-up is put there too
     * @throws LibraryFault when the back-up cannot be read or put there, or is damaged and not forced; the library is as it was then
     */
    public Backups.Restored restore(Path backup, Predicate<String> reads, boolean force, Progress progress) {
        Backups.Restored restored = backups().restore(backup, reads, force, progress);
        openWhatIsThere();
        return restored;
    }

    /**
     * Goes on with the library that is in the file's place now, after {@link LibraryFault#isAnotherLibrary()} said that it is another one.
     * Whatever was read of the one before is out of date.
     *
     * @throws LibraryFault when it cannot be opened
     */
    public void openWhatIsThere() {
        store.adopt(opening(file.file(), () -> ready(file)));
    }

    @Override
    public void close() {
        store.close();
    }
}
