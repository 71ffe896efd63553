package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** What sounds all the time is taken away, and nothing else. */
class DronesTest {

    private static final int RATE = 24_000;

    /** Notes of half a second, one after another, each with five harmonics. */
    private static float[] tune(double... hertz) {
        float[] samples = new float[hertz.length * RATE / 2];
        for (int i = 0; i < samples.length; i++) {
            double pitch = hertz[i / (RATE / 2)];
            for (int harmonic = 1; harmonic <= 5; harmonic++) {
                samples[i] += (float) (0.1 / harmonic * Math.sin(2 * Math.PI * pitch * harmonic * i / RATE));
            }
        }
        return samples;
    }

    private static double apart(float[] one, float[] other) {
        double apart = 0;
        double power = 0;
        for (int i = 0; i < one.length; i++) {
            apart += (one[i] - other[i]) * (one[i] - other[i]);
            power += one[i] * one[i];
        }
        return Math.sqrt(apart / power);
    }

    private static double[] notes() {
        double[] scale = {440, 494, 554, 587, 659, 740};
        double[] notes = new double[24];
        Random random = new Random(5);
        for (int i = 0; i < notes.length; i++) {
            notes[i] = scale[random.nextInt(scale.length)];
        }
        return notes;
    }

    @Test
    void aDroneIsTakenAwayAndTheTuneStays() {
        float[] tune = tune(notes());
        float[] both = tune.clone();
        for (int i = 0; i < both.length; i++) {
            for (int harmonic = 1; harmonic <= 6; harmonic++) {
                both[i] += (float) (0.15 / harmonic * Math.sin(2 * Math.PI * 146.8 * harmonic * i / RATE));
            }
        }
        assertThat(apart(tune, both)).as("the drone is louder than the tune").isGreaterThan(1);
        assertThat(apart(tune, Drones.without(both))).isLessThan(0.4);
    }

    @Test
    void aTuneWithoutDronesIsLeftAsItIs() {
        float[] tune = tune(notes());
        assertThat(apart(tune, Drones.without(tune))).isCloseTo(0, within(0.02));
        float[] noise = tune.clone();
        Random random = new Random(2);
        for (int i = 0; i < noise.length; i++) {
            noise[i] += (float) (0.03 * random.nextGaussian());
        }
        assertThat(apart(noise, Drones.without(noise))).isCloseTo(0, within(0.02));
    }

    /** One long note is the music, and no drone. */
    @Test
    void aNoteThatIsHeldStays() {
        float[] held = tune(440, 440, 440, 440, 440, 440, 440, 440);
        assertThat(Drones.without(held)).isSameAs(held);
        assertThat(Drones.without(new float[0])).isEmpty();
        assertThat(Drones.without(new float[100])).hasSize(100);
    }
}
