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

    /** They listen at so many samples a second. */
    public static final int RATE = 24_000;

    /** A rise by this much within {@link #RISES} frames is a clear attack, in decibels; by less than its share {@link #LEAST} none. */
    private static final double ATTACK = 6;
    private static final double LEAST = 0.3;
    static final int RISES = 8;
    private static final int NEAR = 6;
    /** What is plucked is there within so many frames; such an attack alone counts for so much. */
    private static final int PLUCKED = 4;
    private static final double PLUCK = 0.65;

    private Ears() {}

    /**
     * Listens to the end.
     *
     * @param progress told how many seconds have been heard
     * @param stopped asked between blocks; when it says yes, what has been heard so far is given back
     */
    public static Heard listen(Audio audio, DoubleConsumer progress, BooleanSupplier stopped) {
        return listen(Drones.without(mono(audio, progress, stopped)));
    }

    /** Listens to samples in which no drone sounds, {@link #RATE} a second: a note that is held nearly all the time is no drone. */
    public static Heard listen(float[] samples) {
        Frames frames = new Frames();
        frames.add(samples);
        frames.end();
        float[] level = frames.levels();
        return new Heard(HOP_MS, smoothed(frames.pitches()), level, attacks(level, frames.edges()));
    }

    private static float[] mono(Audio audio, DoubleConsumer progress, BooleanSupplier stopped) {
        Audio even = Resampled.at(audio, RATE);
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

    /** The middle of five frames: what lasts two and less, between two notes, is none. Where most have no pitch there is none. */
    private static float[] smoothed(float[] midi) {
        float[] smooth = midi.clone();
        for (int frame = 2; frame < midi.length - 2; frame++) {
            smooth[frame] = middle(Arrays.copyOfRange(midi, frame - 2, frame + 3));
        }
        return smooth;
    }

    /** The middle of some frames' pitches; not a number where most have none. Puts them in order. */
    static float middle(float[] pitches) {
        // What is not a number is sorted behind all numbers.
        Arrays.sort(pitches);
        int pitched = 0;
        for (float pitch : pitches) {
            pitched += Float.isNaN(pitch) ? 0 : 1;
        }
        return pitched <= pitches.length / 2 ? Float.NaN : pitches[pitched / 2];
    }

    /**
     * Where it starts anew: where the level rises, and also where only what is high in it does, as when a string is plucked that still rings (the high-frequency content of Bello and
     * others).
     */
    private static float[] attacks(float[] level, float[] edges) {
        float[] attacks = attacks(level, RISES);
        float[] plucks = attacks(edges, PLUCKED);
        for (int frame = 0; frame < attacks.length; frame++) {
            boolean alone = plucks[frame] > 0;
            for (int i = Math.max(0, frame - NEAR); alone && i <= Math.min(attacks.length - 1, frame + NEAR); i++) {
                alone = attacks[i] < LEAST;
            }
            attacks[frame] = alone ? (float) (PLUCK * plucks[frame]) : attacks[frame];
        }
        return attacks;
    }

    /** How much louder it becomes at once, as a share of a clear attack: where the level turns upward, and nothing near rises more. */
    static float[] attacks(float[] level, int within) {
        float[] rises = new float[level.length];
        for (int frame = 0; frame < level.length; frame++) {
            rises[frame] = rise(level, frame, level.length, within);
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

    /** How much louder it becomes from a frame on, as a share of a clear attack; 0 where the level does not turn upward there. Looks so many frames ahead, as far as there are any. */
    static float rise(float[] level, int frame, int size, int within) {
        float lowest = level[frame];
        for (int i = Math.max(0, frame - NEAR); i < frame; i++) {
            lowest = Math.min(lowest, level[i]);
        }
        float highest = level[frame];
        for (int i = frame + 1; i < Math.min(size, frame + within); i++) {
            highest = Math.max(highest, level[i]);
        }
        boolean turns = level[frame] <= lowest + 0.5 && highest > Frames.SILENCE + ATTACK;
        // Out of silence everything rises by more than can be told: from there a clear attack is one.
        return turns ? (float) Math.clamp((highest - Math.max(Frames.SILENCE, level[frame])) / ATTACK, 0, 1.5) : 0;
    }
}
