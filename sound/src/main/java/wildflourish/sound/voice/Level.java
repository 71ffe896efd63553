package wildflourish.sound.voice;

/** A loudness that approaches its aim exponentially, faster or slower, and can swell and ebb. */
final class Level {

    private static final double SWELLS_A_SECOND = 4.2;
    private static final double SWELL_DEPTH = 0.3;
    /** Below this nothing is heard: 84 decibels down. */
    private static final double SILENT = 6e-5;

    private double now;
    private double aim;
    private double rate;
    private double swell;
    private boolean swelling;
    private double phase;

    /** Goes to a level, getting 63 per cent of the way in so many milliseconds. */
    void go(double to, double ms) {
        aim = to;
        rate = 1 - Math.exp(-1 / (Math.max(0.1, ms) / 1000 * Voice.RATE));
    }

    /** Falls to a share of itself at once, for a dip that is shorter than a sample would show. */
    void dip(double share) {
        now *= share;
    }

    void swell(boolean on) {
        swelling = on;
    }

    double now() {
        return now;
    }

    /** The level of the next sample. */
    double next() {
        now += (aim - now) * rate;
        if (!swelling && swell < 1e-4) {
            return now;
        }
        swell += ((swelling ? 1 : 0) - swell) * 4e-4;
        phase += 2 * Math.PI * SWELLS_A_SECOND / Voice.RATE;
        phase = phase > 2 * Math.PI ? phase - 2 * Math.PI : phase;
        return now * (1 - swell * SWELL_DEPTH * (1 - Math.cos(phase)) / 2);
    }

    boolean isSilent() {
        return aim == 0 && now < SILENT;
    }

}
