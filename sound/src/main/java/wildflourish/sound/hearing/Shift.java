package wildflourish.sound.hearing;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/**
 * Another tempo without another pitch, another pitch without another tempo.
 *
 * @param tempo 0.75 for three quarters of its tempo, from {@value #SLOWEST} to {@value #FASTEST}
 * @param cents how far the pitch moves, in hundredths of a semitone, {@value #FARTHEST} at most either way
 */
public record Shift(double tempo, double cents) {

    public static final double SLOWEST = 0.25;
    public static final double FASTEST = 2;
    /** A semitone more than an octave: the octave, and the cents for an old standard of pitch. */
    public static final double FARTHEST = 1300;

    private static final double OCTAVE = 1200;
    private static final int BLOCK = 4096;

    public Shift {
        if (!(tempo >= SLOWEST && tempo <= FASTEST)) {
            throw new IllegalArgumentException("a recording is played at 25 to 200 % of its tempo");
        }
        if (!(Math.abs(cents) <= FARTHEST)) {
            throw new IllegalArgumentException("a recording is moved by 12 semitones and 100 cents at most");
        }
    }

    /** The sound, moved. */
    public Audio of(Audio source) {
        double ratio = Math.pow(2, cents / OCTAVE);
        Audio slowed = tempo == ratio ? source : new Slowed(source, tempo / ratio);
        return ratio == 1 ? slowed : new Resampled(slowed, ratio);
    }

    /**
     * Writes sound as a WAV file of 16 bits, and puts it in its place only when it is whole.
     *
     * @param progress told how many samples are written
     * @return whether it was written; not where it was told to stop
     * @throws NoRecording where there is no sound in it
     */
    public static boolean write(Audio audio, Path file, LongConsumer progress, BooleanSupplier stopped) throws IOException {
        Path folder = file.toAbsolutePath().getParent();
        Path made = Files.createTempFile(folder, ".shift", ".wav");
        try {
            AudioFormat format = new AudioFormat(audio.rate(), 16, audio.channels(), true, false);
            Bytes bytes = new Bytes(audio, progress, stopped);
            AudioSystem.write(new AudioInputStream(bytes, format, AudioSystem.NOT_SPECIFIED), AudioFileFormat.Type.WAVE, made.toFile());
            if (stopped.getAsBoolean()) {
                return false;
            }
            if (bytes.written == 0) {
                throw new NoRecording("there is no sound in it, so nothing was written: record or copy it again");
            }
            Files.move(made, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            return true;
        } finally {
            Files.deleteIfExists(made);
        }
    }

    /** Sound as the bytes of 16-bit samples. */
    private static final class Bytes extends InputStream {

        private final Audio audio;
        private final LongConsumer progress;
        private final BooleanSupplier stopped;
        private final float[][] block;
        private final byte[] bytes;
        private int at;
        private int to;
        private long written;

        Bytes(Audio audio, LongConsumer progress, BooleanSupplier stopped) {
            this.audio = audio;
            this.progress = progress;
            this.stopped = stopped;
            this.block = new float[audio.channels()][BLOCK];
            this.bytes = new byte[BLOCK * audio.channels() * 2];
        }

        @Override
        public int read() {
            return at < to || fill() ? bytes[at++] & 0xff : -1;
        }

        @Override
        public int read(byte[] into, int offset, int length) {
            if (at == to && !fill()) {
                return -1;
            }
            int count = Math.min(length, to - at);
            System.arraycopy(bytes, at, into, offset, count);
            at += count;
            return count;
        }

        private boolean fill() {
            int count = stopped.getAsBoolean() ? 0 : audio.read(block);
            for (int i = 0; i < count; i++) {
                for (int c = 0; c < block.length; c++) {
                    int value = Math.round(Math.clamp(block[c][i], -1f, 1f) * Short.MAX_VALUE);
                    int place = 2 * (i * block.length + c);
                    bytes[place] = (byte) value;
                    bytes[place + 1] = (byte) (value >> 8);
                }
            }
            at = 0;
            to = count * block.length * 2;
            written += count;
            progress.accept(written);
            return count > 0;
        }
    }
}
