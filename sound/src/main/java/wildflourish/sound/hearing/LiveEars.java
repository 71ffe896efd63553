package wildflourish.sound.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Hears somebody while they play: an onset is told {@link #LATE_MS} after it was played. A new note is one that starts afresh, or whose pitch stays; what a grace is and what was wrong is
 * known only when all has been heard, by {@link Ears}.
 */
public final class LiveEars {

    /** A pitch that stays for so many frames is a note. */
    private static final int STAYS = 9;
    private static final double SAME = 0.9;
    private static final double OTHER = 0.6;
    private static final float CLEAR = 0.8f;
    /** Two onsets are so far apart at least, in milliseconds. */
    private static final double APART_MS = 60;
    private static final int SMOOTH = 2;
    private static final int AHEAD = Math.max(Ears.RISES + 1, STAYS + SMOOTH);

    /** How much later than it was played an onset is known, in milliseconds, apart from the device. */
    public static final double LATE_MS = Frames.LOOKS_AHEAD_MS + (AHEAD + 1) * Ears.HOP_MS;

    private final Frames frames = new Frames();
    private int looked;
    private double note = Double.NaN;
    private double latest = Double.NEGATIVE_INFINITY;

    /** Ears that have heard nothing yet. */
    public LiveEars() {}

    /**
     * Hears on.
     *
     * @param more samples, {@link Ears#RATE} a second
     * @return the onsets that are known now and were not before, in milliseconds since the first sample
     */
    public List<Double> add(float[] more) {
        frames.add(more);
        List<Double> onsets = new ArrayList<>();
        for (; looked + AHEAD < frames.size(); looked++) {
            boolean starts = frames.rise(looked) > CLEAR && frames.rise(looked + 1) < frames.rise(looked);
            boolean changes = changes();
            double ms = (double) looked * Ears.HOP_MS;
            if ((starts || changes) && ms - latest >= APART_MS) {
                onsets.add(ms);
                latest = ms;
            }
        }
        return onsets;
    }

    /** Whether another pitch begins here and stays. */
    private boolean changes() {
        double from = Double.POSITIVE_INFINITY;
        double to = Double.NEGATIVE_INFINITY;
        for (int f = looked; f < looked + STAYS; f++) {
            double pitch = smooth(f);
            if (Double.isNaN(pitch)) {
                return false;
            }
            from = Math.min(from, pitch);
            to = Math.max(to, pitch);
        }
        double now = (from + to) / 2;
        boolean other = to - from <= SAME && !(Math.abs(now - note) <= OTHER);
        note = other ? now : note;
        return other;
    }

    private double smooth(int frame) {
        float[] near = new float[2 * SMOOTH + 1];
        Arrays.fill(near, Float.NaN);
        for (int i = Math.max(0, frame - SMOOTH); i <= Math.min(frames.size() - 1, frame + SMOOTH); i++) {
            near[i - frame + SMOOTH] = frames.pitch(i);
        }
        return Ears.middle(near);
    }

    /** The pitch that is heard now, as a MIDI note number in fractions; not a number where none is. */
    public double pitch() {
        return frames.size() == 0 ? Double.NaN : smooth(Math.max(0, frames.size() - 1 - SMOOTH));
    }
}
