package wildflourish.library;

import java.io.IOException;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteConnection;
import org.sqlite.SQLiteDataSource;

/** A library's file: how it is looked at, opened, copied and examined. */
record LibraryFile(Path file) {

    private static final String URL = "jdbc:sqlite:";
    /** A program that has to wait longer for another says so, and tries again. */
    private static final int WAIT_MS = 1000;
    private static final int FINDINGS = 3;

    /**
     * What shows that another file was put in this one's place, or something was written into it.
     *
     * @param key the file itself, whatever its name; null where the system has no such thing
     */
    record Stamp(@Nullable Object key, long size, FileTime modified) {}

    /** Whether it was in use when its program, or the machine, ended: its journal is still beside it. */
    boolean wasLeftOpen() throws IOException {
        return Files.exists(journal()) && Files.size(journal()) > 0;
    }

    /**
     * Refuses a journal without its file: opening the file would throw the journal away, and what was changed last with it.
     *
     * @throws LibraryFault then; nothing was touched
     */
    void refuseLoneJournal() throws IOException {
        if (wasLeftOpen() && (!Files.exists(file) || Files.size(file) == 0)) {
            throw new LibraryFault("its file is missing and only its journal %s is there, with what was changed last: put the file back beside it, or move the journal away to begin a new library; nothing was touched"
                    .formatted(journal().getFileName()), null);
        }
    }

    /** Looks at what is there, writing nothing to it. */
    Schema.Look look() throws IOException {
        if (!Files.exists(file) || Files.size(file) == 0) {
            return new Schema.Look(0, false);
        }
        try (Handle handle = openToRead()) {
            return Schema.look(handle);
        }
    }

    /** Opens it to read and write, making it where it is not there. What is committed is on the disk: it outlives a power failure. */
    Handle open() throws IOException {
        PrivateFiles.createFile(file);
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.setBusyTimeout(WAIT_MS);
        config.enforceForeignKeys(true);
        return open(config, "");
    }

    private Handle openToRead() {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(WAIT_MS);
        return open(config, "");
    }

    /** By the URI of its path, in which nothing is taken for a question or an option, whatever its folders are called. */
    private Handle open(SQLiteConfig config, String how) {
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl(URL + uri() + how);
        return Jdbi.create(source).open();
    }

    private String uri() {
        return file.toAbsolutePath().toUri().toASCIIString();
    }

    /** The file that a handle is open on. */
    static LibraryFile of(Handle handle) {
        try {
            String uri = handle.getConnection().getMetaData().getURL().substring(URL.length());
            return new LibraryFile(Path.of(URI.create(uri.replaceFirst("\\?.*", ""))));
        } catch (SQLException e) {
            throw new IllegalStateException("a handle without a file", e);
        }
    }

    /** What is in its place now; empty where nothing is, or the disk does not answer. */
    Optional<Stamp> stamp() {
        try {
            BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
            return Optional.of(new Stamp(now.fileKey(), now.size(), now.lastModifiedTime()));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Which library it holds; empty where there is none or that cannot be read. */
    Optional<Identity> identity() {
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try (Handle handle = openToRead()) {
            return Identity.of(handle);
        } catch (JdbiException e) {
            return Optional.empty();
        }
    }

    /** What the file itself says, without its journal; empty where that cannot be read. Locks nothing and waits for nobody. */
    Optional<Identity> identityWithoutJournal() {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        try (Handle handle = open(config, "?immutable=1")) {
            return Identity.of(handle);
        } catch (JdbiException e) {
            return Optional.empty();
        }
    }

    /**
     * Empties the journal of a file over which another was copied by hand: its pages belong to what was there, and would be
     * mixed into what is there now.
     */
    void emptyJournal() throws IOException {
        try (FileChannel channel = FileChannel.open(journal(), StandardOpenOption.WRITE)) {
            channel.truncate(0);
        } catch (NoSuchFileException e) {
            // There is nothing to be mixed in.
        }
    }

    /**
     * Whether the file is there, and its disk gives what is in it and takes what is handed to it. Nothing is written. While the file is
     * in use its journal is asked in its place: a program that closes a file loses all its locks on it, SQLite's too, which has none there.
     */
    boolean answers() {
        Path asked = Files.exists(journal()) ? journal() : file;
        Set<StandardOpenOption> use = Files.isWritable(asked) ? Set.of(StandardOpenOption.READ, StandardOpenOption.WRITE) : Set.of(StandardOpenOption.READ);
        try (FileChannel channel = FileChannel.open(asked, use)) {
            // The beginning may be remembered from before; the disk is asked by being told to make sure of what it has.
            channel.read(ByteBuffer.allocate(1));
            channel.force(true);
            return Files.exists(file);
        } catch (IOException e) {
            return false;
        }
    }

    /** What was committed last and is not in the file itself yet. */
    Path journal() {
        return file.resolveSibling(file.getFileName() + "-wal");
    }

    /** Where those who have it open agree on its journal. */
    Path index() {
        return file.resolveSibling(file.getFileName() + "-shm");
    }

    /** Makes a whole copy beside it, as it is before its tables are changed. */
    void copy(Handle handle, int version) throws IOException {
        Path copy = file.resolveSibling("%s.of-version-%d".formatted(file.getFileName(), version));
        Path part = copy.resolveSibling(copy.getFileName() + Backups.PART);
        Files.deleteIfExists(part);
        PrivateFiles.createFile(part);
        handle.execute("VACUUM INTO ?", part.toString());
        toDisk(part);
        Files.move(part, copy, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** Sees to it that what was written to a file is on the disk. */
    static void toDisk(Path file) throws IOException {
        try (FileChannel written = FileChannel.open(file, StandardOpenOption.WRITE)) {
            written.force(true);
        }
    }

    /** Makes a whole copy with an identity of its own, of what is written by now, whoever has the file open. */
    void copyTo(Path copy) throws IOException {
        look();
        SQLiteConfig config = new SQLiteConfig();
        config.setBusyTimeout(WAIT_MS);
        PrivateFiles.createFile(copy);
        try (Handle handle = open(config, "")) {
            handle.execute("VACUUM INTO ?", copy.toAbsolutePath().toString());
        }
        SQLiteConfig alone = new SQLiteConfig();
        alone.setJournalMode(SQLiteConfig.JournalMode.MEMORY);
        try (Handle handle = new LibraryFile(copy).open(alone, "")) {
            Identity.of(handle).filter(i -> !i.id().isEmpty()).ifPresent(i -> Identity.renew(handle, i.changes()));
        }
        toDisk(copy);
    }

    /** Takes in what another file holds, whole or not at all. */
    void restoreFrom(Path other) throws IOException, SQLException {
        try (Handle handle = open()) {
            handle.getConnection().unwrap(SQLiteConnection.class).getDatabase().restore("main", other.toAbsolutePath().toString(), null);
        }
    }

    /** How much is in it. */
    Holding holding() throws IOException {
        if (look().version() == 0) {
            throw new LibraryFault("%s is empty: there is no library in it".formatted(file), null);
        }
        try (Handle handle = openToRead()) {
            return Holding.of(file, handle);
        }
    }

    /** What SQLite's own examination finds wrong with it; nothing when it is whole. Takes as long as reading the file does. */
    List<String> examine() {
        try (Handle handle = openToRead()) {
            return handle.createQuery("PRAGMA integrity_check(%d)".formatted(FINDINGS)).mapTo(String.class).list().stream()
                    .filter(line -> !line.equals("ok")).toList();
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(this, e);
            return List.of("its parts contradict each other");
        }
    }
}
