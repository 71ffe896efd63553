package wildflourish.sound;

import java.util.ArrayList;
import java.util.List;

/**
 * Measures samples without knowing how they were made.
 */
public final class Ear {

    public static final int RATE = 48_000;

    private Ear() {}

    /**
     * The fundamental of a stretch in hertz, by autocorrelation: the lag near the expected period at which the sound is most like
     * itself, refined over as many periods as the stretch allows and by a parabola through three lags.
     *
     * @param near within three per cent of it
     */
    public static double hertz(float[] samples, double fromMs, double toMs, double near) {
        int from = frame(fromMs);
        int to = Math.min(samples.length, frame(toMs));
        double period = RATE / near;
        double found = peak(samples, from, to, period, period * 0.03 + 1);
        for (int periods = 2; periods * period < (to - from) / 2.0; periods *= 2) {
            found = peak(samples, from, to, found * periods, Math.max(1.5, period * 0.12)) / periods;
        }
        return RATE / found;
    }

    private static double peak(float[] samples, int from, int to, double lag, double reach) {
        int low = (int) Math.max(2, Math.floor(lag - reach));
        int high = (int) Math.ceil(lag + reach);
        int best = low;
        double most = -2;
        for (int l = low; l <= high; l++) {
            double value = likeness(samples, from, to, l);
            if (value > most) {
                most = value;
                best = l;
            }
        }
        double a = likeness(samples, from, to, best - 1);
        double c = likeness(samples, from, to, best + 1);
        double bend = a - 2 * most + c;
        return bend == 0 ? best : best + 0.5 * (a - c) / bend;
    }

    private static double likeness(float[] samples, int from, int to, int lag) {
        double product = 0;
        double one = 0;
        double other = 0;
        for (int i = from; i + lag < to; i++) {
            product += samples[i] * samples[i + lag];
            one += samples[i] * samples[i];
            other += samples[i + lag] * samples[i + lag];
        }
        return product / Math.sqrt(Math.max(1e-20, one * other));
    }

    public static double cents(double hertz, double midi) {
        return 1200 * Math.log(hertz / (440 * Math.pow(2, (midi - 69) / 12))) / Math.log(2);
    }

    public static int frame(double ms) {
        return (int) Math.round(ms / 1000 * RATE);
    }

    /** Root of the mean square. */
    public static double level(float[] samples, double fromMs, double toMs) {
        double sum = 0;
        int from = Math.max(0, frame(fromMs));
        int to = Math.min(samples.length, frame(toMs));
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / Math.max(1, to - from));
    }

    /** The envelope: for each millisecond the greatest amplitude within half a window to each side. */
    public static double[] envelope(float[] samples, double windowMs) {
        int count = samples.length * 1000 / RATE;
        double[] envelope = new double[count];
        int half = frame(windowMs / 2);
        for (int ms = 0; ms < count; ms++) {
            int at = frame(ms);
            double most = 0;
            for (int i = Math.max(0, at - half); i < Math.min(samples.length, at + half); i++) {
                most = Math.max(most, Math.abs(samples[i]));
            }
            envelope[ms] = most;
        }
        return envelope;
    }

    /** Moments in milliseconds at which sound begins after silence: amplitude passes a share of the loudest after having been below it. */
    public static List<Double> onsets(float[] samples, double share) {
        double loudest = 0;
        for (float s : samples) {
            loudest = Math.max(loudest, Math.abs(s));
        }
        List<Double> onsets = new ArrayList<>();
        int quiet = RATE;
        for (int i = 0; i < samples.length; i++) {
            if (Math.abs(samples[i]) > share * loudest) {
                if (quiet > RATE / 100) {
                    onsets.add(i * 1000.0 / RATE);
                }
                quiet = 0;
            } else {
                quiet++;
            }
        }
        return onsets;
    }

    /**
     * Loudness in LUFS without gating, for stretches without silence: the K-weighting of ITU-R BS.1770-4 with its coefficients for
     * 48 kHz, then the mean square.
     */
    public static double loudness(float[] samples, double fromMs, double toMs) {
        double[] shelf = {1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585};
        double[] high = {1.0, -2.0, 1.0, -1.99004745483398, 0.99007225036621};
        double[] once = filtered(samples, shelf);
        float[] middle = new float[once.length];
        for (int i = 0; i < once.length; i++) {
            middle[i] = (float) once[i];
        }
        double[] twice = filtered(middle, high);
        double sum = 0;
        int from = frame(fromMs);
        int to = Math.min(twice.length, frame(toMs));
        for (int i = from; i < to; i++) {
            sum += twice[i] * twice[i];
        }
        return -0.691 + 10 * Math.log10(sum / (to - from));
    }

    private static double[] filtered(float[] in, double[] c) {
        double[] out = new double[in.length];
        double x1 = 0;
        double x2 = 0;
        double y1 = 0;
        double y2 = 0;
        for (int i = 0; i < in.length; i++) {
            double y = c[0] * in[i] + c[1] * x1 + c[2] * x2 - c[3] * y1 - c[4] * y2;
            x2 = x1;
            x1 = in[i];
            y2 = y1;
            y1 = y;
            out[i] = y;
        }
        return out;
    }
}
