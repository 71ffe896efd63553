package wildflourish.sound.transport;

/**
 * What sounds beside the tune.
 *
 * @param metronome whether beats click
 */
public record Backing(boolean metronome, Under under) {

    /** What lies softly underneath. */
    public enum Under {
        NOTHING("solo"), DRONE("drone"), CHORDS("chords");

        private final String words;

        Under(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /** The tune alone. */
    public static final Backing NONE = new Backing(false, Under.NOTHING);

    public Backing withMetronome(boolean on) {
        return new Backing(on, under);
    }

    public Backing with(Under other) {
        return new Backing(metronome, other);
    }
}
