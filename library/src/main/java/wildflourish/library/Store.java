package wildflourish.library;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * The one connection to the file: whatever is asked of it runs one after another, and each change is one transaction or nothing. A
 * connection that failed with its disk is given up for a new one, for the disk may be back: a stick that was pulled out and put in again.
 */
final class Store implements AutoCloseable {

    private final LibraryFile file;
    /** By which the library is known that lies in the file; empty when that cannot be told. */
    private final Optional<String> mark;
    private Handle handle;
    private boolean closed;

    Store(LibraryFile file, Handle handle) {
        this.file = file;
        this.handle = handle;
        this.mark = mark(handle);
    }

    /** When its first edition was made: no two libraries share that, but a library and its back-ups. */
    private static Optional<String> mark(Handle handle) {
        try {
            return handle.createQuery("SELECT made_at FROM edition ORDER BY id LIMIT 1").mapTo(String.class).findOne();
        } catch (JdbiException damaged) {
            return Optional.empty();
        }
    }

    /** Asks what is to be asked; where the connection fails with the disk, once more over a new one. */
    private <T> T ask(Function<Handle, T> question) {
        if (closed || !handle.isClosed()) {
            try {
                return question.apply(handle);
            } catch (JdbiException e) {
                if (!LibraryFault.isOfTheDisk(e)) {
                    throw e;
                }
                closeQuietly();
            }
        }
        connect();
        return question.apply(handle);
    }

    private void connect() {
        if (!file.answers()) {
            throw LibraryFault.away("the disk of the library does not answer");
        }
        handle = file.open();
        Optional<String> found = mark(handle);
        if (mark.isPresent() && found.isPresent() && !mark.equals(found)) {
            closeQuietly();
            throw LibraryFault.away("another library lies in the place of the one that was opened");
        }
    }

    private void closeQuietly() {
        try {
            handle.close();
        } catch (JdbiException gone) {
            // With its disk away there is nothing left to close.
        }
    }

    /** Reads something; throws {@link LibraryFault} when the file cannot be read. */
    synchronized <T> T read(Function<Handle, T> question) {
        try {
            return ask(question);
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault("the library could not be read; what is in it is as it was: look whether its disk is there, and try again", e);
        }
    }

    /** Changes something and gives what comes of it; throws {@link LibraryFault} when it cannot be written, and nothing is. */
    synchronized <T> T write(Function<Handle, T> change) {
        try {
            return ask(h -> transaction(h, change));
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault(LibraryFault.reason(e) + "; what it held before is kept", e);
        }
    }

    /**
     * Does it whole or not at all. The words are sent as they are: the driver counts a transaction as begun when it has asked for
     * one, also where another program holds the file and none has begun, and nothing would be whole from then on.
     */
    static <T> T transaction(Handle handle, Function<Handle, T> change) {
        handle.execute("BEGIN IMMEDIATE");
        boolean done = false;
        try {
            T value = change.apply(handle);
            handle.execute("COMMIT");
            done = true;
            return value;
        } finally {
            if (!done) {
                rollBack(handle);
            }
        }
    }

    private static void rollBack(Handle handle) {
        try {
            handle.execute("ROLLBACK");
        } catch (JdbiException alreadyDone) {
            // On a full disk SQLite has taken everything back by itself.
        }
    }

    /** As {@link #write}, where nothing comes of it. */
    void change(Consumer<Handle> change) {
        write(h -> {
            change.accept(h);
            return true;
        });
    }

    /** Does something that makes transactions of its own. */
    synchronized void alone(Consumer<Handle> work) {
        try {
            ask(h -> {
                work.accept(h);
                return true;
            });
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault(LibraryFault.reason(e) + "; what it held before is kept", e);
        }
    }

    @Override
    public synchronized void close() {
        closed = true;
        closeQuietly();
    }
}
