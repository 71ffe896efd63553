package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** Writes files whole or not at all: what stood in the place before stays when anything fails. */
public final class SafeWrite {

    private SafeWrite() {}

    /** Writes the bytes beside the place first and then moves them there. */
    public static void write(Path file, byte[] bytes) throws IOException {
        Path folder = file.toAbsolutePath().getParent();
        Files.createDirectories(folder);
        Path beside = Files.createTempFile(folder, ".flourish", ".part");
        try {
            Files.write(beside, bytes);
            try {
                Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } catch (AtomicMoveNotSupportedException e) {
                Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
            }
        } finally {
            Files.deleteIfExists(beside);
        }
    }
}
