package wildflourish.sound.hearing;

import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/** What a stretch of samples is made of, under a Hann window; it can be changed and laid back into samples. */
final class Spectrum {

    private final int size;
    private final double[] window;
    private final double[][] parts;

    /** For stretches of so many samples, a power of two. */
    Spectrum(int size) {
        this.size = size;
        this.window = new double[size];
        for (int i = 0; i < size; i++) {
            window[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / size);
        }
        this.parts = new double[2][size];
    }

    /** How many parts there are up to half the rate. */
    int bins() {
        return size / 2 + 1;
    }

    /** Takes a stretch; what lies outside the samples is silent. */
    void of(float[] samples, int from) {
        for (int i = 0; i < size; i++) {
            int at = from + i;
            parts[0][i] = at < 0 || at >= samples.length ? 0 : samples[at] * window[i];
            parts[1][i] = 0;
        }
        FastFourierTransformer.transformInPlace(parts, DftNormalization.STANDARD, TransformType.FORWARD);
    }

    /** How strong a part is. */
    double strength(int bin) {
        return Math.hypot(parts[0][bin], parts[1][bin]);
    }

    /** Makes a part weaker. */
    void scale(int bin, double by) {
        scaleOne(bin, by);
        if (bin > 0 && bin < size / 2) {
            scaleOne(size - bin, by);
        }
    }

    private void scaleOne(int bin, double by) {
        parts[0][bin] *= by;
        parts[1][bin] *= by;
    }

    /** Adds it to samples: stretches a quarter of their length apart give the samples again that they were taken from. */
    void layInto(float[] samples, int from) {
        FastFourierTransformer.transformInPlace(parts, DftNormalization.STANDARD, TransformType.INVERSE);
        for (int i = Math.max(0, -from); i < Math.min(size, samples.length - from); i++) {
            // Four windows, each applied twice, lie over one another: their squares are 1.5 in sum.
            samples[from + i] += (float) (parts[0][i] * window[i] / 1.5);
        }
    }
}
