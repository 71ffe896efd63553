package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jdbi.v3.core.JdbiException;

/**
 * Back-ups of a library: whole copies of its file, one a day on which it changed, and wherever one is asked for, with its recordings where
 * it is an archive. A copy is private to its user.
 */
public final class Backups {

    /** What is written by and by is called so until it is whole. */
    static final String PART = ".part";
    private static final int KEPT = 7;
    private static final String DAILY = ".backup-";
    static final String BEFORE_RESTORE = ".before-restore-";
    static final String RESTORING = ".restoring-";

    /** The latest made first: by how many changes the library had seen; copies of before version 10 by their newest edition. */
    private static final Comparator<Holding> LATEST_FIRST = Comparator.comparingLong((Holding h) -> h.identity().changes())
            .thenComparingLong(Holding::newestEdition).thenComparing(h -> h.file().getFileName().toString()).reversed();

    private final Path library;
    private final Clock clock;

    /** The back-ups of a library's file. */
    public Backups(Path library, Clock clock) {
        this.library = library.toAbsolutePath();
        this.clock = clock;
    }

    /** The folder beside a library, of its own name, for what is kept in files. */
    static Path folder(Path library, String name) {
        Path own = library.toAbsolutePath();
        return own.resolveSibling(own.getFileName().toString().replaceFirst("\\.[^.]*$", "") + "-" + name);
    }

    Path recordings() {
        return folder(library, "recordings");
    }

    /** As {@link #write(Path, Progress)}, watched by nobody. */
    public Holding write(Path to) {
        return write(to, Progress.NONE);
    }

    /**
     * Writes a whole copy of the library to a file, whole or not at all; one that ends in {@code .zip} is an archive with the recordings.
     *
     * @throws LibraryFault when it cannot be read, the copy cannot be written, or the file is the library itself
     */
    public Holding write(Path to, Progress progress) {
        if (!Files.isRegularFile(library)) {
            throw new LibraryFault("there is no library at %s".formatted(library), null);
        }
        try {
            Path place = behindLink(to.toAbsolutePath());
            refuseItself(place);
            PrivateFiles.createFolders(Objects.requireNonNull(place.getParent()));
            Path part = place.resolveSibling(place.getFileName() + PART);
            Path copy = place.resolveSibling(place.getFileName() + ".library" + PART);
            try {
                Files.deleteIfExists(part);
                Files.deleteIfExists(copy);
                new LibraryFile(library).copyTo(copy);
                Holding holding = look(copy);
                if (Archive.isNamedSo(place)) {
                    PrivateFiles.createFile(part);
                    Archive.write(part, copy, recordings(), clock.instant(), progress);
                    LibraryFile.toDisk(part);
                } else {
                    Files.move(copy, part);
                }
                Files.move(part, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
                return holding.in(to);
            } finally {
                Files.deleteIfExists(part);
                Files.deleteIfExists(copy);
            }
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("the back-up %s could not be written; the library is as it was".formatted(to), e);
        }
    }

    private static Path behindLink(Path to) throws IOException {
        return Files.exists(to) ? to.toRealPath() : Files.isSymbolicLink(to) ? to.resolveSibling(Files.readSymbolicLink(to)) : to;
    }

    /** A copy over its own original, under whatever name and behind whatever link, would be the end of both. */
    private void refuseItself(Path place) throws IOException {
        LibraryFile own = new LibraryFile(library);
        Path journal = own.journal();
        Path real = library.toRealPath();
        for (Path used : List.of(library, journal, own.index(), real, new LibraryFile(real).journal(), new LibraryFile(real).index())) {
            if (place.equals(used) || Files.exists(place) && Files.exists(used) && Files.isSameFile(place, used)) {
                throw new LibraryFault("%s is the library itself: give the back-up another name".formatted(place), null);
            }
        }
    }

    /** Writes today's back-up beside the library unless the latest one holds the same; of those above {@value #KEPT} the first made go. */
    public Optional<Holding> daily() {
        Path to = library.resolveSibling(library.getFileName() + DAILY + LocalDate.now(clock));
        if (!Files.isRegularFile(library)) {
            return Optional.empty();
        }
        dropPieces(to);
        Holding now = look(library);
        List<Holding> before = all();
        if (now.empty() || before.stream().findFirst().filter(l -> l.identity().holdsTheSameAs(now.identity())).isPresent()) {
            return Optional.empty();
        }
        Holding written = write(to);
        List<Holding> others = before.stream().filter(b -> !b.file().equals(to)).toList();
        for (Holding old : others.subList(Math.min(KEPT - 1, others.size()), others.size())) {
            try {
                Files.deleteIfExists(old.file());
            } catch (IOException e) {
                // One back-up too many does no harm.
            }
        }
        return Optional.of(written);
    }

    /** What a killed program left of earlier copies is no copy, and holds what has been taken out since; today's may be under way in another window. */
    private void dropPieces(Path today) {
        named("").filter(f -> f.toString().endsWith(PART) && !f.toString().startsWith(today.toString())).forEach(Backups::drop);
        named(RESTORING).filter(Files::isDirectory).forEach(Stage::clear);
    }

    private static void drop(Path piece) {
        try {
            Files.deleteIfExists(piece);
        } catch (IOException e) {
            // The next day tries again.
        }
    }

    /** The back-ups of each day beside the library that can be read, the latest made first. */
    public List<Holding> all() {
        return readable(DAILY);
    }

    /** The copies that were made before each restore, the latest made first. */
    public List<Holding> beforeRestores() {
        return readable(BEFORE_RESTORE);
    }

    private List<Holding> readable(String mark) {
        return named(mark).filter(f -> !f.toString().endsWith(PART)).flatMap(f -> {
            try {
                return Stream.of(look(f));
            } catch (LibraryFault e) {
                return Stream.empty();
            }
        }).sorted(LATEST_FIRST).toList();
    }

    /** Every whole copy beside the library, of whatever kind, that holds what is deleted from the library afterwards. */
    public List<Path> copies() {
        return Stream.of(DAILY, BEFORE_RESTORE, ".of-version-").flatMap(this::named).filter(f -> !f.toString().endsWith(PART)).sorted().toList();
    }

    /** Whether a copy, wherever it is, holds a student; one that cannot be read holds nobody. */
    public boolean holds(Path copy, Person person) {
        return Leaver.isIn(copy, person);
    }

    /**
     * Makes a copy anew without a student and their recordings.
     *
     * @throws LibraryFault when it cannot be read or written; it is as it was then
     */
    public void takeOut(Path copy, Person person) {
        try {
            Leaver.takeOutOf(copy, person, clock);
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("%s could not be written anew (%s); it is as it was".formatted(copy, LibraryFault.said(e)), e);
        }
    }

    /** What lies beside the library, its name followed by a mark, in no order. */
    private Stream<Path> named(String mark) {
        try (Stream<Path> all = Files.list(Objects.requireNonNull(library.getParent()))) {
            return all.filter(f -> f.getFileName().toString().startsWith(library.getFileName() + mark)).toList().stream();
        } catch (IOException e) {
            return Stream.empty();
        }
    }

    /**
     * What a file holds, changing nothing in it, without examining it.
     *
     * @throws LibraryFault when it is no library, or a newer program's, or too damaged to be counted
     */
    public static Holding look(Path file) {
        try {
            if (Files.isRegularFile(file) && Archive.is(file)) {
                try (Stage stage = Stage.of(file, TemporaryFiles.folder("examined"), false, Progress.NONE)) {
                    return new LibraryFile(stage.file()).holding().in(file);
                }
            }
            if (!Files.isRegularFile(file)) {
                throw new java.nio.file.NoSuchFileException(file.toString());
            }
            return new LibraryFile(file).holding();
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("%s is no library that can be read".formatted(file), e);
        }
    }

    /**
     * Examines a back-up whole: its file, its tables, every document; an archive's checksums too. Changes nothing.
     *
     * @param reads whether the document of a tune makes sense
     * @throws LibraryFault when it is no library that can be read at all
     */
    public static Examination examine(Path backup, Predicate<String> reads, Progress progress) {
        try (Stage stage = Stage.of(backup, TemporaryFiles.folder("examined"), false, progress)) {
            return stage.examine(backup, reads);
        } catch (IOException | JdbiException e) {
            throw new LibraryFault("%s is no library that can be read: %s".formatted(backup, LibraryFault.said(e)), e);
        }
    }

    /**
     * What became of a restore.
     *
     * @param before the way back: a copy of what was there; empty where nothing was
     */
    public record Restored(Examination examination, Optional<Path> before) {}

    /** As {@link #restore(Path, Predicate, boolean, Progress)}, of a sound back-up, watched by nobody. */
    public Restored restore(Path backup, Predicate<String> reads) {
        return restore(backup, reads, false, Progress.NONE);
    }

    /**
     * Puts what a back-up holds in the place of what the library holds, which is kept beside it. The library is another one from then on:
     * windows that are open on it notice. An archive's recordings come back too; what a library alone says nothing of stays.
     *
     * @param reads whether the document of a tune makes sense
     * @param force whether a damaged one is put there too, as far as it can be read
     * @throws LibraryFault when the back-up cannot be read or put there, or is damaged and not forced; the library is as it was then
     */
    public Restored restore(Path backup, Predicate<String> reads, boolean force, Progress progress) {
        return new Restoring(this, library, clock).restore(backup, reads, force, progress);
    }
}
