package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A library among other programs: they hold its file, edit the same tune, or are what the file belongs to. */
class NeighboursTest {

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("library.db");
    }

    private static long add(Library library) {
        return library.tunes().add("One", "reel", "D major", "4/4", "v0");
    }

    private Connection other() throws Exception {
        return DriverManager.getConnection("jdbc:sqlite:" + file());
    }

    private void other(String... sql) throws Exception {
        try (Connection other = other(); Statement statement = other.createStatement()) {
            for (String one : sql) {
                statement.execute(one);
            }
        }
    }

    @Test
    void afterAnotherProgramHeldTheFileEverythingIsWholeAgain() throws Exception {
        try (Library library = Library.open(file())) {
            long tune = add(library);
            Edition first = library.tunes().current(tune);
            try (Connection other = other(); Statement statement = other.createStatement()) {
                statement.execute("BEGIN IMMEDIATE");
                assertThatThrownBy(() -> library.tunes().save(tune, first.id(), "blocked", "v1")).isInstanceOfSatisfying(LibraryFault.class,
                        e -> assertThat(e.mayPass()).isTrue()).hasMessageContaining("another program holds the library");
                assertThat(library.tunes().current(tune)).isEqualTo(first);
                statement.execute("ROLLBACK");
            }
            // A transaction again: of one that fails half-way nothing is left.
            assertThatThrownBy(() -> library.tunes().save(tune, 999, "no such parent", "v1")).isInstanceOfSatisfying(LibraryFault.class,
                    e -> assertThat(e.mayPass()).isFalse());
            assertThat(library.tunes().editions(tune)).hasSize(1);
            library.tunes().save(tune, first.id(), "again", "v1");
            assertThat(library.tunes().current(tune).document()).isEqualTo("v1");
            // Nothing is held: the other program can write.
            other("UPDATE tune SET title = 'Other'");
        }
    }

    @Test
    void twoProgramsOnOneTuneAreNoticedAndBothAreKept() {
        try (Library one = Library.open(file()); Library two = Library.open(file())) {
            long tune = add(one);
            Edition start = one.tunes().current(tune);
            Saved first = one.tunes().save(tune, start.id(), "a roll", "of one");
            assertThat(first.meanwhile()).isEmpty();
            Saved second = two.tunes().save(tune, start.id(), "a cut", "of two");
            assertThat(second.meanwhile()).get().extracting(EditionEntry::what).isEqualTo("a roll");
            assertThat(one.tunes().stand(tune, first.edition().id(), start.id())).get().extracting(EditionEntry::what).isEqualTo("a cut");
            assertThat(one.tunes().editions(tune)).extracting(EditionEntry::what).containsExactly("added", "a roll", "a cut");
            assertThat(one.tunes().edition(second.edition().id()).document()).isEqualTo("of two");
        }
    }

    /** Two processes edit one tune a thousand times: every edition is there, each made from the one before it of its own program. */
    @Test
    void twoProcessesKeepAThousandEditsOfOneTune() throws Exception {
        long tune;
        try (Library library = Library.open(file())) {
            tune = add(library);
        }
        List<Process> editors = List.of(editor("one"), editor("two"));
        for (Process editor : editors) {
            assertThat(editor.waitFor(120, TimeUnit.SECONDS)).isTrue();
            assertThat(editor.exitValue()).isZero();
        }
        try (Library library = Library.open(file())) {
            Set<String> kept = new HashSet<>();
            library.tunes().editions(tune).forEach(e -> kept.add(library.tunes().edition(e.id()).document()));
            for (int i = 0; i < 500; i++) {
                assertThat(kept).contains("one " + i, "two " + i);
            }
            assertThat(library.tunes().editions(tune)).hasSize(1001);
            assertThat(library.tunes().steps(tune).editions()).hasSize(501);
            assertThat(library.examine()).isEmpty();
        }
    }

    private Process editor(String name) throws Exception {
        return new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp", System.getProperty("java.class.path"), Editor.class.getName(), file().toString(), name)
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
    }

    /** One of the two processes: what it is refused for the moment it tries again. */
    public static final class Editor {
        public static void main(String[] args) {
            try (Library library = Library.open(Path.of(args[0]))) {
                long tune = library.tunes().all().read().getFirst().id();
                long at = library.tunes().editions(tune).getFirst().id();
                for (int i = 0; i < 500; i++) {
                    at = save(library, tune, at, args[1] + " " + i);
                }
            }
        }

        private static long save(Library library, long tune, long at, String document) {
            while (true) {
                try {
                    return library.tunes().save(tune, at, "edit", document).edition().id();
                } catch (LibraryFault e) {
                    if (!e.mayPass()) {
                        throw e;
                    }
                }
            }
        }
    }

    @Test
    void anotherProgramsDatabaseIsRefusedToTheByte() throws Exception {
        other("CREATE TABLE recipe (id INTEGER PRIMARY KEY, name TEXT)", "INSERT INTO recipe (name) VALUES ('kelp soup')");
        byte[] before = Files.readAllBytes(file());
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("another program's file")
                .hasMessageContaining("--library");
        assertThat(Files.readAllBytes(file())).isEqualTo(before);
        other("CREATE TABLE tune (id INTEGER)", "CREATE TABLE edition (id INTEGER)");
        byte[] alike = Files.readAllBytes(file());
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("another program's file");
        assertThat(Files.readAllBytes(file())).isEqualTo(alike);
        other("PRAGMA application_id = 77", "DROP TABLE recipe", "DROP TABLE tune", "DROP TABLE edition");
        byte[] empty = Files.readAllBytes(file());
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("another program's file");
        assertThat(Files.readAllBytes(file())).isEqualTo(empty);
    }

    @Test
    void aNewerLibraryIsRefusedToTheByte() throws Exception {
        try (Library library = Library.open(file())) {
            add(library);
        }
        other("PRAGMA user_version = " + (Schema.latest() + 1), "PRAGMA journal_mode = DELETE");
        byte[] before = Files.readAllBytes(file());
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("newer version");
        assertThat(Files.readAllBytes(file())).isEqualTo(before);
    }

    @Test
    void tablesThatAreOtherwiseAreRefusedToTheByte() throws Exception {
        try (Library library = Library.open(file())) {
            add(library);
        }
        other("ALTER TABLE tune RENAME COLUMN title TO name", "PRAGMA journal_mode = DELETE");
        byte[] before = Files.readAllBytes(file());
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("tune.title")
                .hasMessageContaining("--library");
        assertThat(Files.readAllBytes(file())).isEqualTo(before);
    }

    @Test
    void anEmptyFileBecomesALibrary() throws Exception {
        Files.createFile(file());
        try (Library library = Library.open(file())) {
            add(library);
            assertThat(library.wasLeftOpen()).isFalse();
        }
    }
}
