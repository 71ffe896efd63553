package wildflourish.sound.transport;

import wildflourish.sound.voice.Voice;

/**
 * A small room around what is played: eight delays that feed one another (J.-M. Jot, A. Chaigne, <em>Digital delay networks for designing artificial reverberators</em>, AES 90th Convention,
 * 1991), mixed by a reflection so that nothing is lost but what walls take away, high sounds sooner than low ones. It dies away by 60 dB in {@value #SECONDS} s, as living rooms do (ISO
 * 3382-2 measures it; 0.3 to 0.6 s is common practice). For one thread; allocates nothing after it is made.
 */
final class Reverberation {

    /** In so many seconds what sounds in it has fallen by 60 dB, below about 2 kHz. */
    static final double SECONDS = 0.45;

    /** Samples until everything in it is below hearing. */
    static final int RINGS = (int) (1.5 * SECONDS * Voice.RATE);

    /** Primes, so that echoes do not fall together: 21 to 50 ms. */
    private static final int[] DELAYS = {1009, 1163, 1367, 1543, 1741, 1951, 2179, 2393};
    /** How much of the room is heard beside what comes straight from the instrument: from memory, some 8 to 12 dB below it. */
    private static final float SHARE = 0.06f;
    /** What each time around takes away of high sounds. */
    private static final float DULL = 0.3f;

    private final float[][] lines = new float[DELAYS.length][];
    private final int[] at = new int[DELAYS.length];
    private final float[] dull = new float[DELAYS.length];
    private final float[] out = new float[DELAYS.length];
    private final float[] keep = new float[DELAYS.length];

    Reverberation() {
        for (int i = 0; i < DELAYS.length; i++) {
            lines[i] = new float[DELAYS[i]];
            keep[i] = (float) Math.pow(10, -3.0 * DELAYS[i] / (SECONDS * Voice.RATE));
        }
    }

    /** Adds to {@code into} what comes back from the walls of what was played dry. */
    void add(float[] dry, float[] into, int from, int size) {
        for (int s = 0; s < size; s++) {
            float sum = 0;
            float heard = 0;
            for (int i = 0; i < out.length; i++) {
                float back = lines[i][at[i]];
                dull[i] += (1 - DULL) * (back - dull[i]);
                out[i] = keep[i] * dull[i];
                sum += out[i];
                heard += i % 2 == 0 ? back : -back;
            }
            float reflected = 2 * sum / out.length;
            for (int i = 0; i < out.length; i++) {
                lines[i][at[i]] = dry[s] + out[i] - reflected;
                at[i] = at[i] + 1 == DELAYS[i] ? 0 : at[i] + 1;
            }
            into[from + s] += SHARE * heard;
        }
    }
}
