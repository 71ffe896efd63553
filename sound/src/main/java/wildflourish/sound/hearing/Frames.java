package wildflourish.sound.hearing;

import java.util.Arrays;

/**
 * Pitch and level of sound, a frame after the other, as it comes in: a frame is known once {@link #LOOKS_AHEAD_MS} more has been heard. Pitch by YIN, see {@link Ears}.
 */
final class Frames {

    /** Below this it is silence, in decibels. */
    static final double SILENCE = -60;

    private static final int HOP = Ears.RATE * Ears.HOP_MS / 1000;
    /** What is compared with itself: 20 ms, two periods of the lowest note. */
    private static final int WINDOW = 4 * HOP;
    /** Periods of 90 Hz and of 3 kHz. */
    private static final int LONGEST = Ears.RATE / 90;
    private static final int SHORTEST = Ears.RATE / 3000;
    private static final int BEFORE = (WINDOW + LONGEST) / 2;
    /** So many milliseconds behind its moment must have been heard for a frame to be known. */
    static final double LOOKS_AHEAD_MS = (WINDOW + LONGEST - BEFORE) * 1000.0 / Ears.RATE;
    /** The first dip below this is the period. */
    private static final double CLEAR = 0.15;
    /** A sound whose best dip is above this has no pitch. */
    private static final double UNCLEAR = 0.4;
    /** The sums are begun anew after so many frames, so that no rounding adds up. */
    private static final int ANEW = 64;

    private final double[] difference = new double[LONGEST + 1];
    private float[] samples = new float[Ears.RATE];
    private int heard;
    private float[] midi = new float[Ears.RATE / HOP];
    private float[] level = new float[midi.length];
    private float[] edges = new float[midi.length];
    private int frames;

    /** Hears on. */
    void add(float[] more) {
        if (heard + more.length > samples.length) {
            samples = Arrays.copyOf(samples, Math.max(2 * samples.length, heard + more.length));
        }
        System.arraycopy(more, 0, samples, heard, more.length);
        heard += more.length;
        known((heard - WINDOW - LONGEST + BEFORE) / HOP + 1);
    }

    /** Nothing more comes: the last frames are known too, silence behind them. */
    void end() {
        int all = heard / HOP;
        add(new float[WINDOW + LONGEST + HOP]);
        frames = Math.min(frames, all);
    }

    /** How many frames are known. */
    int size() {
        return frames;
    }

    /** The pitches of all frames so far, as MIDI note numbers; not a number where there is none. */
    float[] pitches() {
        return Arrays.copyOf(midi, frames);
    }

    /** The levels of all frames so far, in decibels. */
    float[] levels() {
        return Arrays.copyOf(level, frames);
    }

    /** The levels of what is high in all frames so far, in decibels: the edges of the wave. */
    float[] edges() {
        return Arrays.copyOf(edges, frames);
    }

    /** The pitch of one frame. */
    float pitch(int frame) {
        return midi[frame];
    }

    /** As {@link Ears#rise}, as far as is known. */
    float rise(int frame) {
        return Ears.rise(level, frame, frames, Ears.RISES);
    }

    /** Each frame is heard around its moment. */
    private void known(int upTo) {
        if (upTo > midi.length) {
            midi = Arrays.copyOf(midi, Math.max(2 * midi.length, upTo));
            level = Arrays.copyOf(level, midi.length);
            edges = Arrays.copyOf(edges, midi.length);
        }
        for (; frames < upTo; frames++) {
            int start = frames * HOP - BEFORE;
            // The window slides on by a hop: what it leaves is taken from the sums, what it meets is added.
            if (frames % ANEW == 0) {
                Arrays.fill(difference, 0);
                sum(start, start + WINDOW, 1);
            } else {
                sum(start - HOP, start, -1);
                sum(start + WINDOW - HOP, start + WINDOW, 1);
            }
            double power = 0;
            int centre = frames * HOP;
            for (int i = Math.max(0, centre - WINDOW / 2); i < centre + WINDOW / 2; i++) {
                power += samples[i] * samples[i];
            }
            double sharp = 0;
            for (int i = Math.max(2, centre - HOP); i < centre + HOP; i++) {
                double edge = samples[i] - 2.0 * samples[i - 1] + samples[i - 2];
                sharp += edge * edge;
            }
            edges[frames] = (float) Math.max(-120, 10 * Math.log10(sharp / 2 / HOP + 1e-12));
            level[frames] = (float) Math.max(-120, 10 * Math.log10(power / WINDOW + 1e-12));
            double period = level[frames] < SILENCE ? 0 : period();
            midi[frames] = period == 0 ? Float.NaN : (float) (69 + 12 * Math.log(Ears.RATE / period / 440) / Math.log(2));
        }
    }

    private void sum(int from, int to, int sign) {
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
    private double period() {
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
        double period = between(best);
        // High notes have few samples in a period: so many periods at once place it better.
        int times = (int) (LONGEST / 2 / period);
        int near = (int) Math.round(times * period);
        if (times > 1) {
            int lowest = near;
            for (int lag = near - 1; lag <= near + 1; lag++) {
                lowest = difference[lag] < difference[lowest] ? lag : lowest;
            }
            period = between(lowest) / times;
        }
        return period;
    }

    /** Where a dip is between its samples, by a parabola through three. */
    private double between(int lag) {
        double a = difference[lag - 1];
        double c = difference[lag + 1];
        double bend = a - 2 * difference[lag] + c;
        return bend <= 0 ? lag : lag + Math.clamp(0.5 * (a - c) / bend, -0.5, 0.5);
    }
}
