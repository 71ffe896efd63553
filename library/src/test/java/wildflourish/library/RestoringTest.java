package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.function.Predicate;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.lesson.Student;

/** Back-ups that are damaged, come from elsewhere, or hold recordings, and what a restore does with them. */
class RestoringTest {

    private static final Clock THURSDAY = Clock.fixed(Instant.parse("2026-11-26T18:00:00Z"), ZoneOffset.UTC);
    private static final Predicate<String> READS = document -> document.startsWith("X:");
    private static final int TUNES = 13;

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("library.db");
    }

    private static void fill(Library library) {
        for (int i = 0; i < TUNES; i++) {
            library.tunes().add("Tune " + i, "reel", "D major", "4/4", "X:1\nT:Tune " + i + "\nK:D\n" + "FAdf afdA|".repeat(600));
        }
        library.people().add(Student.of("Ina Skerry", "Thursday", "whistle-d", "fluent"));
    }

    @BeforeEach
    void aLibrary() throws IOException {
        try (Library library = Library.open(file(), THURSDAY)) {
            fill(library);
            Path take = library.folder(Library.RECORDINGS).resolve("1/ina first take.wav");
            Files.createDirectories(take.getParent());
            Files.writeString(take, "a recording");
        }
    }

    private Path backup(String name) {
        Path to = folder.resolve("kept").resolve(name);
        new Backups(file(), THURSDAY).write(to);
        return to;
    }

    private Backups backups() {
        return new Backups(file(), THURSDAY);
    }

    private List<String> titles() {
        try (Library library = Library.open(file(), THURSDAY)) {
            return library.tunes().all().read().stream().map(TuneEntry::title).toList();
        }
    }

    /** Pages of the documents, overwritten as a failing stick does. */
    private static void damage(Path file) throws IOException {
        try (RandomAccessFile raw = new RandomAccessFile(file.toFile(), "rw")) {
            for (long at = raw.length() * 2 / 3; at < raw.length() * 2 / 3 + 30_000; at += 4096) {
                raw.seek(at / 4096 * 4096);
                raw.write(new byte[4096]);
            }
        }
    }

    @Test
    void aDamagedBackupIsToldWithCountsAndPutBackOnlyWhenForced() throws IOException {
        Path backup = backup("copy.db");
        damage(backup);
        Examination found = Backups.examine(backup, READS, Progress.NONE);
        assertThat(found.isSound()).isFalse();
        assertThat(found.tunes()).isEqualTo(TUNES);
        assertThat(found.readableTunes()).isBetween(1, TUNES - 1);
        assertThat(found.inWords()).contains("%d of 13 tunes can be read".formatted(found.readableTunes()), "damaged");
        assertThatThrownBy(() -> backups().restore(backup, READS)).isInstanceOf(LibraryFault.class).hasMessageContaining("of 13 tunes can be read")
                .hasMessageContaining("the library is as it was");
        assertThat(titles()).hasSize(TUNES);
        Backups.Restored restored = backups().restore(backup, READS, true, Progress.NONE);
        assertThat(restored.before()).isPresent();
        try (Library library = Library.open(file(), THURSDAY)) {
            assertThat(library.examine()).isPresent();
        }
        assertThat(backups().restore(restored.before().orElseThrow(), READS).examination().isSound()).as("the way back").isTrue();
        assertThat(titles()).hasSize(TUNES);
    }

    @Test
    void aDocumentThatMakesNoSenseIsFound() throws IOException {
        Path backup = folder.resolve("odd.db");
        try (Library library = Library.open(backup, THURSDAY)) {
            library.tunes().add("Fine", "reel", "D major", "4/4", "X:1\nT:Fine\nK:D\nD|");
            library.tunes().add("Odd", "reel", "D major", "4/4", "nothing that can be read");
        }
        assertThat(Backups.examine(backup, READS, Progress.NONE).inWords()).contains("1 of 2 tunes can be read");
    }

    @Test
    void anEmptyFileIsNoBackup() throws IOException {
        Path empty = Files.createFile(folder.resolve("empty.db"));
        for (boolean force : new boolean[] {false, true}) {
            assertThatThrownBy(() -> backups().restore(empty, READS, force, Progress.NONE)).isInstanceOf(LibraryFault.class).hasMessageContaining("is empty");
        }
        assertThatThrownBy(() -> Backups.look(empty)).hasMessageContaining("is empty");
        assertThatThrownBy(() -> Backups.examine(empty, READS, Progress.NONE)).hasMessageContaining("is empty");
        assertThat(titles()).hasSize(TUNES);
    }

    @Test
    void aLibraryCopiedByHandComesBackWithItsJournal() throws IOException {
        Path copy = folder.resolve("by hand/library.db");
        Files.createDirectories(copy.getParent());
        try (Library library = Library.open(file(), THURSDAY)) {
            library.people().add(Student.of("Ruari Holm", "Thursday", "fiddle", "learner"));
            Files.copy(file(), copy);
            Files.copy(folder.resolve("library.db-wal"), copy.resolveSibling("library.db-wal"));
        }
        Path elsewhere = folder.resolve("new machine/library.db");
        Backups.Restored restored = new Backups(elsewhere, THURSDAY).restore(copy, READS);
        assertThat(restored.before()).isEmpty();
        assertThat(restored.examination().students()).isEqualTo(2);
        try (Library there = Library.open(elsewhere, THURSDAY)) {
            assertThat(there.people().all().read()).hasSize(2);
        }
        assertThat(backups().restore(copy, READS).examination().students()).isEqualTo(2);
        assertThat(copy.resolveSibling("library.db-wal")).as("the copy itself is not opened").exists();
        assertThat(copy.resolveSibling("library.db-shm")).doesNotExist();
    }

    @Test
    void aJournalWithoutItsLibraryIsKeptAndToldAsThat() throws IOException {
        Path journal = folder.resolve("library.db-wal");
        try (Library library = Library.open(file(), THURSDAY)) {
            library.people().add(Student.of("Ruari Holm", "Thursday", "fiddle", "learner"));
            Files.copy(journal, folder.resolve("saved"));
        }
        Files.delete(file());
        Files.move(folder.resolve("saved"), journal);
        byte[] before = Files.readAllBytes(journal);
        assertThatThrownBy(() -> Library.open(file(), THURSDAY)).isInstanceOf(LibraryFault.class).hasMessageContaining("only its journal library.db-wal is there")
                .hasMessageNotContaining("damaged");
        assertThat(Files.readAllBytes(journal)).isEqualTo(before);
        assertThatThrownBy(() -> Backups.examine(file(), READS, Progress.NONE)).hasMessageContaining("only its journal is there");
    }

    @Test
    void anArchiveBringsRecordingsBackAndSoDoesTheWayBack() throws IOException {
        Path archive = backup("all.zip");
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            assertThat(zip.stream().map(ZipEntry::getName)).containsExactlyInAnyOrder("library.db", "recordings/1/ina first take.wav", "manifest.json");
        }
        Path take = folder.resolve("library-recordings/1/ina first take.wav");
        Files.writeString(take, "a later one");
        Backups.Restored restored = backups().restore(archive, READS);
        assertThat(restored.examination().inWords()).contains("13 tunes", "1 student,", "1 recording");
        assertThat(take).hasContent("a recording");
        assertThat(backups().restore(restored.before().orElseThrow(), READS).examination().recordings()).isEqualTo(1);
        assertThat(take).as("undone").hasContent("a later one");
        Path elsewhere = folder.resolve("new machine/mine.db");
        new Backups(elsewhere, THURSDAY).restore(archive, READS);
        assertThat(folder.resolve("new machine/mine-recordings/1/ina first take.wav")).hasContent("a recording");
        try (Library there = Library.open(elsewhere, THURSDAY)) {
            assertThat(there.tunes().all().read()).hasSize(TUNES);
        }
    }

    @Test
    void anArchiveThatIsNotWhatItsManifestSaysIsNotPutInPlace() throws IOException {
        Path archive = backup("all.zip");
        Path changed = rewritten(archive, "recordings/1/ina first take.wav", "another".getBytes(StandardCharsets.UTF_8));
        Examination found = Backups.examine(changed, READS, Progress.NONE);
        assertThat(found.isSound()).isFalse();
        assertThat(found.inWords()).contains("its checksum differs");
        assertThatThrownBy(() -> backups().restore(changed, READS)).hasMessageContaining("checksum differs");
        byte[] bytes = Files.readAllBytes(archive);
        Path torn = Files.write(folder.resolve("torn.zip"), java.util.Arrays.copyOf(bytes, bytes.length / 2));
        assertThatThrownBy(() -> backups().restore(torn, READS, true, Progress.NONE)).isInstanceOf(LibraryFault.class);
        String manifest;
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            manifest = new String(zip.getInputStream(zip.getEntry("manifest.json")).readAllBytes(), StandardCharsets.UTF_8);
        }
        Path leading = rewritten(archive, "manifest.json", manifest.replace("recordings/1/ina first take.wav", "recordings/../../../etc/x").getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> backups().restore(leading, READS, true, Progress.NONE)).isInstanceOf(LibraryFault.class).hasMessageContaining("outside itself");
        assertThat(titles()).hasSize(TUNES);
        assertThat(leftovers()).isEmpty();
    }

    private List<Path> leftovers() throws IOException {
        try (var all = Files.list(folder)) {
            return all.filter(f -> f.getFileName().toString().contains(".restoring-") || f.toString().endsWith(".part")).toList();
        }
    }

    private Path rewritten(Path archive, String name, byte[] content) throws IOException {
        Path out = folder.resolve("rewritten.zip");
        try (ZipFile zip = new ZipFile(archive.toFile()); ZipOutputStream to = new ZipOutputStream(Files.newOutputStream(out))) {
            for (ZipEntry entry : zip.stream().toList()) {
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(entry.getName().equals(name) ? content : zip.getInputStream(entry).readAllBytes());
                to.closeEntry();
            }
        }
        return out;
    }

    @Test
    void aLibraryTooDamagedToBeCopiedIsKeptAsItIsAndReplaced() throws IOException {
        Path archive = backup("all.zip");
        byte[] garbage = "nothing but words ".repeat(3000).getBytes(StandardCharsets.UTF_8);
        Files.write(file(), garbage);
        Backups.Restored restored = backups().restore(archive, READS);
        assertThat(titles()).hasSize(TUNES);
        assertThat(Files.readAllBytes(restored.before().orElseThrow())).isEqualTo(garbage);
    }

    @Test
    void aBackupOverTheLibraryItselfIsRefusedBehindALinkToo() throws IOException {
        Path link = folder.resolve("link.db");
        Files.createSymbolicLink(link, file());
        Path hard = folder.resolve("hard.db");
        Files.createLink(hard, file());
        for (Path itself : List.of(file(), link, hard, folder.resolve("library.db-wal"))) {
            assertThatThrownBy(() -> backups().write(itself)).as(itself.toString()).isInstanceOf(LibraryFault.class).hasMessageContaining("the library itself");
        }
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(titles()).hasSize(TUNES);
        Path elsewhere = Files.createFile(folder.resolve("elsewhere.db"));
        Path other = Files.createSymbolicLink(folder.resolve("other-link.db"), elsewhere);
        backups().write(other);
        assertThat(Files.isSymbolicLink(other)).as("a link stays a link").isTrue();
        assertThat(Backups.look(elsewhere).tunes()).isEqualTo(TUNES);
    }

    @Test
    void aFolderMayBeCalledAsAnybodyLikes() throws IOException {
        for (String name : List.of("what?mode=memory", "100% #1", "quote\"d", "Fähre 'n' ålesund", "a;b&c")) {
            Path own = folder.resolve(name).resolve("lib rary?.db");
            try (Library library = Library.open(own, THURSDAY)) {
                fill(library);
                library.backups().write(own.resolveSibling("copy?.db"));
                library.restore(own.resolveSibling("copy?.db"), READS, false, Progress.NONE);
                assertThat(library.tunes().all().read()).hasSize(TUNES);
                assertThat(library.examine()).isEmpty();
                assertThat(library.file()).isEqualTo(own);
            }
            assertThat(own).isRegularFile();
        }
    }
}
