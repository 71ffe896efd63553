package wildflourish.sound.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.NoRecording;
import wildflourish.sound.hearing.Recording;

/** Bytes as a recording, whose ending the first byte gives: it is read, or refused in words. */
public final class AudioTarget {

    private static final String[] ENDINGS = {".wav", ".aiff", ".flac", ".mp3"};
    private static final int BLOCK = 4096;
    /** A header may promise hours: so many blocks are enough. */
    private static final int MOST_BLOCKS = 200;

    private AudioTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) throws IOException {
        if (bytes.length == 0) {
            return;
        }
        Path file = Files.createTempFile("fuzz", ENDINGS[Math.floorMod(bytes[0], ENDINGS.length)]);
        try {
            Files.write(file, java.util.Arrays.copyOfRange(bytes, 1, bytes.length));
            try (Audio audio = Recording.open(file)) {
                float[][] block = new float[audio.channels()][BLOCK];
                for (int blocks = 0; blocks < MOST_BLOCKS && audio.read(block) > 0; blocks++) {
                    // Read on.
                }
            } catch (NoRecording e) {
                if (e.getMessage() == null || e.getMessage().isBlank()) {
                    throw new IllegalStateException("refused without words", e);
                }
            }
        } finally {
            Files.delete(file);
        }
    }
}
