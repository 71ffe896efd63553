package wildflourish.sound.voice;

/** A pitch that stands still, or moves evenly in semitones to another, waving about itself if asked to. */
final class Pitch {

    /** Pitch is computed anew every so many samples. */
    static final int EVERY = 16;

    private static final double WAVES_A_SECOND = 5.3;

    private double now;
    private double target;
    private double step;
    private double depth;
    private double wanted;
    private double phase;
    private final double waveDepth;
    private final boolean downward;

    /**
     * A pitch at rest.
     *
     * @param waveDepth how far it waves, in semitones to each side, or below for a wave that only flattens
     */
    Pitch(double waveDepth, boolean downward) {
        this.waveDepth = waveDepth;
        this.downward = downward;
    }

    void jump(double pitch) {
        now = pitch;
        target = pitch;
        step = 0;
    }

    void move(double pitch, double overMs) {
        double steps = overMs / 1000 * Voice.RATE / EVERY;
        if (steps < 1) {
            jump(pitch);
        } else {
            target = pitch;
            step = (pitch - now) / steps;
        }
    }

    void wave(boolean on) {
        wanted = on ? waveDepth : 0;
    }

    boolean isMoving() {
        return step != 0 || depth > 1e-4 || wanted > 0;
    }

    /** The pitch for the next {@link #EVERY} samples, as a MIDI note number. */
    double next() {
        if (step != 0) {
            now += step;
            if (step > 0 ? now >= target : now <= target) {
                jump(target);
            }
        }
        depth += (wanted - depth) * 0.004;
        if (depth < 1e-4) {
            return now;
        }
        phase += 2 * Math.PI * WAVES_A_SECOND * EVERY / Voice.RATE;
        phase = phase > 2 * Math.PI ? phase - 2 * Math.PI : phase;
        return now + depth * (downward ? (Math.cos(phase) - 1) / 2 : Math.sin(phase));
    }
}
