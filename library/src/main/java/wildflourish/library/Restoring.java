package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/** Puts a back-up in a library's place: examined and made ready beside it first, what is there kept, and then in one step. */
final class Restoring {

    private final Backups backups;
    private final Path library;
    private final Clock clock;

    Restoring(Backups backups, Path library, Clock clock) {
        this.backups = backups;
        this.library = library;
        this.clock = clock;
    }

    /** As {@link Backups#restore(Path, Predicate, boolean, Progress)}. */
    Backups.Restored restore(Path backup, Predicate<String> reads, boolean force, Progress progress) {
        try {
            PrivateFiles.createFolders(Objects.requireNonNull(library.getParent()));
            Path folder = library.resolveSibling(library.getFileName() + Backups.RESTORING + UUID.randomUUID());
            RecordingsSwap.clear(backups.recordings());
            PrivateFiles.createFolders(folder);
            try (Stage stage = Stage.of(backup, folder, true, progress)) {
                Examination found = stage.examine(backup, reads);
                if (!found.isSound() && !force) {
                    throw new LibraryFault("the back-up is damaged: %s; the library is as it was".formatted(found.inWords()), null);
                }
                return new Backups.Restored(found, putInPlace(stage, progress));
            }
        } catch (IOException | SQLException | JdbiException e) {
            throw new LibraryFault("the back-up could not be put in place (%s); the library is as it was: close every window of the program and try again"
                    .formatted(LibraryFault.said(e)), e);
        }
    }

    private Optional<Path> putInPlace(Stage stage, Progress progress) throws IOException, SQLException {
        Optional<Path> before = Files.exists(library) ? Optional.of(setAside(progress)) : Optional.empty();
        Optional<Identity> next = stage.makeReady(changes());
        Optional<RecordingsSwap> swap = Optional.empty();
        if (next.isPresent() && stage.recordings().isPresent()) {
            swap = Optional.of(RecordingsSwap.prepare(backups.recordings(), next.get(), stage.recordings().get()));
        }
        if (isWhole()) {
            new LibraryFile(library).restoreFrom(stage.file());
        } else {
            // What cannot be opened cannot be written into either; it is set aside under its own name already.
            Files.deleteIfExists(new LibraryFile(library).journal());
            Files.move(stage.file(), library, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        }
        if (swap.isPresent()) {
            swap.get().finish();
        }
        return before;
    }

    private boolean isWhole() throws IOException {
        if (!Files.isRegularFile(library) || Files.size(library) == 0) {
            return false;
        }
        try (Handle handle = new LibraryFile(library).open()) {
            return Schema.look(handle).version() > 0;
        } catch (JdbiException | LibraryFault e) {
            return false;
        }
    }

    /** How far the library is, and all its copies with it: what comes after a restore counts on from there. */
    private long changes() {
        long copied = Stream.concat(backups.all().stream(), backups.beforeRestores().stream()).mapToLong(h -> h.identity().changes()).max().orElse(0);
        return Math.max(copied, new LibraryFile(library).identity().map(Identity::changes).orElse(0L));
    }

    /** Keeps what is there: whole, with its recordings where there are any; as it lies, where it is too damaged for that. */
    private Path setAside(Progress progress) throws IOException {
        boolean recordings = !Archive.recordings(backups.recordings()).isEmpty();
        Path aside = free(library.resolveSibling(library.getFileName() + Backups.BEFORE_RESTORE + LocalDate.now(clock)), recordings ? ".zip" : "");
        try {
            backups.write(aside, progress);
        } catch (LibraryFault damaged) {
            aside = free(library.resolveSibling(library.getFileName() + Backups.BEFORE_RESTORE + LocalDate.now(clock)), "");
            LibraryFile from = new LibraryFile(library);
            LibraryFile to = new LibraryFile(aside);
            Files.copy(from.file(), to.file());
            PrivateFiles.makePrivate(to.file());
            if (from.wasLeftOpen()) {
                Files.copy(from.journal(), to.journal());
                PrivateFiles.makePrivate(to.journal());
            }
        }
        return aside;
    }

    private static Path free(Path wanted, String ending) {
        Path free = wanted.resolveSibling(wanted.getFileName() + ending);
        for (int n = 2; Files.exists(free); n++) {
            free = wanted.resolveSibling("%s-%d%s".formatted(wanted.getFileName(), n, ending));
        }
        return free;
    }
}
