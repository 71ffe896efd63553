package wildflourish.sound.hearing;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import org.jspecify.annotations.Nullable;

/** What Java's own readers, and those that it finds, make of a file. */
final class JavaSound implements Decoded {

    private static final int LOOKED_BACK = 1 << 16;
    private static final double FULL = 32_768;

    private final AudioInputStream stream;
    /** The same in words of sixteen bits, made when it is first read: what a file says of itself may be such that it cannot be. */
    private @Nullable AudioInputStream words;
    private byte[] bytes = {};

    private JavaSound(AudioInputStream stream) {
        this.stream = stream;
    }

    static JavaSound open(Path file) throws IOException, UnsupportedAudioFileException {
        InputStream in = new BufferedInputStream(Files.newInputStream(file), LOOKED_BACK);
        try {
            return new JavaSound(AudioSystem.getAudioInputStream(in));
        } catch (IOException | UnsupportedAudioFileException | RuntimeException | OutOfMemoryError e) {
            in.close();
            throw e;
        }
    }

    private static AudioInputStream words(AudioInputStream stream) {
        AudioFormat found = stream.getFormat();
        AudioFormat wanted = new AudioFormat(found.getSampleRate(), 16, found.getChannels(), true, false);
        return found.matches(wanted) ? stream : AudioSystem.getAudioInputStream(wanted, stream);
    }

    @Override
    public float rate() {
        return stream.getFormat().getSampleRate();
    }

    @Override
    public int channels() {
        return stream.getFormat().getChannels();
    }

    @Override
    public int read(float[][] block) throws IOException {
        AudioInputStream in = words == null ? words(stream) : words;
        words = in;
        int wanted = block[0].length * channels() * 2;
        if (bytes.length != wanted) {
            bytes = new byte[wanted];
        }
        int got = 0;
        for (int read = 0; got < wanted && read >= 0; got += Math.max(0, read)) {
            read = in.read(bytes, got, wanted - got);
        }
        int count = got / (channels() * 2);
        for (int i = 0; i < count; i++) {
            for (int c = 0; c < channels(); c++) {
                int place = 2 * (i * channels() + c);
                block[c][i] = (float) ((short) ((bytes[place] & 0xff) | bytes[place + 1] << 8) / FULL);
            }
        }
        return count;
    }

    @Override
    public void close() throws IOException {
        stream.close();
    }
}
