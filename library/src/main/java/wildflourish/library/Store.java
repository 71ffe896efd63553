package wildflourish.library;

import java.io.IOException;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * The one connection to the file: whatever is asked of it runs one after another, and each change is one transaction or nothing. A
 * connection that failed with its disk is given up for a new one, for the disk may be back: a stick that was pulled out and put in again.
 * Another library in the place of the one that was opened is neither read nor written.
 */
final class Store implements AutoCloseable {

    private final LibraryFile file;
    private Handle handle;
    private boolean closed;
    private boolean anotherIsThere;
    /** Which library was opened, with the changes seen so far; empty when that part of it is damaged. */
    private Optional<Identity> known;
    /** The file as it was when it was looked at last, and what it said then without its journal. */
    private Optional<LibraryFile.Stamp> stamp;
    private Optional<Identity> inFile;
    private long version;

    Store(LibraryFile file, Handle handle) {
        this.file = file;
        this.handle = handle;
        this.known = Identity.of(handle);
        this.stamp = file.stamp();
        this.inFile = file.identityWithoutJournal();
        this.version = version(handle);
    }

    /** A number that changes whenever another connection has changed the library. */
    private static long version(Handle handle) {
        try {
            return handle.createQuery("PRAGMA data_version").mapTo(Long.class).one();
        } catch (JdbiException damaged) {
            return -1;
        }
    }

    /** Asks what is to be asked; where the connection fails with the disk, once more over a new one. */
    private <T> T ask(Function<Handle, T> question) {
        if (anotherIsThere) {
            throw LibraryFault.anotherLibrary();
        }
        if (closed) {
            return question.apply(handle);
        }
        if (!handle.isClosed()) {
            lookAtTheFile();
        }
        if (!handle.isClosed()) {
            try {
                lookForChanges();
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

    /** Whether it is still the file that was opened. One that is gone or was changed for another is given up. */
    private void lookAtTheFile() {
        Optional<LibraryFile.Stamp> now = file.stamp();
        if (now.equals(stamp)) {
            return;
        }
        boolean moved = now.isPresent() && stamp.isPresent() && !Objects.equals(now.get().key(), stamp.get().key());
        if (now.isEmpty() || moved) {
            leave(moved);
            return;
        }
        Optional<Identity> says = file.identityWithoutJournal();
        if (isKnown(inFile) && says.filter(s -> inFile.get().isReplacedBy(s)).isPresent()) {
            anotherIsThere(isKnown(Identity.of(handle)));
        }
        stamp = now;
        inFile = says.or(() -> inFile);
    }

    /**
     * Leaves the file that was opened, wherever it is by now: it gets all that was written to it.
     *
     * @param forAnother whether another file is in its place, beside which its journal must not stay
     */
    private void leave(boolean forAnother) {
        try {
            handle.execute("PRAGMA wal_checkpoint(TRUNCATE)");
            if (forAnother) {
                file.emptyJournal();
            }
        } catch (JdbiException | IOException gone) {
            // Its disk is away: the journal stays with it.
        }
        closeQuietly();
    }

    private boolean isKnown(Optional<Identity> identity) {
        return identity.isPresent() && known.isPresent() && identity.get().id().equals(known.get().id());
    }

    /** Whether another program has put another library there. */
    private void lookForChanges() {
        long now = version(handle);
        if (now != version) {
            refuseAnother(handle);
            version = now;
        }
    }

    private void refuseAnother(Handle asked) {
        Optional<Identity> now = Identity.of(asked);
        if (known.isPresent() && now.isPresent() && known.get().isReplacedBy(now.get())) {
            anotherIsThere(false);
        }
    }

    /**
     * Gives up the connection for good.
     *
     * @param copiedOver whether the journal is still that of the library that was there before
     */
    private void anotherIsThere(boolean copiedOver) {
        anotherIsThere = true;
        if (copiedOver) {
            try {
                file.emptyJournal();
            } catch (IOException e) {
                // Then it cannot be closed without harm either: it stays open until the program ends.
                throw LibraryFault.anotherLibrary();
            }
        }
        closeQuietly();
        throw LibraryFault.anotherLibrary();
    }

    private void connect() {
        if (!file.answers()) {
            throw LibraryFault.away("the disk of the library does not answer, or the library's file is gone");
        }
        try {
            handle = file.open();
        } catch (IOException e) {
            throw LibraryFault.away("the library's file cannot be opened");
        }
        refuseAnother(handle);
        stamp = file.stamp();
        inFile = file.identityWithoutJournal();
        version = version(handle);
    }

    /** Goes on with what is in the file now, whatever it is. */
    synchronized void adopt(Handle other) {
        closeQuietly();
        handle = other;
        anotherIsThere = false;
        known = Identity.of(handle);
        stamp = file.stamp();
        inFile = file.identityWithoutJournal();
        version = version(handle);
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
            T value = ask(h -> transaction(h, counted(change)));
            seeChanges();
            return value;
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault(LibraryFault.reason(e) + "; what it held before is kept", e);
        }
    }

    /** A change of the library that was opened and of no other, counted in its own transaction. */
    private <T> Function<Handle, T> counted(Function<Handle, T> change) {
        return h -> {
            Optional<Identity> now = Identity.of(h);
            if (known.isPresent() && now.isPresent() && known.get().isReplacedBy(now.get())) {
                throw LibraryFault.anotherLibrary();
            }
            T value = change.apply(h);
            Identity.count(h);
            return value;
        };
    }

    /** Takes note of how far the library is; what was written to a file that had just been moved away was not written. */
    private void seeChanges() {
        Optional<LibraryFile.Stamp> now = file.stamp();
        if (now.isPresent() && stamp.isPresent() && !Objects.equals(now.get().key(), stamp.get().key())) {
            leave(true);
            connect();
        }
        known = Identity.of(handle).or(() -> known);
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

    /** Changes something in a transaction, and does around it what can be done in none. */
    synchronized void alone(Consumer<Handle> before, Consumer<Handle> change, Consumer<Handle> after) {
        try {
            ask(h -> {
                before.accept(h);
                transaction(h, counted(t -> {
                    change.accept(t);
                    return true;
                }));
                after.accept(h);
                return true;
            });
            seeChanges();
        } catch (JdbiException | IllegalStateException e) {
            throw new LibraryFault(LibraryFault.reason(e) + "; what it held before is kept", e);
        }
    }

    @Override
    public synchronized void close() {
        if (!closed && !anotherIsThere && !handle.isClosed()) {
            try {
                lookAtTheFile();
            } catch (LibraryFault another) {
                // It is closed already, with nothing written over what is there.
            }
        }
        closed = true;
        closeQuietly();
    }
}
