package wildflourish.library;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/** A library's file: how it is looked at, opened, copied and examined. */
record LibraryFile(Path file) {

    private static final String URL = "jdbc:sqlite:";
    /** A program that has to wait longer for another says so, and tries again. */
    private static final int WAIT_MS = 1000;
    private static final int FINDINGS = 3;

    /** Whether it was in use when its program, or the machine, ended: its journal is still beside it. */
    boolean wasLeftOpen() throws IOException {
        return Files.exists(journal()) && Files.size(journal()) > 0;
    }

    /** Looks at what is there, writing nothing to it. */
    Schema.Look look() throws IOException {
        if (!Files.exists(file) || Files.size(file) == 0) {
            return new Schema.Look(0, false);
        }
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(WAIT_MS);
        try (Handle handle = open(config)) {
            return Schema.look(handle);
        }
    }

    /** Opens it to read and write. What is committed is on the disk: it outlives a power failure. */
    Handle open() {
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.setBusyTimeout(WAIT_MS);
        config.enforceForeignKeys(true);
        return open(config);
    }

    private Handle open(SQLiteConfig config) {
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl(URL + file.toAbsolutePath());
        return Jdbi.create(source).open();
    }

    /** The file that a handle is open on. */
    static LibraryFile of(Handle handle) {
        try {
            return new LibraryFile(Path.of(handle.getConnection().getMetaData().getURL().substring(URL.length())));
        } catch (SQLException e) {
            throw new IllegalStateException("a handle without a file", e);
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
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    private Path journal() {
        return file.resolveSibling(file.getFileName() + "-wal");
    }

    /** Makes a whole copy beside it, as it is before its tables are changed. */
    void copy(Handle handle, int version) throws IOException {
        Path copy = file.resolveSibling("%s.of-version-%d".formatted(file.getFileName(), version));
        Path part = Files.createTempFile(copy.toAbsolutePath().getParent(), "copy", ".part");
        Files.delete(part);
        handle.execute("VACUUM INTO ?", part.toString());
        try (FileChannel written = FileChannel.open(part, StandardOpenOption.WRITE)) {
            written.force(true);
        }
        Files.move(part, copy, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** Makes a whole copy, of what is written by now, whoever has the file open. */
    void copyTo(Path copy) throws IOException {
        look();
        SQLiteConfig config = new SQLiteConfig();
        config.setBusyTimeout(WAIT_MS);
        try (Handle handle = open(config)) {
            handle.execute("VACUUM INTO ?", copy.toString());
        }
    }

    /** Takes in what another file holds, whole or not at all. */
    void restoreFrom(Path other) throws SQLException {
        try (Handle handle = open(); Statement statement = handle.getConnection().createStatement()) {
            statement.executeUpdate("restore from \"%s\"".formatted(other.toAbsolutePath()));
        }
    }

    /** How much is in it. */
    Backups.Holding holding() throws IOException {
        if (look().version() == 0) {
            return new Backups.Holding(file, 0, 0, 0, Optional.empty());
        }
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(WAIT_MS);
        try (Handle handle = open(config)) {
            boolean log = count(handle, "SELECT count(*) FROM sqlite_master WHERE name = 'practice_pass'") > 0;
            return new Backups.Holding(file, count(handle, "SELECT count(*) FROM tune WHERE removed_at IS NULL"), count(handle, "SELECT count(*) FROM edition"),
                    log ? count(handle, "SELECT count(*) FROM practice_pass") : 0,
                    handle.createQuery("SELECT made_at FROM edition ORDER BY id DESC LIMIT 1").mapTo(String.class).findOne());
        }
    }

    private static int count(Handle handle, String question) {
        return handle.createQuery(question).mapTo(Integer.class).one();
    }

    /** What SQLite's own examination finds wrong with it; nothing when it is whole. Takes as long as reading the file does. */
    List<String> examine() {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(WAIT_MS);
        try (Handle handle = open(config)) {
            return handle.createQuery("PRAGMA integrity_check(%d)".formatted(FINDINGS)).mapTo(String.class).list().stream()
                    .filter(line -> !line.equals("ok")).toList();
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(this, e);
            return List.of("its parts contradict each other");
        }
    }
}
