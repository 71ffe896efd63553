package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SafeWriteTest {

    private static final byte[] BYTES = {1, 2, 3};

    @TempDir
    private Path folder;

    private List<String> names() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    private void onPosix() {
        assumeTrue(folder.getFileSystem().supportedFileAttributeViews().contains("posix"));
    }

    @Test
    void aNewFileHasTheRightsOfNewFilesAndAnOldOneKeepsItsOwn() throws IOException {
        onPosix();
        Path usual = Files.createFile(folder.resolve("usual"));
        SafeWrite.write(folder.resolve("new"), BYTES);
        assertThat(Files.getPosixFilePermissions(folder.resolve("new"))).isEqualTo(Files.getPosixFilePermissions(usual));
        Path old = Files.createFile(folder.resolve("old"));
        Files.setPosixFilePermissions(old, PosixFilePermissions.fromString("rw-r-----"));
        SafeWrite.write(old, BYTES);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(old))).isEqualTo("rw-r-----");
        assertThat(old).hasBinaryContent(BYTES);
        assertThat(names()).containsExactly("new", "old", "usual");
    }

    @Test
    void aLinkStaysALinkAndItsFileIsWritten() throws IOException {
        onPosix();
        Path file = folder.resolve("deep/file");
        Path link = Files.createSymbolicLink(folder.resolve("link"), Path.of("deep/file"));
        SafeWrite.write(link, BYTES);
        assertThat(link).isSymbolicLink();
        assertThat(file).hasBinaryContent(BYTES);
        Path one = Files.createSymbolicLink(folder.resolve("one"), Path.of("two"));
        Files.createSymbolicLink(folder.resolve("two"), Path.of("one"));
        assertThatThrownBy(() -> SafeWrite.write(one, BYTES)).isInstanceOf(FileSystemException.class).hasMessageContaining("circle");
    }

    @Test
    void aFolderIsRefusedAndNothingIsLeftBehind() throws IOException {
        Path inside = Files.createDirectories(folder.resolve("there"));
        Files.createFile(inside.resolve("kept"));
        assertThatThrownBy(() -> SafeWrite.write(inside, BYTES)).isInstanceOf(FileSystemException.class).hasMessageContaining("folder");
        assertThatThrownBy(() -> SafeWrite.write(folder.getRoot(), BYTES)).isInstanceOf(FileSystemException.class).hasMessageContaining("folder");
        assertThatThrownBy(() -> SafeWrite.write(inside.resolve("kept/file"), BYTES)).isInstanceOf(IOException.class);
        assertThat(names()).containsExactly("there");
        assertThat(inside.resolve("kept")).exists();
    }

    @Test
    void aFullDeviceIsAFaultAndStaysADevice() {
        Path full = Path.of("/dev/full");
        assumeTrue(Files.exists(full));
        assertThatThrownBy(() -> SafeWrite.write(full, BYTES)).isInstanceOf(IOException.class);
        assertThat(Files.isRegularFile(full)).isFalse();
    }
}
