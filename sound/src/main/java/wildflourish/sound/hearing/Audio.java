package wildflourish.sound.hearing;

import java.util.function.BooleanSupplier;

/**
 * Sound that is read from its beginning to its end, a block at a time, so that an hour of it takes no more room than a minute.
 */
public interface Audio extends AutoCloseable {

    /** Samples a second in each channel. */
    int rate();

    /** 1 for mono, 2 for stereo. */
    int channels();

    /**
     * Reads on.
     *
     * @param block an array for each channel, filled from its beginning with samples from −1 to 1
     * @return how many samples of each channel were read, fewer than the block takes only at the end; 0 when nothing is left
     */
    int read(float[][] block);

    /**
     * Reads on, all channels mixed to one.
     *
     * @param block as for {@link #read}; its first array has the mixed samples afterwards
     */
    default int mixed(float[][] block) {
        int count = read(block);
        for (int i = 0; i < count && block.length > 1; i++) {
            float sum = 0;
            for (float[] channel : block) {
                sum += channel[i];
            }
            block[0][i] = sum / block.length;
        }
        return count;
    }

    /** The same, at its end as soon as it is enough. */
    default Audio until(BooleanSupplier enough) {
        return new Derived(this) {
            @Override
            public int read(float[][] block) {
                return enough.getAsBoolean() ? 0 : source.read(block);
            }
        };
    }

    @Override
    default void close() {}
}
