package wildflourish.sound.cue;

/**
 * One thing done to a sounding instrument.
 *
 * @param atMs milliseconds since the start of the performance
 * @param lane which of the things that can sound at once: the string, or the button; {@link #ALL} for all of them
 * @param pitch sounding MIDI note number, fractions for pitches between; of no meaning where the kind has none
 * @param overMs how long the change takes
 * @param strength 1 for an ordinary start
 */
public record Cue(double atMs, Kind kind, int lane, double pitch, double overMs, double strength) {

    /** What is done. */
    public enum Kind {
        /** Tongue, new stroke, pluck or a button pressed afresh, at a pitch. */
        ATTACK,
        /** A finger that hits or leaves a ringing string: another pitch, a weak start. */
        SOFT,
        /** Another pitch without a start; on a lane that is silent, a start without an accent. */
        JOIN,
        /** The pitch of the sound that goes on moves evenly, in semitones, to another. */
        BEND,
        /** The sound is ended. */
        STOP,
        /** The pitch begins to wave. */
        WAVE,
        /** The loudness begins to swell and ebb. */
        SWELL,
        /** Neither waves any more. */
        STILL,
        /** The bellows turn. */
        TURN
    }

    /** Every lane. */
    public static final int ALL = -1;

    /** The drones of pipes. */
    public static final int DRONES = -2;

    /** Whether it makes its lane sound at its pitch. */
    public boolean isStart() {
        return kind == Kind.ATTACK || kind == Kind.SOFT || kind == Kind.JOIN;
    }

    Cue at(double ms) {
        return new Cue(ms, kind, lane, pitch, overMs, strength);
    }
}
