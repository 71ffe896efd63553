package wildflourish.sound.engine;

/** Something that takes samples and lets them be heard. */
public interface Output extends AutoCloseable {

    /** What it is, for reading: {@code the sound card}. */
    String name();

    /** Whether anybody can hear it. */
    boolean isAudible();

    /**
     * Takes samples between −1 and 1, {@code Voice.RATE} a second, and returns when there is room for more.
     *
     * @throws OutputLost when the device is gone
     */
    void write(float[] block, int frames) throws OutputLost;

    /** How many of the samples written have been heard by now. */
    long heard();

    /** Samples between writing and hearing. */
    int latency();

    /** Gets ready after a silence in which nothing was written. */
    void resume();

    @Override
    void close();

    /** The device is gone. */
    final class OutputLost extends Exception {
        private static final long serialVersionUID = 1L;

        /** With a reason for the log. */
        public OutputLost(String message) {
            super(message);
        }
    }
}
