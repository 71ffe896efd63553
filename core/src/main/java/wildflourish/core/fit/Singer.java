package wildflourish.core.fit;

import java.util.Comparator;
import java.util.List;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * Somebody who sings, with the notes that are comfortable.
 *
 * @param name what they are called
 * @param low the lowest note that is comfortable
 * @param high the highest
 */
public record Singer(String name, Pitch low, Pitch high) {

    private static final int OCTAVE = 12;

    public Singer {
        if (high.midi() < low.midi()) {
            throw new IllegalArgumentException("from the lower note to the higher, as in A3-D5");
        }
    }

    /** Reads {@code singer=A3-D5}; throws {@link IllegalArgumentException} for anything else. */
    public static Singer parse(String text) {
        String[] halves = text.split("=", 2);
        String[] notes = halves.length < 2 ? new String[0] : halves[1].split("-");
        if (notes.length != 2 || halves[0].isBlank()) {
            throw new IllegalArgumentException("'%s' is no singer with a range like singer=A3-D5".formatted(text));
        }
        return new Singer(halves[0].strip(), Pitch.parse(notes[0].strip()), Pitch.parse(notes[1].strip()));
    }

    /**
     * A tune as they sing it.
     *
     * @param shift semitones that it is moved by
     * @param outside notes that are not comfortable
     */
    public record Sung(Singer singer, int shift, int outside) {}

    /** A tune so many semitones from its own key, in the octave in which fewest notes are outside; of two as good, the one moved less. */
    public Sung sing(Tune tune, int offset) {
        Timeline line = Timeline.of(tune);
        return List.of(0, 1, -1).stream().map(o -> offset + OCTAVE * o)
                .map(shift -> new Sung(this, shift, (int) line.notes().stream().mapToInt(n -> n.pitch().midi() + shift).filter(m -> m < low.midi() || m > high.midi()).count()))
                .min(Comparator.comparingInt(Sung::outside).thenComparingInt(s -> Math.abs(s.shift()))).orElseThrow();
    }
}
