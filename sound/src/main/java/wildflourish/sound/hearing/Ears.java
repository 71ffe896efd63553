package wildflourish.sound.hearing;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import wildflourish.core.hearing.Heard;

/**
 * Hears one instrument: a frame every {@value #HOP_MS} ms.
 *
 * <p>Pitch by the cumulative mean normalised difference of YIN (A. de Cheveigné, H. Kawahara, <i>YIN, a fundamental frequency estimator for speech and music</i>, J. Acoust. Soc.
 * Am. 111, 2002, steps 2 to 5), its sums carried on from frame to frame. Level as the root of the mean square. Attacks by the rise of the level in
 * decibels (the energy methods of J. P. Bello and others, <i>A tutorial on onset detection in music signals</i>, IEEE Trans. Speech and Audio Processing 13, 2005); where the pitch
 * changes without one, the pitch tells.
 */
public final class Ears {

    /** The distance of frames, in milliseconds. */
    public static final int HOP_MS = 5;

    private static final int RATE = 24_000;
    private static final int HOP = RATE * HOP_MS / 1000;
    /** What is compared with itself: 20 ms, two periods of the lowest note. */
    private static final int WINDOW = 4 * HOP;
    /** Periods of 90 Hz and of 3 kHz. */
    private static final int LONGEST = RATE / 90;
    private static final int SHORTEST = RATE / 3000;
    /** The first dip below this is the period. */
    private static final double CLEAR = 0.15;
    /** A sound whose best dip is above this has no pitch. */
    private static final double UNCLEAR = 0.4;
    /** Below this it is silence, in decibels. */
    private static final double SILENCE = -60;
    /** A rise by this much within {@link #RISES} frames is a clear attack, in decibels; by less than its share {@link #LEAST} none. */
    private static final double ATTACK = 6;
    private static final double LEAST = 0.3;
    private static final int RISES = 8;
    private static final int NEAR = 6;

    private Ears() {}

    /**
     * Listens to the end.
     *
     * @param progress told how many seconds have been heard
     * @param stopped asked between blocks; when it says yes, what has been heard so far is given back
     */
    public static Heard listen(Audio audio, DoubleConsumer progress, BooleanSupplier stopped) {
        float[] samples = Drones.without(mono(audio, progress, stopped));
        int frames = Math.max(0, samples.length / HOP);
        float[] padded = Arrays.copyOf(samples, samples.length + WINDOW + LONGEST + HOP);
        float[] level = new float[frames];
        float[] midi = new float[frames];
        pitches(padded, midi, level);
        midi = smoothed(midi);
        return new Heard(HOP_MS, midi, level, attacks(level));
    }

    private static float[] mono(Audio audio, DoubleConsumer progress, BooleanSupplier stopped) {
        Audio even = new Resampled(audio, (double) audio.rate() / RATE);
        float[][] block = new float[audio.channels()][RATE];
        float[] all = new float[10 * RATE];
        int size = 0;
        for (int count = even.mixed(block); count > 0 && !stopped.getAsBoolean(); count = even.mixed(block)) {
            if (size + count > all.length) {
                all = Arrays.copyOf(all, 2 * all.length);
            }
            System.arraycopy(block[0], 0, all, size, count);
            size += count;
            progress.accept((double) size / RATE);
        }
        return Arrays.copyOf(all, size);
    }

    /** Pitch and level of each frame, which is heard around its moment. */
    private static void pitches(float[] samples, float[] midi, float[] level) {
        double[] difference = new double[LONGEST + 1];
        int before = (WINDOW + LONGEST) / 2;
        int start = -before;
        for (int frame = 0; frame < midi.length; frame++, start += HOP) {
            // The window slides on by a hop: what it leaves is taken from the sums, what it meets is added. Begun anew now and then, so that no rounding adds up.
            if (frame % 64 == 0) {
                Arrays.fill(difference, 0);
                add(samples, difference, start, start + WINDOW, 1);
            } else {
                add(samples, difference, start - HOP, start, -1);
                add(samples, difference, start + WINDOW - HOP, start + WINDOW, 1);
            }
            double power = 0;
            int centre = frame * HOP;
            for (int i = Math.max(0, centre - WINDOW / 2); i < centre + WINDOW / 2; i++) {
                power += samples[i] * samples[i];
            }
            level[frame] = (float) Math.max(-120, 10 * Math.log10(power / WINDOW + 1e-12));
            double period = level[frame] < SILENCE ? 0 : period(difference);
            midi[frame] = period == 0 ? Float.NaN : (float) (69 + 12 * Math.log(RATE / period / 440) / Math.log(2));
        }
    }

    /** The middle of five frames: what lasts two and less, between two notes, is none. Where most have no pitch there is none. */
    private static float[] smoothed(float[] midi) {
        float[] smooth = midi.clone();
        float[] five = new float[5];
        for (int frame = 2; frame < midi.length - 2; frame++) {
            System.arraycopy(midi, frame - 2, five, 0, five.length);
            // What is not a number is sorted behind all numbers.
            Arrays.sort(five);
            int pitched = 0;
            for (float pitch : five) {
                pitched += Float.isNaN(pitch) ? 0 : 1;
            }
            smooth[frame] = pitched < 3 ? Float.NaN : five[pitched / 2];
        }
        return smooth;
    }

    private static void add(float[] samples, double[] difference, int from, int to, int sign) {
        int first = Math.max(0, from);
        for (int lag = 1; lag < difference.length; lag++) {
            double sum = 0;
            for (int i = first; i < to; i++) {
                double apart = samples[i] - samples[i + lag];
                sum += apart * apart;
            }
            difference[lag] += sign * sum;
        }
    }

    /** The period in samples; 0 where there is none. */
    private static double period(double[] difference) {
        double sum = 0;
        double[] normal = new double[difference.length];
        normal[0] = 1;
        int best = -1;
        for (int lag = 1; lag < difference.length; lag++) {
            sum += Math.max(0, difference[lag]);
            normal[lag] = sum <= 0 ? 1 : Math.max(0, difference[lag]) * lag / sum;
        }
        for (int lag = SHORTEST; lag < difference.length - 1; lag++) {
            boolean dip = normal[lag] <= normal[lag - 1] && normal[lag] <= normal[lag + 1];
            if (dip && normal[lag] < CLEAR) {
                best = lag;
                break;
            }
            if (dip && (best < 0 || normal[lag] < normal[best])) {
                best = lag;
            }
        }
        if (best < 0 || normal[best] > UNCLEAR) {
            return 0;
        }
        double period = between(difference, best);
        // High notes have few samples in a period: so many periods at once place it better.
        int times = (int) (LONGEST / 2 / period);
        int near = (int) Math.round(times * period);
        if (times > 1) {
            int lowest = near;
            for (int lag = near - 1; lag <= near + 1; lag++) {
                lowest = difference[lag] < difference[lowest] ? lag : lowest;
            }
            period = between(difference, lowest) / times;
        }
        return period;
    }

    /** Where a dip is between its samples, by a parabola through three. */
    private static double between(double[] difference, int lag) {
        double a = difference[lag - 1];
        double c = difference[lag + 1];
        double bend = a - 2 * difference[lag] + c;
        return bend <= 0 ? lag : lag + Math.clamp(0.5 * (a - c) / bend, -0.5, 0.5);
    }

    /** How much louder it becomes at once, as a share of a clear attack: where the level turns upward, and nothing near rises more. */
    static float[] attacks(float[] level) {
        float[] rises = new float[level.length];
        for (int frame = 0; frame < level.length; frame++) {
            float lowest = level[frame];
            for (int i = Math.max(0, frame - NEAR); i < frame; i++) {
                lowest = Math.min(lowest, level[i]);
            }
            float highest = level[frame];
            for (int i = frame + 1; i < Math.min(level.length, frame + RISES); i++) {
                highest = Math.max(highest, level[i]);
            }
            boolean turns = level[frame] <= lowest + 0.5 && highest > SILENCE + ATTACK;
            // Out of silence everything rises by more than can be told: from there a clear attack is one.
            rises[frame] = turns ? (float) Math.clamp((highest - Math.max(SILENCE, level[frame])) / ATTACK, 0, 1.5) : 0;
        }
        float[] attacks = new float[level.length];
        for (int frame = 0; frame < level.length; frame++) {
            boolean most = rises[frame] > LEAST;
            for (int i = Math.max(0, frame - NEAR); most && i <= Math.min(level.length - 1, frame + NEAR); i++) {
                most = i <= frame ? rises[i] <= rises[frame] : rises[i] < rises[frame];
            }
            attacks[frame] = most ? Math.min(1, rises[frame]) : 0;
        }
        return attacks;
    }
}
