package wildflourish.library;

import java.util.function.Consumer;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/** The one connection to the file: whatever is asked of it runs one after another, and each change is one transaction or nothing. */
final class Store implements AutoCloseable {

    private final Handle handle;

    Store(Handle handle) {
        this.handle = handle;
    }

    /** Reads something; throws {@link LibraryFault} when the file cannot be read. */
    synchronized <T> T read(Function<Handle, T> question) {
        try {
            return question.apply(handle);
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault("the library could not be read; what is in it is as it was: look whether its disk is there, and try again", e);
        }
    }

    /** Changes something and gives what comes of it; throws {@link LibraryFault} when it cannot be written, and nothing is. */
    synchronized <T> T write(Function<Handle, T> change) {
        try {
            return transaction(handle, change);
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
            work.accept(handle);
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault(LibraryFault.reason(e) + "; what it held before is kept", e);
        }
    }

    @Override
    public synchronized void close() {
        handle.close();
    }
}
