package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a run needs on the disk goes with it, or with the next. */
class TemporaryFilesTest {

    @TempDir
    Path folder;

    /** A killed window leaves fonts and copies in the folder of its run: the next start clears it away, and no folder of a run that goes on. */
    @Test
    void whatKilledRunsLeftIsClearedAwayByTheNextStart() throws Exception {
        Path all = folder.resolve("runs");
        Process over = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-version").redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        over.waitFor();
        Path killed = Files.createDirectories(all.resolve("run-" + over.pid()).resolve("wild-flourish7"));
        Files.writeString(killed.resolve("+JXF1.tmp"), "a font");
        Path alive = Files.createDirectories(all.resolve("run-" + ProcessHandle.current().parent().orElseThrow().pid()));
        Path other = Files.writeString(all.resolve("run-notes"), "somebody's");
        Path own = TemporaryFiles.begin(all, ProcessHandle.current().pid());
        assertThat(own).isEmptyDirectory();
        assertThat(killed.getParent()).doesNotExist();
        assertThat(alive).exists();
        assertThat(other).exists();
    }

    @Test
    void eachFolderOfThisRunIsAnother() throws Exception {
        Path one = TemporaryFiles.folder("a");
        Path two = TemporaryFiles.folder("a");
        assertThat(one).isNotEqualTo(two).isEmptyDirectory();
        assertThat(one.getParent().getFileName()).hasToString("run-" + ProcessHandle.current().pid());
    }
}
