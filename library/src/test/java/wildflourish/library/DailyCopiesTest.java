package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.lesson.Student;

/** The copies that are made each day: of whatever changed, by whatever clock, for nobody but their user. */
class DailyCopiesTest {

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("own/library.db");
    }

    private static Clock day(String date) {
        return Clock.fixed(Instant.parse(date + "T18:00:00Z"), ZoneOffset.UTC);
    }

    private void on(String date, Consumer<Library> change) {
        try (Library library = Library.open(file(), day(date))) {
            change.accept(library);
        }
    }

    private static void copied(Library library) {
        assertThat(library.backups().daily()).isPresent();
        assertThat(library.backups().daily()).as("nothing has changed since").isEmpty();
    }

    @Test
    void aDayOnWhichAnythingAtAllChangedIsCopied() {
        Map<String, Consumer<Library>> changes = new LinkedHashMap<>();
        changes.put("a tune", l -> l.tunes().add("The Ebb", "reel", "D major", "4/4", "X:1"));
        changes.put("a student", l -> l.people().add(Student.of("Ina Skerry", "Thursday", "whistle-d", "fluent")));
        changes.put("a lesson", l -> l.people().meet(Meeting.of(Instant.parse("2026-11-26T18:00:00Z"), 60, "lesson", "The Ebb", "", List.of(1L))));
        changes.put("a rung", l -> l.people().learn(1, 1, 2));
        changes.put("a lick", l -> l.drawer().keepLick("turn", "{}"));
        changes.put("an instrument", l -> l.drawer().keepInstrument("own", "{}"));
        changes.put("a habit", l -> l.drawer().keepHabit(new Habit("fiddle", "A4", "0")));
        changes.put("a setting", l -> l.drawer().remember("sheet", "large"));
        changes.put("tags", l -> l.index().tag(1, List.of("winter")));
        changes.put("a student leaves", l -> l.people().remove(1));
        int day = 1;
        for (Map.Entry<String, Consumer<Library>> change : changes.entrySet()) {
            on("2026-11-%02d".formatted(day++), library -> {
                change.getValue().accept(library);
                assertThat(library.backups().daily()).as(change.getKey()).isPresent();
                assertThat(library.backups().daily()).as("nothing has changed since").isEmpty();
            });
        }
        assertThat(new Backups(file(), day("2026-12-01")).all()).hasSize(7);
    }

    @Test
    void aClockThatWasWrongDrivesNoLaterCopyOut() {
        on("2026-11-01", l -> {
            l.tunes().add("The Ebb", "reel", "D major", "4/4", "X:1");
            copied(l);
        });
        for (int d = 1; d <= 5; d++) {
            int of = d;
            on("2031-01-%02d".formatted(d), l -> {
                l.drawer().remember("day", "wrong " + of);
                copied(l);
            });
        }
        for (int d = 2; d <= 9; d++) {
            int of = d;
            on("2026-11-%02d".formatted(d), l -> {
                l.drawer().remember("day", "right " + of);
                copied(l);
            });
        }
        List<String> kept = new Backups(file(), day("2026-11-10")).all().stream().map(h -> h.file().getFileName().toString().replaceFirst(".*backup-", "")).toList();
        assertThat(kept).as("the latest made first").containsExactly("2026-11-09", "2026-11-08", "2026-11-07", "2026-11-06", "2026-11-05", "2026-11-04", "2026-11-03");
    }

    @Test
    void afterARestoreTheOrderGoesOn() {
        Path copy = folder.resolve("copy.db");
        on("2026-11-01", l -> {
            l.tunes().add("The Ebb", "reel", "D major", "4/4", "X:1");
            l.backups().write(copy);
            for (int i = 0; i < 20; i++) {
                l.drawer().remember("day", "one " + i);
            }
            copied(l);
        });
        on("2026-11-02", l -> {
            l.restore(copy, d -> true, false, Progress.NONE);
            assertThat(l.backups().daily()).isPresent();
        });
        assertThat(new Backups(file(), day("2026-11-03")).all()).first().satisfies(h -> assertThat(h.file().toString()).endsWith("2026-11-02"));
    }

    @Test
    @EnabledOnOs({OS.LINUX, OS.MAC})
    void whatTheProgramMakesIsPrivate() throws IOException {
        on("2026-11-01", l -> {
            l.tunes().add("The Ebb", "reel", "D major", "4/4", "X:1");
            l.backups().daily();
            l.backups().write(folder.resolve("own/kept/there.zip"));
            l.backups().write(folder.resolve("own/plain.db"));
            l.restore(folder.resolve("own/kept/there.zip"), d -> true, false, Progress.NONE);
            try (Stream<Path> all = Files.walk(folder.resolve("own"))) {
                List<Path> made = all.toList();
                assertThat(made.toString()).contains("library.db-wal", ".before-restore-", ".backup-", "there.zip", "plain.db");
                for (Path one : made) {
                    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(one))).as(one.toString())
                            .isEqualTo(Files.isDirectory(one) ? "rwx------" : "rw-------");
                }
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        });
    }

    /** Programs before made it readable by everybody; from then on it has the rights that its owner gives it. */
    @Test
    @EnabledOnOs({OS.LINUX, OS.MAC})
    void aLibraryOfAnEarlierProgramBecomesPrivateOnce() throws Exception {
        Files.createDirectories(file().getParent());
        try (var connection = java.sql.DriverManager.getConnection("jdbc:sqlite:" + file()); var statement = connection.createStatement()) {
            for (String sql : Schema.upTo(9)) {
                for (String one : sql.split(";\\s*\\n")) {
                    if (!one.isBlank()) {
                        statement.execute(one);
                    }
                }
            }
            statement.execute("PRAGMA user_version = 9");
        }
        Files.setPosixFilePermissions(file(), PosixFilePermissions.fromString("rw-r--r--"));
        on("2026-11-01", l -> { });
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file()))).isEqualTo("rw-------");
        Files.setPosixFilePermissions(file(), PosixFilePermissions.fromString("rw-r-----"));
        on("2026-11-02", l -> { });
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file()))).as("as its owner has it by now").isEqualTo("rw-r-----");
    }
}
