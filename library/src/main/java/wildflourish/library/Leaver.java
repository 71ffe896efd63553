package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.List;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/** Takes a student who leaves out of a library's tables, and out of copies that were made before. */
final class Leaver {

    /** The student's own, from what points to them to themself. */
    private static final List<String> TABLES = List.of("attendance", "given", "learning", "practice_pass", "recording", "written_file");

    private Leaver() {}

    /** Deletes every row of a student; tables that an earlier library has not got are passed over. */
    static void delete(Handle handle, long student) {
        List<String> there = handle.createQuery("SELECT m.name FROM sqlite_master m JOIN pragma_table_info(m.name) c WHERE m.type = 'table' AND c.name = 'student_id'")
                .mapTo(String.class).list();
        for (String table : TABLES) {
            if (there.contains(table)) {
                handle.createUpdate("DELETE FROM " + table + " WHERE student_id = :id").bind("id", student).execute();
            }
        }
        handle.createUpdate("DELETE FROM student WHERE id = :id").bind("id", student).execute();
    }

    /** Whether a copy knows a student: the same one, who came at the same time. */
    static boolean isIn(Path copy, Person person) {
        try (Stage stage = Stage.of(copy, TemporaryFiles.folder("examined"), false, Progress.NONE); Handle handle = new LibraryFile(stage.file()).open()) {
            return knows(handle, person);
        } catch (IOException | JdbiException | LibraryFault unreadable) {
            return false;
        }
    }

    private static boolean knows(Handle handle, Person person) {
        return handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name = 'student'").mapTo(Integer.class).one() > 0
                && handle.createQuery("SELECT count(*) FROM student WHERE id = :id AND joined_at = :at").bind("id", person.id())
                        .bind("at", person.joined().toString()).mapTo(Integer.class).one() > 0;
    }

    /**
     * Makes a copy anew without a student and their recordings, whole or not at all.
     *
     * @throws IOException where it cannot be read or written
     */
    static void takeOutOf(Path copy, Person person, Clock clock) throws IOException {
        Path part = copy.resolveSibling(copy.getFileName() + Backups.PART);
        Path whole = copy.resolveSibling(copy.getFileName() + ".library" + Backups.PART);
        Path folder = Files.createTempDirectory(copy.toAbsolutePath().getParent(), ".flourish-");
        try (Stage stage = Stage.of(copy, folder, true, Progress.NONE)) {
            Files.deleteIfExists(part);
            Files.deleteIfExists(whole);
            try (Handle handle = new LibraryFile(stage.file()).open()) {
                if (!knows(handle, person)) {
                    return;
                }
                if (stage.recordings().isPresent()) {
                    for (String file : recordings(handle, person.id())) {
                        Files.deleteIfExists(stage.recordings().get().resolve(file));
                    }
                }
                Store.transaction(handle, h -> {
                    delete(h, person.id());
                    return true;
                });
                PrivateFiles.createFile(whole);
                handle.execute("VACUUM INTO ?", whole.toAbsolutePath().toString());
            }
            if (stage.recordings().isPresent()) {
                PrivateFiles.createFile(part);
                Archive.write(part, whole, stage.recordings().get(), clock.instant(), Progress.NONE);
            } else {
                Files.move(whole, part);
            }
            LibraryFile.toDisk(part);
            Files.move(part, copy, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            // A copy by hand had its journal beside it, which is in the new one now.
            Files.deleteIfExists(new LibraryFile(copy).journal());
        } finally {
            Files.deleteIfExists(part);
            Files.deleteIfExists(whole);
        }
    }

    private static List<String> recordings(Handle handle, long student) {
        boolean there = handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name = 'recording'").mapTo(Integer.class).one() > 0;
        return there ? handle.createQuery("SELECT file FROM recording WHERE student_id = :id").bind("id", student).mapTo(String.class).list() : List.of();
    }
}
