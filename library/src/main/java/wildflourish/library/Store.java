package wildflourish.library;

import java.util.function.Consumer;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;

/** The one connection to the file: whatever is asked of it runs one after another, and each change is one transaction or nothing. */
final class Store implements AutoCloseable {

    private final Handle handle;

    Store(Jdbi jdbi) {
        this.handle = jdbi.open();
    }

    /** Reads something; throws {@link LibraryFault} when the file cannot be read. */
    synchronized <T> T read(Function<Handle, T> question) {
        try {
            return question.apply(handle);
        } catch (JdbiException e) {
            throw new LibraryFault("the library could not be read; what is in it is as it was: look whether its disk is there, and try again", e);
        }
    }

    /** Changes something and gives what comes of it; throws {@link LibraryFault} when it cannot be written, and nothing is. */
    synchronized <T> T write(Function<Handle, T> change) {
        try {
            return handle.inTransaction(change::apply);
        } catch (JdbiException e) {
            throw new LibraryFault("the library could not be written; what it held before is kept", e);
        }
    }

    /** As {@link #write}, where nothing comes of it. */
    void change(Consumer<Handle> change) {
        write(h -> {
            change.accept(h);
            return true;
        });
    }

    @Override
    public synchronized void close() {
        handle.close();
    }
}
