package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.tune.Tempo;

class LibraryTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-03-05T19:00:00Z"), ZoneOffset.UTC);

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("deep").resolve("library.db");
    }

    private static long add(Library library, String title) {
        return library.add(title, "reel", "D major", "4/4", "document of " + title);
    }

    @Test
    void tunesComeBackAfterClosing() {
        long id;
        try (Library library = Library.open(file(), CLOCK)) {
            id = add(library, "One");
            add(library, "Two");
        }
        try (Library library = Library.open(file(), CLOCK)) {
            assertThat(library.tunes()).extracting(TuneEntry::title).containsExactly("One", "Two");
            assertThat(library.current(id).document()).isEqualTo("document of One");
            assertThat(library.current(id).madeAt()).isEqualTo(CLOCK.instant());
        }
    }

    @Test
    void editionsAreUndoneAndDoneAgain() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            Edition first = library.current(tune);
            Edition second = library.save(tune, first.id(), "a cut", "v2");
            Edition third = library.save(tune, second.id(), "a roll", "v3");
            assertThat(library.undo(third)).contains(second);
            assertThat(library.undo(second)).contains(first);
            assertThat(library.undo(first)).isEmpty();
            assertThat(library.current(tune)).isEqualTo(first);
            assertThat(library.redo(first)).contains(second);
            assertThat(library.redo(second)).contains(third);
            assertThat(library.redo(third)).isEmpty();
            assertThat(library.ancestors(third)).containsExactly(third, second, first);
            assertThat(library.descendants(first)).containsExactly(second, third);
        }
    }

    @Test
    void anEditAfterAnUndoLeavesTheOldBranchInTheFile() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            Edition first = library.current(tune);
            Edition old = library.save(tune, first.id(), "old", "v2");
            library.undo(old);
            Edition other = library.save(tune, first.id(), "other", "v2b");
            assertThat(library.redo(first)).contains(other);
            assertThat(library.editions(tune)).containsExactly(first, old, other);
        }
    }

    @Test
    void aTuneTakenOffTheShelfCanBePutBack() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            library.remove(tune);
            assertThat(library.tunes()).isEmpty();
            library.putBack(tune);
            assertThat(library.tunes()).hasSize(1);
        }
    }

    @Test
    void whatIsRememberedIsTheLatest() {
        try (Library library = Library.open(file())) {
            assertThat(library.remembered("look")).isEmpty();
            library.remember("look", "LIGHT");
            library.remember("look", "DARK");
            assertThat(library.remembered("look")).contains("DARK");
        }
    }

    @Test
    void twoProgramsWriteTheSameFileWithoutHarm() throws Exception {
        try (Library one = Library.open(file()); Library two = Library.open(file())) {
            long tune = add(one, "Shared");
            Edition start = one.current(tune);
            Thread other = new Thread(() -> {
                for (int i = 0; i < 100; i++) {
                    two.save(tune, start.id(), "two", "two " + i);
                }
            });
            other.start();
            for (int i = 0; i < 100; i++) {
                one.save(tune, start.id(), "one", "one " + i);
            }
            other.join(TimeUnit.SECONDS.toMillis(60));
            assertThat(one.editions(tune)).hasSize(201);
            assertThat(two.current(tune)).isEqualTo(one.current(tune));
        }
    }

    /** A second process saves editions without end and is killed in the middle: the file opens and holds whole ones. */
    @Test
    void aKilledProcessLeavesAWholeFile() throws Exception {
        try (Library library = Library.open(file())) {
            add(library, "One");
        }
        Process writer = new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp", System.getProperty("java.class.path"), Writer.class.getName(), file().toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
        assertThat(writer.inputReader().readLine()).isEqualTo("writing");
        Thread.sleep(300);
        writer.destroyForcibly().waitFor();
        try (Library library = Library.open(file())) {
            long tune = library.tunes().getFirst().id();
            List<Edition> editions = library.editions(tune);
            assertThat(editions.size()).isGreaterThan(1);
            assertThat(library.current(tune)).isEqualTo(editions.getLast());
            assertThat(editions.subList(1, editions.size())).allSatisfy(e ->
                    assertThat(e.document()).hasSize(20_000).endsWith("whole"));
            library.save(tune, editions.getLast().id(), "after", "goes on");
            assertThat(library.current(tune).document()).isEqualTo("goes on");
        }
    }

    /** The process that is killed. */
    public static final class Writer {
        public static void main(String[] args) {
            try (Library library = Library.open(Path.of(args[0]))) {
                long tune = library.tunes().getFirst().id();
                Edition at = library.current(tune);
                while (true) {
                    at = library.save(tune, at.id(), "edit", "x".repeat(19_995) + "whole");
                    // Said once a whole edition is kept, so that on a busy machine nobody kills it before it has begun.
                    System.out.println("writing");
                }
            }
        }
    }

    private static LoggedPass pass(int second, Optional<Long> tune) {
        return new LoggedPass(CLOCK.instant().plusSeconds(second), 12.5, tune, "One", "A2", "whistle-d", "full", "keys",
                tune.map(t -> Tempo.parse("3/8=80")), tune.isPresent() ? 0 : 85, second % 2 == 0, 0.0625, -0.015, 3.5, 24, 1, 2);
    }

    @Test
    void thePracticeLogKeepsEveryFigure() {
        try (Library library = Library.open(file(), CLOCK)) {
            long tune = add(library, "One");
            library.log(pass(0, Optional.of(tune)));
            library.log(pass(1, Optional.empty()));
        }
        try (Library library = Library.open(file(), CLOCK)) {
            long tune = library.tunes().getFirst().id();
            assertThat(library.passes()).containsExactly(pass(0, Optional.of(tune)), pass(1, Optional.empty()));
        }
    }

    @Test
    void aLibraryFromBeforeThereWasALogIsTakenOver() throws Exception {
        Files.createDirectories(file().getParent());
        String url = "jdbc:sqlite:" + file();
        Flyway.configure().dataSource(url, null, null).locations("classpath:library-schema").target("3").load().migrate();
        try (Connection old = DriverManager.getConnection(url); Statement statement = old.createStatement()) {
            statement.execute("INSERT INTO lick (name, document) VALUES ('mine', 'as it was')");
        }
        try (Library library = Library.open(file(), CLOCK)) {
            assertThat(library.passes()).isEmpty();
            assertThat(library.licks()).containsExactly("as it was");
            library.log(List.of(pass(1, Optional.empty()), pass(2, Optional.empty())));
            assertThat(library.passes()).hasSize(2);
        }
    }

    /** A second process logs passes and is killed: what it said was logged is there. */
    @Test
    void nothingLoggedIsLostWhenTheProgramIsKilled() throws Exception {
        Process writer = new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp", System.getProperty("java.class.path"), Practiser.class.getName(), file().toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD).start();
        int said = 0;
        try (BufferedReader lines = writer.inputReader()) {
            while (said < 20) {
                said = Integer.parseInt(lines.readLine());
            }
            writer.destroyForcibly().waitFor();
        }
        try (Library library = Library.open(file())) {
            assertThat(library.passes()).hasSizeGreaterThanOrEqualTo(said).allMatch(p -> p.expected() == 24);
        }
    }

    /** The process that is killed. */
    public static final class Practiser {
        public static void main(String[] args) {
            try (Library library = Library.open(Path.of(args[0]))) {
                for (int i = 1; true; i++) {
                    library.log(pass(i, Optional.empty()));
                    System.out.println(i);
                }
            }
        }
    }

    @Test
    void aFileThatIsNoLibraryIsRefusedAndLeftAlone() throws Exception {
        Path other = folder.resolve("letter.txt");
        Files.writeString(other, "Dear reader, this is not a database at all. ".repeat(50));
        String before = Files.readString(other);
        assertThatThrownBy(() -> Library.open(other)).isInstanceOf(LibraryFault.class)
                .hasMessageContaining("letter.txt").hasMessageContaining("--library");
        assertThat(Files.readString(other)).isEqualTo(before);
    }

    @Test
    void aFolderThatCannotBeMadeIsNamed() throws Exception {
        Path blocked = folder.resolve("blocked");
        Files.writeString(blocked, "a file where a folder should be");
        assertThatThrownBy(() -> Library.open(blocked.resolve("in").resolve("library.db")))
                .isInstanceOf(LibraryFault.class).hasMessageContaining("--library");
    }

    @Test
    void thousandsOfEditionsAreWalkedBack() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            Edition at = library.current(tune);
            List<Edition> all = new ArrayList<>(List.of(at));
            for (int i = 0; i < 2000; i++) {
                at = library.save(tune, at.id(), "edit " + i, "v" + i);
                all.add(at);
            }
            assertThat(library.ancestors(at)).hasSize(2001).startsWith(at).endsWith(all.getFirst());
        }
    }
}
