package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.practice.LoggedPass;

/** A library whose file is damaged, or holds what makes no sense: what can be read is there, what cannot is told and left alone. */
class DamageTest {

    private static final int TUNES = 400;

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void aLibrary() {
        file = folder.resolve("library.db");
        try (Library library = Library.open(file)) {
            for (int i = 1; i <= TUNES; i++) {
                library.tunes().add("Tune %d %s".formatted(i, "of the long shelf ".repeat(6)), "reel", "D major", "4/4", "document " + i);
            }
        }
    }

    private void spoil(String sql) throws Exception {
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file); Statement statement = other.createStatement()) {
            statement.execute(sql);
        }
    }

    /** Overwrites a leaf page of a table, in the middle of it. */
    private void spoilPageHolding(String text) throws Exception {
        int size;
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file); Statement statement = other.createStatement();
                ResultSet page = statement.executeQuery("PRAGMA page_size")) {
            size = page.getInt(1);
        }
        byte[] bytes = Files.readAllBytes(file);
        int at = new String(bytes, StandardCharsets.ISO_8859_1).indexOf(text);
        try (RandomAccessFile out = new RandomAccessFile(file.toFile(), "rw")) {
            out.seek((long) at / size * size);
            out.write(new byte[size]);
        }
    }

    @Test
    void aDamagedPageHidesNoneOfTheOtherTunes() throws Exception {
        spoilPageHolding("Tune 200 ");
        try (Library library = Library.open(file)) {
            Rows<TuneEntry> tunes = library.tunes().all();
            assertThat(tunes.read()).extracting(TuneEntry::id).contains(1L, 100L, 300L, 400L).doesNotContain(200L).doesNotHaveDuplicates()
                    .isSorted().hasSizeGreaterThan(TUNES - 60);
            assertThat(tunes.unread()).singleElement().asString().contains("damaged", "make a copy");
            assertThat(library.examine()).get().asString().contains("damaged", file.toString());
            assertThat(library.tunes().current(300).document()).isEqualTo("document 300");
        }
    }

    @Test
    void aRowThatMakesNoSenseIsToldAndKept() throws Exception {
        LoggedPass pass = new LoggedPass(Instant.EPOCH, 1, Optional.of(1L), "Tune 1", "A", "whistle-d", "full", "keys", Optional.empty(), 0, true, 0, 0, 0,
                8, 0, 0);
        try (Library library = Library.open(file)) {
            library.log().add(List.of(pass, pass, pass));
        }
        spoil("UPDATE practice_pass SET at = 'last Thursday' WHERE id = 2");
        try (Library library = Library.open(file)) {
            assertThat(library.log().passes().read()).hasSize(2);
            assertThat(library.log().passes().unread()).singleElement().asString().contains("practised pass 2", "left out");
        }
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file); Statement statement = other.createStatement()) {
            assertThat(statement.executeQuery("SELECT at FROM practice_pass WHERE id = 2").getString(1)).isEqualTo("last Thursday");
        }
    }

    @Test
    void aCircleAmongEditionsEnds() throws Exception {
        long last;
        try (Library library = Library.open(file)) {
            last = library.tunes().save(1, 1, "a roll", "v1").edition().id();
        }
        spoil("UPDATE edition SET parent_id = %d WHERE id = 1".formatted(last));
        try (Library library = Library.open(file)) {
            Steps steps = library.tunes().steps(1);
            assertThat(steps.editions()).extracting(EditionEntry::id).containsExactly(1L, last);
            assertThat(steps.now().document()).isEqualTo("v1");
            assertThat(steps.remark()).get().asString().contains("damaged");
        }
    }

    @Test
    void aTuneWhoseLatestEditionIsGoneOpensAtTheOneBefore() throws Exception {
        try (Library library = Library.open(file)) {
            library.tunes().save(7, 7, "a roll", "v1");
        }
        spoil("UPDATE tune SET current_edition = 99999 WHERE id = 7");
        try (Library library = Library.open(file)) {
            Steps steps = library.tunes().steps(7);
            assertThat(steps.now().document()).isEqualTo("v1");
            assertThat(steps.remark()).get().asString().contains("cannot be read");
            assertThat(library.tunes().save(7, steps.now().id(), "a cut", "v2").meanwhile()).isEmpty();
            assertThat(library.tunes().steps(7).remark()).isEmpty();
        }
        spoil("DELETE FROM edition WHERE tune_id = 9");
        try (Library library = Library.open(file)) {
            assertThatThrownBy(() -> library.tunes().steps(9)).isInstanceOf(LibraryFault.class);
            assertThat(library.tunes().all().read()).hasSize(TUNES);
        }
    }

    @Test
    void aLibraryThatWasLeftOpenSaysSo() throws Exception {
        Path killed = folder.resolve("killed.db");
        try (Library library = Library.open(file)) {
            assertThat(library.wasLeftOpen()).isFalse();
            library.tunes().save(1, 1, "a roll", "v1");
            // What a power failure leaves: the file and its journal as they are at that moment.
            Files.copy(file, killed);
            Files.copy(folder.resolve("library.db-wal"), folder.resolve("killed.db-wal"));
        }
        try (Library library = Library.open(killed)) {
            assertThat(library.wasLeftOpen()).isTrue();
            assertThat(library.examine()).isEmpty();
            assertThat(library.tunes().current(1).document()).isEqualTo("v1");
        }
    }

    private List<String> tables() throws Exception {
        List<String> names = new ArrayList<>();
        try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file); Statement statement = other.createStatement();
                ResultSet found = statement.executeQuery("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'")) {
            while (found.next()) {
                names.add(found.getString(1));
            }
        }
        return names;
    }

    @Test
    void aCopyIsKeptOfWhatIsBroughtToNewTables() throws Exception {
        String then = String.join("\n", Schema.upTo(3));
        for (String table : tables()) {
            if (!then.contains("CREATE TABLE " + table + " ")) {
                spoil("DROP TABLE " + table);
            }
        }
        spoil("PRAGMA user_version = 3");
        try (Library library = Library.open(file)) {
            assertThat(library.log().passes().read()).isEmpty();
        }
        Path copy = folder.resolve("library.db.of-version-3");
        try (Connection kept = DriverManager.getConnection("jdbc:sqlite:" + copy); Statement statement = kept.createStatement()) {
            assertThat(statement.executeQuery("SELECT count(*) FROM edition").getInt(1)).isEqualTo(TUNES);
            assertThat(statement.executeQuery("PRAGMA user_version").getInt(1)).isEqualTo(3);
        }
        try (var files = Files.list(folder)) {
            assertThat(files).noneMatch(f -> f.toString().endsWith(".part"));
        }
    }
}
