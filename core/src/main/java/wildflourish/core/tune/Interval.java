package wildflourish.core.tune;

/**
 * A distance between two spelled pitches.
 *
 * @param steps letters upward, negative downward
 * @param semitones upward, negative downward
 */
public record Interval(int steps, int semitones) {

    public static final Interval NONE = new Interval(0, 0);

    /** The distance that leads from one pitch to another. */
    public static Interval between(Pitch from, Pitch to) {
        return new Interval(to.diatonic() - from.diatonic(), to.midi() - from.midi());
    }

    public Interval reversed() {
        return new Interval(-steps, -semitones);
    }
}
