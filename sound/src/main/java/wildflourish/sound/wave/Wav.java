package wildflourish.sound.wave;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import wildflourish.sound.engine.Limiter;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Playback;
import wildflourish.sound.voice.Voice;

/** Renders courses faster than they could be heard. */
public final class Wav {

    private static final int BLOCK = 4096;
    /** What still rings after the end is cut off here. */
    private static final int RINGING = Voice.RATE;
    /** No file is longer than this: half an hour. */
    private static final long LONGEST = 30L * 60 * Voice.RATE;

    private Wav() {}

    /** What cannot be written because of its length, with words for the user. */
    public static final class TooLong extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private TooLong(String message) {
            super(message);
        }
    }

    /** The samples of a course that is played once, and what rings on behind it for a second at most. */
    public static float[] samples(Course course) {
        return samples(course, p -> { }, () -> false);
    }

    /**
     * As above, telling how far it is.
     *
     * @param progress told shares from 0 to 1
     * @param stopped asked between blocks; when it says yes, what is rendered so far is given back
     * @throws TooLong for a course without end, or longer than half an hour
     */
    public static float[] samples(Course course, DoubleConsumer progress, BooleanSupplier stopped) {
        if (course.itinerary().again() || course.frames() > LONGEST) {
            throw new TooLong(course.itinerary().again() ? "what goes around without end cannot be written"
                    : "it lasts %d minutes; only what ends within half an hour can be written: take a part of it, or a faster tempo".formatted(
                            course.frames() / Voice.RATE / 60));
        }
        int frames = (int) course.frames() + RINGING;
        float[] all = new float[frames];
        Playback playback = new Playback(course);
        Limiter limiter = new Limiter();
        float[] block = new float[BLOCK];
        int done = -Limiter.DELAY;
        while (done < frames && !stopped.getAsBoolean()) {
            java.util.Arrays.fill(block, 0);
            playback.render(block, 0, BLOCK);
            limiter.limit(block, 0, BLOCK);
            int skip = Math.max(0, -done);
            int count = Math.min(BLOCK - skip, frames - done - skip);
            System.arraycopy(block, skip, all, done + skip, count);
            done += BLOCK;
            progress.accept(Math.clamp((double) done / frames, 0, 1));
        }
        return all;
    }

    /** Samples as a WAV file: 48,000 a second, 16 bits, mono. */
    public static byte[] bytes(float[] samples) {
        byte[] pcm = new byte[2 * samples.length];
        for (int i = 0; i < samples.length; i++) {
            int value = Math.round(Math.clamp(samples[i], -1f, 1f) * 32767);
            pcm[2 * i] = (byte) value;
            pcm[2 * i + 1] = (byte) (value >> 8);
        }
        AudioFormat format = new AudioFormat(Voice.RATE, 16, 1, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream(pcm.length + 64);
        try {
            AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(pcm), format, samples.length), AudioFileFormat.Type.WAVE, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
