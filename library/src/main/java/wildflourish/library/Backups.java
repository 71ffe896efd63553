package wildflourish.library;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jdbi.v3.core.JdbiException;

/** Back-ups of a library: whole copies of its file, one a day on which it changed, and wherever one is asked for. */
public final class Backups {

    private static final int KEPT = 7;
    private static final String MARK = ".backup-";
    private static final String PART = ".part";

    private final Path library;
    private final Clock clock;

    /** The back-ups of a library's file. */
    public Backups(Path library, Clock clock) {
        this.library = library.toAbsolutePath();
        this.clock = clock;
    }

    /**
     * What a back-up holds.
     *
     * @param latest when the latest edition in it was made, as it is written there; empty without any
     */
    public record Holding(Path file, int tunes, int editions, int passes, Optional<String> latest) {

        /** For reading. */
        public String inWords() {
            return "%d tune%s with %d edition%s, %d practised pass%s%s".formatted(tunes, tunes == 1 ? "" : "s", editions, editions == 1 ? "" : "s", passes,
                    passes == 1 ? "" : "es", latest.map(l -> ", the latest edition of " + l.substring(0, Math.min(16, l.length())).replace('T', ' ')).orElse(""));
        }
    }

    /**
     * Writes a whole copy of the library to a file, whole or not at all.
     *
     * @throws LibraryFault when it cannot be read or the copy cannot be written
     */
    public Holding write(Path to) {
        if (!Files.isRegularFile(library)) {
            throw new LibraryFault("there is no library at %s".formatted(library), null);
        }
        Path part = part(to);
        try {
            Files.createDirectories(to.toAbsolutePath().getParent());
            Files.deleteIfExists(part);
            new LibraryFile(library).copyTo(part);
            try (FileChannel written = FileChannel.open(part, StandardOpenOption.WRITE)) {
                written.force(true);
            }
            Holding holding = look(part);
            Files.move(part, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            return new Holding(to, holding.tunes(), holding.editions(), holding.passes(), holding.latest());
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("the back-up %s could not be written; the library is as it was".formatted(to), e);
        } finally {
            try {
                Files.deleteIfExists(part);
            } catch (IOException e) {
                // It is replaced by the next one.
            }
        }
    }

    /** Writes today's back-up beside the library unless there is one that holds as much; the oldest above {@value #KEPT} go. */
    public Optional<Holding> daily() {
        LocalDate today = LocalDate.now(clock);
        Path to = library.resolveSibling(library.getFileName() + MARK + today);
        if (!Files.isRegularFile(library)) {
            return Optional.empty();
        }
        dropPieces(to);
        Optional<Holding> last = all().stream().findFirst();
        Holding now = look(library);
        boolean same = last.filter(l -> l.tunes() == now.tunes() && l.editions() == now.editions() && l.passes() == now.passes() && l.latest().equals(now.latest())).isPresent();
        if (same || now.tunes() == 0) {
            return Optional.empty();
        }
        Holding written = write(to);
        List<Path> old = files();
        for (Path file : old.subList(Math.min(KEPT, old.size()), old.size())) {
            try {
                Files.deleteIfExists(file);
            } catch (IOException e) {
                // One back-up too many does no harm.
            }
        }
        return Optional.of(written);
    }

    /** What a killed program left of earlier days' back-ups is no copy, and holds what has been taken out since; today's may be under way in another window. */
    private void dropPieces(Path today) {
        beside().filter(f -> f.toString().endsWith(PART) && !f.equals(part(today))).forEach(piece -> {
            try {
                Files.deleteIfExists(piece);
            } catch (IOException e) {
                // The next day tries again.
            }
        });
    }

    private static Path part(Path of) {
        return of.resolveSibling(of.getFileName() + PART);
    }

    /** The back-ups beside the library that can be read, the newest first. */
    public List<Holding> all() {
        return files().stream().flatMap(f -> {
            try {
                return Stream.of(look(f));
            } catch (LibraryFault e) {
                return Stream.empty();
            }
        }).toList();
    }

    private List<Path> files() {
        return beside().filter(f -> !f.toString().endsWith(PART)).sorted(Comparator.comparing((Path f) -> f.getFileName().toString()).reversed()).toList();
    }

    /** The back-ups, and pieces of them, in no order. */
    private Stream<Path> beside() {
        try (Stream<Path> all = Files.list(library.getParent())) {
            return all.filter(f -> f.getFileName().toString().startsWith(library.getFileName() + MARK)).toList().stream();
        } catch (IOException e) {
            return Stream.empty();
        }
    }

    /**
     * What a file holds, changing nothing in it.
     *
     * @throws LibraryFault when it is no library, or a newer program's, or damaged
     */
    public static Holding look(Path file) {
        try {
            if (!Files.isRegularFile(file)) {
                throw new NoSuchFileException(file.toString());
            }
            return new LibraryFile(file).holding();
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("%s is no library that can be read".formatted(file), e);
        }
    }

    /**
     * Puts what a back-up holds in the place of what the library holds, which is kept beside it.
     *
     * @return where the library that was there is now; empty where there was none
     * @throws LibraryFault when the back-up cannot be read or put there; the library is as it was then
     */
    public Optional<Path> restore(Path backup) {
        look(backup);
        try {
            if (!Files.exists(library)) {
                Files.createDirectories(library.getParent());
                Path part = library.resolveSibling(library.getFileName() + ".restoring");
                Files.copy(backup, part, StandardCopyOption.REPLACE_EXISTING);
                Files.move(part, library, StandardCopyOption.ATOMIC_MOVE);
                return Optional.empty();
            }
            Path aside = free(library.resolveSibling(library.getFileName() + ".before-restore-" + LocalDate.now(clock)));
            write(aside);
            new LibraryFile(library).restoreFrom(backup);
            return Optional.of(aside);
        } catch (IOException | SQLException | JdbiException e) {
            throw new LibraryFault("the back-up could not be put in place; the library is as it was: close every window of the program and try again", e);
        }
    }

    private static Path free(Path wanted) {
        Path free = wanted;
        for (int n = 2; Files.exists(free); n++) {
            free = wanted.resolveSibling(wanted.getFileName() + "-" + n);
        }
        return free;
    }
}
