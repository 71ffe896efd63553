package wildflourish.sound.hearing;

import java.util.Arrays;

/**
 * Takes away what sounds all the time beneath a tune, as drones do, so that the tune can be heard: of each part of the spectrum what it has in {@link #SELDOM} of all moments is
 * subtracted (spectral subtraction: S. F. Boll, IEEE Trans. Acoustics, Speech and Signal Processing 27, 1979; a low share of what was there before as the measure: R. Martin's
 * minimum statistics, IEEE Trans. Speech and Audio Processing 9, 2001). Only what stands out from the parts around it is one: noise is left alone. Where nothing would be left there were no
 * drones but a note that was held.
 */
final class Drones {

    /** 171 ms at 24,000 samples a second: the lowest drones stand apart. */
    private static final int SIZE = 4096;
    private static final int HOP = SIZE / 4;
    /** So many moments tell what sounds all the time. */
    private static final int MOMENTS = 600;
    /** What is not exceeded in this share of moments sounds all the time. */
    private static final double SELDOM = 0.25;
    /** It stands out by this factor from the middle of so many parts on either side. */
    private static final double OUT = 6;
    private static final int AROUND = 24;
    /** A drone sways: so much more is taken away. */
    private static final double MORE = 1.6;
    /** A part is left at least this share. */
    private static final double LEFT = 0.03;
    /** Where less than this share of the power stays, what was taken was the music. */
    private static final double MUSIC = 0.03;

    private Drones() {}

    /** The samples without what sounds all the time; themselves where nothing does. */
    static float[] without(float[] samples) {
        Spectrum spectrum = new Spectrum(SIZE);
        double[] always = always(samples, spectrum);
        if (Arrays.stream(always).allMatch(a -> a == 0)) {
            return samples;
        }
        float[] left = new float[samples.length];
        for (int from = HOP - SIZE; from < samples.length; from += HOP) {
            spectrum.of(samples, from);
            for (int bin = 0; bin < always.length; bin++) {
                if (always[bin] > 0) {
                    double strength = spectrum.strength(bin);
                    spectrum.scale(bin, strength == 0 ? 0 : Math.max(LEFT, 1 - MORE * always[bin] / strength));
                }
            }
            spectrum.layInto(left, from);
        }
        return power(left) < MUSIC * power(samples) ? samples : left;
    }

    /** What each part has all the time; 0 where it does not stand out. */
    private static double[] always(float[] samples, Spectrum spectrum) {
        int moments = Math.clamp(samples.length / HOP, 1, MOMENTS);
        float[][] strengths = new float[spectrum.bins()][moments];
        for (int m = 0; m < moments; m++) {
            spectrum.of(samples, (int) ((long) m * Math.max(0, samples.length - SIZE) / moments));
            for (int bin = 0; bin < strengths.length; bin++) {
                strengths[bin][m] = (float) spectrum.strength(bin);
            }
        }
        double[] all = new double[strengths.length];
        for (int bin = 0; bin < all.length; bin++) {
            Arrays.sort(strengths[bin]);
            all[bin] = strengths[bin][(int) (SELDOM * moments)];
        }
        double[] out = new double[all.length];
        for (int bin = 1; bin < all.length - 1; bin++) {
            double[] near = Arrays.copyOfRange(all, Math.max(0, bin - AROUND), Math.min(all.length, bin + AROUND + 1));
            Arrays.sort(near);
            // A window spreads each part over its neighbours: they go with it.
            double peak = Math.max(all[bin], Math.max(all[bin - 1], all[bin + 1]));
            out[bin] = peak > OUT * near[near.length / 2] ? all[bin] : 0;
        }
        return out;
    }

    private static double power(float[] samples) {
        double power = 0;
        for (float sample : samples) {
            power += sample * sample;
        }
        return power;
    }
}
