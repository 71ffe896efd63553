package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * A back-up taken to a private folder, to be examined and made ready there: the back-up itself is never opened, and a file that was
 * copied by hand is read with its journal, as it was meant.
 */
final class Stage implements AutoCloseable {

    private final Path folder;
    private final LibraryFile library;
    private final int recordings;
    private final List<String> faults;
    private final boolean archive;

    private Stage(Path folder, LibraryFile library, boolean archive, int recordings, List<String> faults) {
        this.folder = folder;
        this.library = library;
        this.archive = archive;
        this.recordings = recordings;
        this.faults = faults;
    }

    /**
     * Takes a back-up there.
     *
     * @param folder a new private one, which goes again when this is closed
     * @param withRecordings whether its recordings are taken too
     * @throws LibraryFault where it is no back-up that can be read at all
     */
    static Stage of(Path backup, Path folder, boolean withRecordings, Progress progress) throws IOException {
        try {
            if (!Files.isRegularFile(backup)) {
                if (new LibraryFile(backup).wasLeftOpen()) {
                    throw new LibraryFault("%s is missing; only its journal is there: put the file beside it".formatted(backup), null);
                }
                throw new NoSuchFileException(backup.toString());
            }
            if (Archive.is(backup)) {
                Archive.Unpacked unpacked = Archive.unpack(backup, folder, withRecordings ? Optional.of(folder.resolve("recordings")) : Optional.empty(), progress);
                return new Stage(folder, new LibraryFile(unpacked.library()), true, unpacked.recordings(), unpacked.faults());
            }
            LibraryFile from = new LibraryFile(backup);
            LibraryFile to = new LibraryFile(folder.resolve("library.db"));
            copy(from.file(), to.file());
            if (from.wasLeftOpen()) {
                copy(from.journal(), to.journal());
            }
            return new Stage(folder, to, false, 0, List.of());
        } catch (IOException | RuntimeException e) {
            clear(folder);
            throw e;
        }
    }

    private static void copy(Path from, Path to) throws IOException {
        PrivateFiles.createFile(to);
        try (var in = Files.newInputStream(from); var out = Files.newOutputStream(to)) {
            in.transferTo(out);
        }
    }

    /** Examines all of it. */
    Examination examine(Path backup, Predicate<String> reads) throws IOException {
        if (library.look().version() == 0) {
            throw new LibraryFault("%s is empty: there is no library in it".formatted(backup), null);
        }
        try (Handle handle = library.open()) {
            return Examination.of(library, handle, recordings, reads, faults);
        }
    }

    /** Brings its tables to what this program knows, and makes it a library of its own; which one it is then. */
    Optional<Identity> makeReady(long changes) throws IOException {
        boolean old = library.look().isOld();
        try (Handle handle = library.open()) {
            if (old) {
                Schema.update(handle);
            }
            try {
                long own = Identity.of(handle).map(Identity::changes).orElse(0L);
                Identity.renew(handle, Math.max(own, changes) + 1);
            } catch (JdbiException e) {
                // Where that part of it is damaged it has none: the rest is put back all the same when the teacher wants it.
                LibraryFault.unlessDamaged(library, e);
            }
            handle.execute("PRAGMA wal_checkpoint(TRUNCATE)");
            return Identity.of(handle);
        }
    }

    /** The library's file here. */
    Path file() {
        return library.file();
    }

    /** The folder of its recordings; empty where the back-up is a library alone, which says nothing of them. */
    Optional<Path> recordings() throws IOException {
        if (!archive) {
            return Optional.empty();
        }
        Path own = folder.resolve("recordings");
        PrivateFiles.createFolders(own);
        return Optional.of(own);
    }

    @Override
    public void close() {
        clear(folder);
    }

    /** Deletes a folder and what is in it. */
    static void clear(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(one);
            }
        } catch (IOException e) {
            // What is left is cleared away the next time.
        }
    }
}
