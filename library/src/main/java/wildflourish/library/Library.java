package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * An open library: its tunes, the drawer of own things, and the practice log. Methods may be called from any thread, and run one
 * after another; each writes one transaction or nothing.
 *
 * @see #open
 */
public final class Library implements AutoCloseable {

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
        try {
            Files.createDirectories(path.toAbsolutePath().getParent());
            boolean leftOpen = file.wasLeftOpen();
            Schema.Look look = file.look();
            Handle handle = file.open();
            try {
                if (look.isOld() && look.version() > 0) {
                    file.copy(handle, look.version());
                }
                if (look.isOld() || !look.named()) {
                    Schema.update(handle);
                }
            } catch (IOException | RuntimeException e) {
                handle.close();
                throw e;
            }
            return new Library(file, new Store(file, handle), clock, leftOpen);
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
        Path own = file.file().toAbsolutePath();
        return own.resolveSibling(own.getFileName().toString().replaceFirst("\\.[^.]*$", "") + "-" + name);
    }

    /** Its back-ups. */
    public Backups backups() {
        return new Backups(file.file(), clock);
    }

    /**
     * Puts what a back-up holds in the place of what the library holds, and goes on with that. Whatever was read of it before is out of date.
     *
     * @return where the library that was there is now
     * @throws LibraryFault when the back-up cannot be read or put there; the library is as it was then
     */
    public Path restore(Path backup) {
        Path aside = backups().restore(backup).orElseThrow();
        store.alone(h -> {
            if (Schema.version(h) < Schema.latest()) {
                Schema.update(h);
            }
        });
        return aside;
    }

    @Override
    public void close() {
        store.close();
    }
}
