package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import wildflourish.sound.voice.Voice;

/** A recording held in memory, and stretches of it as they are played. */
class TakeTest {

    private static final int RATE = 22_050;

    /** A second each of 300, 400 and 500 Hz. */
    private static Take take() {
        float[] samples = new float[3 * RATE];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.5 * Math.sin(2 * Math.PI * (300 + 100 * (i / RATE)) * i / RATE));
        }
        return Take.of(Samples.mono(samples, RATE), s -> { }, () -> false);
    }

    private static float[] rendered(Excerpt excerpt, int samples) {
        float[] all = new float[samples];
        for (int at = 0; at < samples; at += 256) {
            excerpt.render(all, at, Math.min(samples, at + 256));
        }
        return all;
    }

    private static double hertz(float[] samples, int from, int to) {
        int rises = 0;
        for (int i = from + 1; i < to; i++) {
            rises += samples[i - 1] < 0 && samples[i] >= 0 ? 1 : 0;
        }
        return rises * (double) Voice.RATE / (to - from);
    }

    @Test
    void aStretchIsPlayedSlowerAtItsOwnPitchAndEnds() {
        Excerpt slow = new Excerpt(take(), 1000, 2000, new Shift(0.5, 0), false);
        float[] heard = rendered(slow, 3 * Voice.RATE);
        assertThat(hertz(heard, Voice.RATE / 2, 3 * Voice.RATE / 2)).isCloseTo(400, within(3.0));
        assertThat(slow.isDone()).isTrue();
        assertThat(hertz(heard, 21 * Voice.RATE / 10, 3 * Voice.RATE)).isZero();
        assertThat(slow.ms(Voice.RATE)).as("after a second, half a second of it").isEqualTo(1500);
        assertThat(slow.ms(10L * Voice.RATE)).isEqualTo(2000);
    }

    @Test
    void aStretchIsPlayedHigherAroundAndAround() {
        Excerpt around = new Excerpt(take(), 0, 1000, new Shift(1, 1200), true);
        float[] heard = rendered(around, 5 * Voice.RATE / 2);
        assertThat(hertz(heard, Voice.RATE / 10, 9 * Voice.RATE / 10)).isCloseTo(600, within(6.0));
        assertThat(hertz(heard, 16 * Voice.RATE / 10, 19 * Voice.RATE / 10)).isCloseTo(600, within(10.0));
        assertThat(around.isDone()).isFalse();
        assertThat(around.ms(5L * Voice.RATE / 2)).isCloseTo(500, within(0.001));
    }

    @Test
    void whatIsTooLongIsRefusedWithAWord() {
        Audio endless = new Audio() {
            @Override
            public int rate() {
                return 8000;
            }

            @Override
            public int channels() {
                return 2;
            }

            @Override
            public int read(float[][] block) {
                return block[0].length;
            }
        };
        assertThatThrownBy(() -> Take.of(endless, s -> { }, () -> false)).isInstanceOf(NoRecording.class).hasMessageContaining("longer than 20 minutes");
        int[] asked = {0};
        assertThat(Take.of(endless, s -> { }, () -> ++asked[0] > 3).lengthMs()).isLessThan(10_000);
    }
}
