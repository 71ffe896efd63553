package wildflourish.sound.hearing;

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

    @Override
    default void close() {}
}
