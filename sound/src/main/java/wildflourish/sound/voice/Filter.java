package wildflourish.sound.voice;

/** A filter of second order (R. Bristow-Johnson, "Cookbook formulae for audio equalizer biquad filter coefficients"). */
final class Filter {

    private double b0 = 1;
    private double b1;
    private double b2;
    private double a1;
    private double a2;
    private double z1;
    private double z2;

    /** Lets a band through, with its centre at unit gain. */
    static Filter band(double hz, double q) {
        Filter filter = new Filter();
        filter.tuneBand(hz, q);
        return filter;
    }

    void tuneBand(double hz, double q) {
        double w = 2 * Math.PI * Math.min(hz, 0.45 * Voice.RATE) / Voice.RATE;
        double alpha = Math.sin(w) / (2 * q);
        set(alpha, 0, -alpha, 1 + alpha, -2 * Math.cos(w), 1 - alpha);
    }

    /** Lifts or lowers a band. */
    static Filter peak(VoiceData.Resonance resonance) {
        Filter filter = new Filter();
        double a = Math.pow(10, resonance.db() / 40);
        double w = 2 * Math.PI * resonance.hz() / Voice.RATE;
        double alpha = Math.sin(w) / (2 * resonance.q());
        filter.set(1 + alpha * a, -2 * Math.cos(w), 1 - alpha * a, 1 + alpha / a, -2 * Math.cos(w), 1 - alpha / a);
        return filter;
    }

    /** Lets only what lies below through. */
    static Filter low(double hz, double q) {
        Filter filter = new Filter();
        double w = 2 * Math.PI * hz / Voice.RATE;
        double alpha = Math.sin(w) / (2 * q);
        double c = Math.cos(w);
        filter.set((1 - c) / 2, 1 - c, (1 - c) / 2, 1 + alpha, -2 * c, 1 - alpha);
        return filter;
    }

    private void set(double n0, double n1, double n2, double d0, double d1, double d2) {
        b0 = n0 / d0;
        b1 = n1 / d0;
        b2 = n2 / d0;
        a1 = d1 / d0;
        a2 = d2 / d0;
    }

    double next(double in) {
        double out = b0 * in + z1;
        z1 = b1 * in - a1 * out + z2;
        z2 = b2 * in - a2 * out;
        return out;
    }
}
