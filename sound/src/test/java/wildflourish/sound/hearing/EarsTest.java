package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.hearing.Heard;

class EarsTest {

    private static final int RATE = 48_000;

    static Heard listen(float[] samples, int rate) {
        return Ears.listen(Samples.mono(samples, rate), seconds -> { }, () -> false);
    }

    /** Harmonic sounds from the lowest string of a tenor banjo to the top of a whistle, within 6 cents, at every usual rate. */
    @ParameterizedTest
    @CsvSource({"43, 48000", "55, 44100", "62, 22050", "69, 96000", "74, 48000", "86, 44100", "98, 48000"})
    void pitchesAreHeard(int midi, int rate) {
        double hertz = 440 * Math.pow(2, (midi - 69) / 12.0);
        float[] samples = new float[rate];
        for (int i = 0; i < rate; i++) {
            for (int h = 1; h <= 6 && h * hertz < rate / 2.0; h++) {
                samples[i] += (float) (0.3 / h * Math.sin(2 * Math.PI * h * hertz * i / rate));
            }
        }
        Heard heard = listen(samples, rate);
        assertThat(heard.size()).isCloseTo(200, within(2));
        for (int f = 10; f < 185; f++) {
            assertThat((double) heard.midi()[f]).isCloseTo(midi, within(0.06));
        }
        assertThat(heard.tuning()).isCloseTo(0, within(0.06));
    }

    /** A note that is tongued again on its own pitch is heard to begin again; one that goes on is not. */
    @Test
    void attacksAreHeardWhereTheyAre() {
        float[] samples = ShiftTest.sine(587.33, 2);
        for (int n = 1; n < 4; n++) {
            int gap = n * RATE / 2;
            for (int i = -960; i < 480; i++) {
                samples[gap + i] *= i < 0 ? 0.1f : i / 480f;
            }
        }
        Heard heard = listen(samples, RATE);
        for (int n = 1; n < 4; n++) {
            int near = heard.frame(500 * n);
            boolean there = false;
            for (int f = near - 5; f <= near + 4; f++) {
                there |= heard.attack()[f] > 0.5;
            }
            assertThat(there).as("attack %d", n).isTrue();
        }
        for (int f = 5; f < 85; f++) {
            assertThat(heard.attack()[f]).isZero();
        }
    }

    /** What has no pitch gives none, and nothing hangs. */
    @ParameterizedTest
    @ValueSource(strings = {"nothing", "silence", "noise", "one sample", "full scale"})
    void whatHasNoPitchIsNoTrouble(String what) {
        Random random = new Random(1);
        float[] samples = new float[what.equals("nothing") ? 0 : what.equals("one sample") ? 1 : RATE];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = what.equals("noise") ? (float) (0.2 * random.nextGaussian()) : what.equals("full scale") ? random.nextBoolean() ? 1 : -1 : 0;
        }
        Heard heard = listen(samples, RATE);
        int pitched = 0;
        for (int f = 0; f < heard.size(); f++) {
            pitched += heard.isPitched(f) ? 1 : 0;
        }
        assertThat(pitched).isLessThan(heard.size() / 10 + 1);
    }

    @Test
    void listeningCanBeStopped() {
        assertThat(Ears.listen(Samples.mono(ShiftTest.sine(440, 3), RATE), seconds -> { }, () -> true).size()).isZero();
    }
}
