package wildflourish.app.listening;

import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;

/**
 * How something is listened to, whatever it is.
 *
 * @param percent of the tune's tempo
 * @param counted whether it is counted in
 */
public record Manner(int percent, Backing backing, boolean counted, Lilt lilt) {

    /** As it is written, alone. */
    public static final Manner USUAL = new Manner(100, Backing.NONE, false, Lilt.STRAIGHT);

    private static final int SLOWEST = 25;
    private static final int FASTEST = 150;
    private static final int WORDS = 5;

    public Manner {
        percent = Math.clamp(percent, SLOWEST, FASTEST);
    }

    public Manner withPercent(int other) {
        return new Manner(other, backing, counted, lilt);
    }

    public Manner with(Backing other) {
        return new Manner(percent, other, counted, lilt);
    }

    public Manner withCounted(boolean on) {
        return new Manner(percent, backing, on, lilt);
    }

    public Manner with(Lilt other) {
        return new Manner(percent, backing, counted, other);
    }

    /** A line that {@link #read} reads. */
    public String line() {
        return "%d %s %s %s %s".formatted(percent, backing.under(), backing.metronome(), counted, lilt.id());
    }

    /** Reads what {@link #line} wrote; throws {@link IllegalArgumentException} for any other line. */
    public static Manner read(String line) {
        String[] words = line.split(" ");
        if (words.length != WORDS) {
            throw new IllegalArgumentException(line);
        }
        return new Manner(Integer.parseInt(words[0]), new Backing(Boolean.parseBoolean(words[2]), Backing.Under.valueOf(words[1])),
                Boolean.parseBoolean(words[3]), Lilt.byId(words[4]));
    }
}
