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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.Spoken;
import wildflourish.core.tune.Tempo;

class LibraryTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-03-05T19:00:00Z"), ZoneOffset.UTC);

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("deep").resolve("library.db");
    }

    private static long add(Library library, String title) {
        return library.tunes().add(title, "reel", "D major", "4/4", "document of " + title);
    }

    @Test
    void tunesComeBackAfterClosing() {
        long id;
        try (Library library = Library.open(file(), CLOCK)) {
            id = add(library, "One");
            add(library, "Two");
        }
        try (Library library = Library.open(file(), CLOCK)) {
            assertThat(library.tunes().all().read()).extracting(TuneEntry::title).containsExactly("One", "Two");
            assertThat(library.tunes().current(id).document()).isEqualTo("document of One");
            assertThat(library.tunes().current(id).madeAt()).isEqualTo(CLOCK.instant());
        }
    }

    @Test
    void editionsAreUndoneAndDoneAgain() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            Edition first = library.tunes().current(tune);
            Edition second = library.tunes().save(tune, first.id(), "a cut", "v2").edition();
            Edition third = library.tunes().save(tune, second.id(), "a roll", "v3").edition();
            assertThat(library.tunes().stand(tune, third.id(), second.id())).isEmpty();
            assertThat(library.tunes().current(tune)).isEqualTo(second);
            assertThat(library.tunes().stand(tune, second.id(), first.id())).isEmpty();
            Steps steps = library.tunes().steps(tune);
            assertThat(steps.editions()).extracting(EditionEntry::id).containsExactly(first.id(), second.id(), third.id());
            assertThat(steps.editions()).extracting(EditionEntry::what).containsExactly("added", "a cut", "a roll");
            assertThat(steps.at()).isZero();
            assertThat(steps.now()).isEqualTo(first);
            assertThat(steps.remark()).isEmpty();
            assertThat(library.tunes().edition(second.id())).isEqualTo(second);
        }
    }

    @Test
    void anEditAfterAnUndoLeavesTheOldBranchInTheFile() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            Edition first = library.tunes().current(tune);
            Edition old = library.tunes().save(tune, first.id(), "old", "v2").edition();
            library.tunes().stand(tune, old.id(), first.id());
            Edition other = library.tunes().save(tune, first.id(), "other", "v2b").edition();
            assertThat(library.tunes().steps(tune).editions()).extracting(EditionEntry::what).containsExactly("added", "other");
            assertThat(library.tunes().editions(tune)).extracting(EditionEntry::id).containsExactly(first.id(), old.id(), other.id());
        }
    }

    @Test
    void aTuneTakenOffTheShelfCanBePutBack() {
        try (Library library = Library.open(file())) {
            long tune = add(library, "One");
            library.tunes().remove(tune);
            assertThat(library.tunes().all().read()).isEmpty();
            library.tunes().putBack(tune);
            assertThat(library.tunes().all().read()).hasSize(1);
        }
    }

    @Test
    void whatIsRememberedIsTheLatest() {
        try (Library library = Library.open(file())) {
            assertThat(library.drawer().remembered("look")).isEmpty();
            library.drawer().remember("look", "LIGHT");
            library.drawer().remember("look", "DARK");
            assertThat(library.drawer().remembered("look")).contains("DARK");
        }
    }

    @Test
    void everyTextComesBackToTheLetter() {
        String hostile = "a\u0000b\r\n'; DROP TABLE tune; -- \uD83C\uDFB5 \uFFFF e\u0301 \u2028 %s $1 ?";
        try (Library library = Library.open(file())) {
            long tune = library.tunes().add(hostile, hostile, hostile, hostile, hostile);
            library.tunes().save(tune, library.tunes().current(tune).id(), hostile, hostile + "2");
            library.drawer().keepLick(hostile, hostile);
            library.drawer().keepHabit(new Habit(hostile, hostile, hostile));
        }
        try (Library library = Library.open(file())) {
            assertThat(library.tunes().all().read()).containsExactly(new TuneEntry(1, hostile, hostile, hostile, hostile));
            assertThat(library.tunes().current(1).document()).isEqualTo(hostile + "2");
            assertThat(library.tunes().steps(1).editions()).extracting(EditionEntry::what).containsExactly("added", hostile);
            assertThat(library.drawer().licks().read()).containsExactly(hostile);
            assertThat(library.drawer().habits().read()).containsExactly(new Habit(hostile, hostile, hostile));
        }
    }

    /** Whoever does not get at the file in time tries again, as the window does. */
    private static void saved(Library library, long tune, long parent, String document) {
        while (true) {
            try {
                library.tunes().save(tune, parent, "edit", document);
                return;
            } catch (LibraryFault e) {
                if (!e.mayPass()) {
                    throw e;
                }
            }
        }
    }

    @Test
    void twoProgramsWriteTheSameFileWithoutHarm() throws Exception {
        try (Library one = Library.open(file()); Library two = Library.open(file())) {
            long tune = add(one, "Shared");
            Edition start = one.tunes().current(tune);
            Thread other = new Thread(() -> {
                for (int i = 0; i < 100; i++) {
                    saved(two, tune, start.id(), "two " + i);
                }
            });
            other.start();
            for (int i = 0; i < 100; i++) {
                saved(one, tune, start.id(), "one " + i);
            }
            other.join(TimeUnit.SECONDS.toMillis(60));
            assertThat(one.tunes().editions(tune)).hasSize(201);
            assertThat(two.tunes().current(tune)).isEqualTo(one.tunes().current(tune));
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
            long tune = library.tunes().all().read().getFirst().id();
            List<Edition> editions = library.tunes().editions(tune).stream().map(e -> library.tunes().edition(e.id())).toList();
            assertThat(editions.size()).isGreaterThan(1);
            assertThat(library.tunes().current(tune)).isEqualTo(editions.getLast());
            assertThat(editions.subList(1, editions.size())).allSatisfy(e ->
                    assertThat(e.document()).hasSize(20_000).endsWith("whole"));
            library.tunes().save(tune, editions.getLast().id(), "after", "goes on");
            assertThat(library.tunes().current(tune).document()).isEqualTo("goes on");
        }
    }

    /** The process that is killed. */
    public static final class Writer {
        public static void main(String[] args) {
            try (Library library = Library.open(Path.of(args[0]))) {
                long tune = library.tunes().all().read().getFirst().id();
                Edition at = library.tunes().current(tune);
                while (true) {
                    at = library.tunes().save(tune, at.id(), "edit", "x".repeat(19_995) + "whole").edition();
                    // Said once a whole edition is kept, so that on a busy machine nobody kills it before it has begun.
                    System.out.println("writing");
                }
            }
        }
    }

    private static LoggedPass pass(int second, Optional<Long> tune) {
        return new LoggedPass(CLOCK.instant().plusSeconds(second), 12.5, tune, "One", "A2", "whistle-d", "full", "keys",
                tune.map(t -> Tempo.parse("3/8=80")), tune.isPresent() ? 0 : 85, second % 2 == 0, 0.0625, -0.015, 3.5, 24, 1, 2, new Spoken(3 * second, 4), Optional.empty());
    }

    @Test
    void thePracticeLogKeepsEveryFigure() {
        try (Library library = Library.open(file(), CLOCK)) {
            long tune = add(library, "One");
            library.log().add(pass(0, Optional.of(tune)));
            library.log().add(pass(1, Optional.empty()));
        }
        try (Library library = Library.open(file(), CLOCK)) {
            long tune = library.tunes().all().read().getFirst().id();
            assertThat(library.log().passes().read()).containsExactly(pass(0, Optional.of(tune)), pass(1, Optional.empty()));
        }
    }

    @Test
    void aLibraryFromBeforeThereWasALogIsTakenOver() throws Exception {
        Files.createDirectories(file().getParent());
        String url = "jdbc:sqlite:" + file();
        try (Connection old = DriverManager.getConnection(url); Statement statement = old.createStatement()) {
            for (String step : List.of("V1__tunes_and_their_editions.sql", "V2__own_instruments_and_habits.sql", "V3__licks.sql")) {
                try (var in = getClass().getResourceAsStream("/library-schema/" + step)) {
                    for (String sql : new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8).split(";")) {
                        if (!sql.isBlank()) {
                            statement.execute(sql);
                        }
                    }
                }
            }
            // The table in which the steps were counted before the file itself did it, with the columns that are read of it.
            statement.execute("CREATE TABLE flyway_schema_history (version TEXT, success INTEGER)");
            statement.execute("INSERT INTO flyway_schema_history VALUES ('1', 1), ('2', 1), ('3', 1)");
            statement.execute("INSERT INTO lick (name, document) VALUES ('mine', 'as it was')");
        }
        try (Library library = Library.open(file(), CLOCK)) {
            assertThat(library.log().passes().read()).isEmpty();
            assertThat(library.drawer().licks().read()).containsExactly("as it was");
            library.log().add(List.of(pass(1, Optional.empty()), pass(2, Optional.empty())));
            assertThat(library.log().passes().read()).hasSize(2);
        }
    }

    /** Versions are counted, not spelled: ten comes after nine. */
    @Test
    void aLibraryOfANewerProgramIsLeftAlone() throws Exception {
        try (Library library = Library.open(file(), CLOCK)) {
            add(library, "One");
        }
        String url = "jdbc:sqlite:" + file();
        try (Connection newer = DriverManager.getConnection(url); Statement statement = newer.createStatement()) {
            statement.execute("PRAGMA user_version = " + (Schema.latest() + 1));
        }
        assertThatThrownBy(() -> Library.open(file())).isInstanceOf(LibraryFault.class).hasMessageContaining("newer version");
        try (Connection newer = DriverManager.getConnection(url); Statement statement = newer.createStatement()) {
            assertThat(statement.executeQuery("PRAGMA user_version").getInt(1)).isEqualTo(Schema.latest() + 1);
            assertThat(statement.executeQuery("SELECT count(*) FROM tune").getInt(1)).isEqualTo(1);
        }
    }

    @Test
    void whatCannotBeReadIsSaidInWords() {
        Library library = Library.open(file(), CLOCK);
        long tune = add(library, "One");
        library.close();
        assertThatThrownBy(() -> library.tunes().current(tune)).isInstanceOf(LibraryFault.class).hasMessageContaining("could not be read");
        assertThatThrownBy(() -> library.drawer().habits()).isInstanceOf(LibraryFault.class);
        assertThatThrownBy(() -> library.log().passes().read()).isInstanceOf(LibraryFault.class);
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
            assertThat(library.log().passes().read()).hasSizeGreaterThanOrEqualTo(said).allMatch(p -> p.expected() == 24);
        }
    }

    /** The process that is killed. */
    public static final class Practiser {
        public static void main(String[] args) {
            try (Library library = Library.open(Path.of(args[0]))) {
                for (int i = 1; true; i++) {
                    library.log().add(pass(i, Optional.empty()));
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
            Edition at = library.tunes().current(tune);
            List<Edition> all = new ArrayList<>(List.of(at));
            for (int i = 0; i < 2000; i++) {
                at = library.tunes().save(tune, at.id(), "edit " + i, "v" + i).edition();
                all.add(at);
            }
            assertThat(library.tunes().steps(tune).editions()).extracting(EditionEntry::id)
                    .containsExactlyElementsOf(all.stream().map(Edition::id).toList());
        }
    }
}
