package wildflourish.sound.transport;

/**
 * What sounds beside the tune.
 *
 * @param metronome whether beats click
 * @param room whether it is played in a small room; clicks are not
 */
public record Backing(boolean metronome, Under under, boolean room) {

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

    /** The tune alone, as it leaves the instrument. */
    public static final Backing NONE = new Backing(false, Under.NOTHING, false);

    /** The tune alone, in a room. */
    public static final Backing USUAL = NONE.withRoom(true);

    public Backing withMetronome(boolean on) {
        return new Backing(on, under, room);
    }

    public Backing with(Under other) {
        return new Backing(metronome, other, room);
    }

    public Backing withRoom(boolean on) {
        return new Backing(metronome, under, on);
    }
}
