package wildflourish.app.listening;

import java.util.Optional;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;

/**
 * How it is listened to.
 *
 * @param percent of the tune's tempo
 * @param against another rung that is heard on every second pass
 * @param counted whether it is counted in
 * @param from first note of the marked stretch; {@code to} its last
 * @param playing whether something is heard
 */
public record ListeningState(
        Stretch stretch, boolean again, int percent, Optional<Integer> against, Backing backing, boolean counted, Lilt lilt,
        Optional<Integer> from, Optional<Integer> to, boolean playing) {

    /** What of the tune is heard. */
    public enum Stretch {
        TUNE("from this note on"), PART("this part"), PHRASE("this phrase"), BAR("this bar"), MARKED("from [ to ]"),
        ORNAMENT("this note, plain then decorated");

        private final String words;

        Stretch(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /** As it is before anything is chosen. */
    public static final ListeningState USUAL = new ListeningState(Stretch.TUNE, false, 100, Optional.empty(), Backing.NONE, false,
            Lilt.STRAIGHT, Optional.empty(), Optional.empty(), false);

    public ListeningState with(Stretch other) {
        return new ListeningState(other, again, percent, against, backing, counted, lilt, from, to, playing);
    }

    public ListeningState withAgain(boolean on) {
        return new ListeningState(stretch, on, percent, against, backing, counted, lilt, from, to, playing);
    }

    public ListeningState withPercent(int other) {
        return new ListeningState(stretch, again, other, against, backing, counted, lilt, from, to, playing);
    }

    public ListeningState withAgainst(Optional<Integer> rung) {
        return new ListeningState(stretch, again, percent, rung, backing, counted, lilt, from, to, playing);
    }

    public ListeningState with(Backing other) {
        return new ListeningState(stretch, again, percent, against, other, counted, lilt, from, to, playing);
    }

    public ListeningState withCounted(boolean on) {
        return new ListeningState(stretch, again, percent, against, backing, on, lilt, from, to, playing);
    }

    public ListeningState with(Lilt other) {
        return new ListeningState(stretch, again, percent, against, backing, counted, other, from, to, playing);
    }

    public ListeningState marked(Optional<Integer> first, Optional<Integer> last) {
        return new ListeningState(stretch, again, percent, against, backing, counted, lilt, first, last, playing);
    }

    public ListeningState withPlaying(boolean on) {
        return new ListeningState(stretch, again, percent, against, backing, counted, lilt, from, to, on);
    }

    /** How it is listened to, not what, as a line that {@link #recalled} reads. */
    public String remembered() {
        return "%d %s %s %s %s".formatted(percent, backing.under(), backing.metronome(), counted, lilt.id());
    }

    /** As {@link #remembered} wrote it; throws {@link IllegalArgumentException} for any other line. */
    public ListeningState recalled(String line) {
        String[] words = line.split(" ");
        if (words.length != 5) {
            throw new IllegalArgumentException(line);
        }
        Backing kept = new Backing(Boolean.parseBoolean(words[2]), Backing.Under.valueOf(words[1]));
        return withPercent(Math.clamp(Integer.parseInt(words[0]), 25, 150)).with(kept).withCounted(Boolean.parseBoolean(words[3]))
                .with(Lilt.byId(words[4]));
    }
}
