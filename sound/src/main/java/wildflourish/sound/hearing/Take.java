package wildflourish.sound.hearing;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;

/**
 * A recording that is held in memory, mixed to one channel of 16 bits, so that any stretch of it can be played at once: five minutes are 26 MB.
 */
public final class Take {

    /** Longer ones are refused, in minutes. */
    public static final int MOST_MINUTES = 20;

    private static final float FULL = 32_767;
    private static final int BLOCK = 8192;

    private final int rate;
    private final short[] samples;

    private Take(int rate, short[] samples) {
        this.rate = rate;
        this.samples = samples;
    }

    /**
     * Takes sound in to its end.
     *
     * @param progress told how many seconds have been taken in
     * @param stopped asked between blocks; when it says yes, what has been taken in so far is given back
     * @throws NoRecording where it is too long
     */
    public static Take of(Audio audio, DoubleConsumer progress, BooleanSupplier stopped) {
        float[][] block = new float[audio.channels()][BLOCK];
        short[] all = new short[30 * audio.rate()];
        int size = 0;
        for (int count = audio.mixed(block); count > 0 && !stopped.getAsBoolean(); count = audio.mixed(block)) {
            if ((long) size + count > MOST_MINUTES * 60L * audio.rate()) {
                throw new NoRecording("it is longer than %d minutes: cut out the part in which the tune is played".formatted(MOST_MINUTES));
            }
            if (size + count > all.length) {
                all = Arrays.copyOf(all, 2 * all.length);
            }
            for (int i = 0; i < count; i++) {
                all[size + i] = (short) Math.round(FULL * Math.clamp(block[0][i], -1f, 1f));
            }
            size += count;
            progress.accept((double) size / audio.rate());
        }
        return new Take(audio.rate(), Arrays.copyOf(all, size));
    }

    /** How long it is, in milliseconds. */
    public double lengthMs() {
        return samples.length * 1000.0 / rate;
    }

    /** The whole of it. */
    public Audio audio() {
        return audio(0, lengthMs());
    }

    /** A stretch of it, as far as it lies within. */
    public Audio audio(double fromMs, double toMs) {
        int from = Math.clamp(Math.round(fromMs * rate / 1000), 0, samples.length);
        int to = Math.clamp(Math.round(toMs * rate / 1000), from, samples.length);
        return new Audio() {
            private int at = from;

            @Override
            public int rate() {
                return rate;
            }

            @Override
            public int channels() {
                return 1;
            }

            @Override
            public int read(float[][] block) {
                int count = Math.min(block[0].length, to - at);
                for (int i = 0; i < count; i++) {
                    block[0][i] = samples[at + i] / FULL;
                }
                at += count;
                return count;
            }
        };
    }
}
