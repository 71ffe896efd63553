package wildflourish.sound.engine;

/**
 * Keeps every sample below full scale. It looks ahead: the gain needed for the loudest sample within reach is approached by a
 * running mean over the same reach, so that it is there when the sample is and never jumps. What comes out is late by
 * {@link #DELAY} samples.
 */
public final class Limiter {

    /** Samples by which the output is late: 1.3 milliseconds. */
    public static final int DELAY = 64;

    /** No sample leaves above this. */
    public static final float CEILING = 0.89f;

    /** The gain comes back by this share of what is missing each sample. */
    private static final double RELEASE = 1.0 / 4800;

    private final float[] late = new float[DELAY];
    private final double[] gains = new double[DELAY];
    private final double[] lows = new double[DELAY + 2];
    private final long[] lowsAt = new long[DELAY + 2];
    private int lowHead;
    private int lowCount;
    private double sum = DELAY;
    private double held = 1;
    private long time;

    /** A limiter with nothing in it. */
    public Limiter() {
        java.util.Arrays.fill(gains, 1);
    }

    /** Limits samples in place; they come out late. */
    public void limit(float[] block, int from, int to) {
        for (int i = from; i < to; i++) {
            float in = Float.isFinite(block[i]) ? block[i] : 0;
            double needed = Math.min(1, CEILING / Math.max(1e-9, Math.abs(in)));
            double low = lowest(needed);
            held = Math.min(low, held + (1 - held) * RELEASE);
            int slot = (int) (time % DELAY);
            sum += held - gains[slot];
            gains[slot] = held;
            float out = late[slot];
            late[slot] = in;
            block[i] = Math.clamp((float) (out * Math.min(1, sum / DELAY)), -CEILING, CEILING);
            time++;
        }
    }

    /** The lowest gain needed within reach: a sliding minimum kept as an ascending queue. */
    private double lowest(double needed) {
        while (lowCount > 0 && lows[(lowHead + lowCount - 1) % lows.length] >= needed) {
            lowCount--;
        }
        int end = (lowHead + lowCount) % lows.length;
        lows[end] = needed;
        lowsAt[end] = time;
        lowCount++;
        if (lowsAt[lowHead] <= time - DELAY - 1) {
            lowHead = (lowHead + 1) % lows.length;
            lowCount--;
        }
        return lows[lowHead];
    }
}
