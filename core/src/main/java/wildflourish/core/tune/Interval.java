package wildflourish.core.tune;

import java.util.List;

/**
 * A distance between two spelled pitches.
 *
 * @param steps letters upward, negative downward
 * @param semitones upward, negative downward
 */
public record Interval(int steps, int semitones) {

    public static final Interval NONE = new Interval(0, 0);
    private static final List<String> NAMES = List.of("the same note", "a step", "a third", "a fourth", "a fifth", "a sixth", "a seventh");
    private static final int OCTAVE = 7;

    /** The distance that leads from one pitch to another. */
    public static Interval between(Pitch from, Pitch to) {
        return new Interval(to.diatonic() - from.diatonic(), to.midi() - from.midi());
    }

    public Interval reversed() {
        return new Interval(-steps, -semitones);
    }

    /** How far so many letters are, whichever way: {@code a sixth}, {@code an octave and a third}. */
    public static String wide(int steps) {
        int octaves = Math.abs(steps) / OCTAVE;
        String within = NAMES.get(Math.abs(steps) % OCTAVE);
        String whole = octaves == 1 ? "an octave" : octaves + " octaves";
        return octaves == 0 ? within : Math.abs(steps) % OCTAVE == 0 ? whole : whole + " and " + within;
    }

    /** For reading: {@code a sixth up}, {@code the same note}. */
    public String spoken() {
        return steps == 0 ? NAMES.getFirst() : wide(steps) + (steps > 0 ? " up" : " down");
    }
}
