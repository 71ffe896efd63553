package wildflourish.app.listening;

import java.util.Optional;

/**
 * What is listened to, and how.
 *
 * @param again whether it goes around
 * @param against another rung that is heard on every second pass
 * @param from first note of the marked stretch; {@code to} its last
 * @param playing whether something is heard
 */
public record ListeningState(
        Extent stretch, boolean again, Optional<Integer> against, Optional<Integer> from, Optional<Integer> to, Manner manner, boolean playing) {

    /** What of the tune is heard. */
    public enum Extent {
        TUNE("from this note on"), PART("this part"), PHRASE("this phrase"), BAR("this bar"), MARKED("from [ to ]"),
        ORNAMENT("this note, plain then decorated");

        private final String words;

        Extent(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /** As it is before anything is chosen. */
    public static final ListeningState USUAL = new ListeningState(Extent.TUNE, false, Optional.empty(), Optional.empty(), Optional.empty(),
            Manner.USUAL, false);

    public ListeningState with(Extent other) {
        return new ListeningState(other, again, against, from, to, manner, playing);
    }

    public ListeningState withAgain(boolean on) {
        return new ListeningState(stretch, on, against, from, to, manner, playing);
    }

    public ListeningState withAgainst(Optional<Integer> rung) {
        return new ListeningState(stretch, again, rung, from, to, manner, playing);
    }

    public ListeningState marked(Optional<Integer> first, Optional<Integer> last) {
        return new ListeningState(stretch, again, against, first, last, manner, playing);
    }

    public ListeningState with(Manner other) {
        return new ListeningState(stretch, again, against, from, to, other, playing);
    }

    public ListeningState withPlaying(boolean on) {
        return new ListeningState(stretch, again, against, from, to, manner, on);
    }
}
