package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.desk.DeskApplication;
import wildflourish.library.Library;
import wildflourish.library.WrittenFile;

/** Back-ups on the command line. */
class BackupCommandTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path library;

    @BeforeEach
    void theDemoClass() throws IOException {
        library = folder.resolve("class.db");
        try (Library open = Library.open(library)) {
            DeskApplication.fillWithDemo(open);
            Path take = Files.createDirectories(open.folder(Library.RECORDINGS).resolve("1")).resolve("a take.wav");
            Files.writeString(take, "sound");
        }
    }

    @Test
    void aBackUpComesBackAndIsUndone() {
        Path archive = folder.resolve("kept.zip");
        assertThat(run("backup", archive, "--library", library)).isZero();
        assertThat(out.toString()).contains("13 tunes", "8 students");
        assertThat(err.toString()).isEmpty();
        assertThat(run("restore", archive, "--library", library)).isZero();
        assertThat(out.toString()).contains("1 recording");
        assertThat(err.toString()).contains("nothing was changed", "--yes");
        try (Library open = Library.open(library)) {
            open.tunes().remove(1);
            assertThat(open.people().written()).extracting(WrittenFile::kind).contains(WrittenFile.BACKUP);
        }
        assertThat(run("restore", archive, "--library", library, "--yes")).isZero();
        String undo = out.toString().replaceFirst("(?s).*to undo it: flourish restore \"(.*)\" --yes.*", "$1");
        assertThat(Path.of(undo)).isRegularFile();
        try (Library open = Library.open(library)) {
            assertThat(open.tunes().all().read()).hasSize(13);
        }
        assertThat(run("restore", undo, "--library", library, "--yes")).isZero();
        try (Library open = Library.open(library)) {
            assertThat(open.tunes().all().read()).hasSize(12);
        }
        assertThat(run("backup", "--library", library)).isZero();
        assertThat(out.toString()).contains(".before-restore-");
    }

    @Test
    void aDamagedOneIsToldWithCountsAndNeedsForce() throws IOException {
        Path copy = folder.resolve("kept.db");
        assertThat(run("backup", copy, "--library", library)).isZero();
        assertThat(err.toString()).contains("1 recording is not in it", ".zip");
        try (RandomAccessFile raw = new RandomAccessFile(copy.toFile(), "rw")) {
            raw.seek(raw.length() * 3 / 4 / 4096 * 4096);
            raw.write(new byte[4096 * 6]);
        }
        assertThat(run("restore", copy, "--library", library)).isEqualTo(1);
        assertThat(out.toString()).as(err.toString()).containsPattern("\\d+ of 13 tunes can be read");
        assertThat(err.toString()).contains("--force");
        assertThat(run("restore", copy, "--library", library, "--yes")).isEqualTo(1);
        assertThat(err.toString()).contains("the library is as it was");
        assertThat(run("restore", copy, "--library", library, "--yes", "--force")).isZero();
        assertThat(out.toString()).contains("to undo it");
        assertThat(run("restore", Files.createFile(folder.resolve("none.db")), "--library", library, "--yes", "--force")).isEqualTo(1);
        assertThat(err.toString()).contains("is empty");
    }

    @Test
    void theLibraryItselfIsNoPlaceForItsBackUp() throws IOException {
        Path link = Files.createSymbolicLink(folder.resolve("link.db"), library);
        assertThat(run("backup", link, "--library", library, "--force")).isEqualTo(1);
        assertThat(err.toString()).contains("the library itself");
        assertThat(Files.isSymbolicLink(link)).isTrue();
    }
}
