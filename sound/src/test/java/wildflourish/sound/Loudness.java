package wildflourish.sound;

import java.util.ArrayList;
import java.util.List;

/** How loud sound is, as ITU-R BS.1770-4 measures it: K-weighted power in blocks of 400 ms that overlap by three quarters, gated at −70 LUFS and 10 LU below what is left; for one channel. */
public final class Loudness {

    /** The standard's two filters at 48,000 samples a second: the head's shelf, and the high-pass. */
    private static final double[][] FILTERS = {{1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585}, {1, -2, 1, -1.99004745483398, 0.99007225036621}};
    private static final int BLOCK = Ear.RATE * 2 / 5;

    private Loudness() {}

    /** In LUFS; negative infinity where all is silent. */
    public static double of(float[] samples) {
        double[] weighted = new double[samples.length];
        for (int i = 0; i < samples.length; i++) {
            weighted[i] = samples[i];
        }
        for (double[] f : FILTERS) {
            double x1 = 0;
            double x2 = 0;
            double y1 = 0;
            double y2 = 0;
            for (int i = 0; i < weighted.length; i++) {
                double x = weighted[i];
                double y = f[0] * x + f[1] * x1 + f[2] * x2 - f[3] * y1 - f[4] * y2;
                x2 = x1;
                x1 = x;
                y2 = y1;
                y1 = y;
                weighted[i] = y;
            }
        }
        List<Double> powers = new ArrayList<>();
        for (int from = 0; from + BLOCK <= weighted.length; from += BLOCK / 4) {
            double power = 0;
            for (int i = from; i < from + BLOCK; i++) {
                power += weighted[i] * weighted[i] / BLOCK;
            }
            powers.add(power);
        }
        double absolute = Math.pow(10, (-70 + 0.691) / 10);
        double relative = mean(powers, absolute) / 10;
        return -0.691 + 10 * Math.log10(mean(powers, Math.max(absolute, relative)));
    }

    private static double mean(List<Double> powers, double above) {
        return powers.stream().filter(p -> p > above).mapToDouble(Double::doubleValue).average().orElse(0);
    }
}
