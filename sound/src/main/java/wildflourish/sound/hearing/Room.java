package wildflourish.sound.hearing;

import java.util.Random;
import wildflourish.sound.voice.Voice;

/** A room with its echoes and its noise, in which somebody plays. */
final class Room {

    private static final int ECHOES = 60;
    private static final double ECHO = 0.06;
    private static final int LONG = Voice.RATE / 5;
    private static final int NEAREST = 300;

    private Room() {}

    /**
     * How it sounds in there.
     *
     * @param lead so many samples come before them
     * @param noiseDb how far the noise lies below them
     * @param seed the same gives the same
     */
    static float[] around(float[] dry, int lead, double noiseDb, long seed) {
        float[] wet = new float[dry.length + lead + LONG];
        System.arraycopy(dry, 0, wet, lead, dry.length);
        Random random = new Random(seed);
        for (int echo = 0; echo < ECHOES; echo++) {
            int delay = NEAREST + random.nextInt(LONG - NEAREST);
            float gain = (float) (ECHO * Math.exp(-3.0 * delay / LONG) * (random.nextBoolean() ? 1 : -1));
            for (int i = 0; i < dry.length; i++) {
                wet[lead + delay + i] += gain * dry[i];
            }
        }
        double power = 0;
        for (float sample : dry) {
            power += sample * sample / dry.length;
        }
        float noise = (float) Math.sqrt(power / Math.pow(10, noiseDb / 10));
        for (int i = 0; i < wet.length; i++) {
            wet[i] += noise * (float) random.nextGaussian();
        }
        return wet;
    }
}
