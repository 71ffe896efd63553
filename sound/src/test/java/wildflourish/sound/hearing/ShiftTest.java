package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sines, chirps, clicks and attacks at other tempi and pitches: what comes out is measured sample by sample, not by the arithmetic that made it. */
class ShiftTest {

    private static final int RATE = 48_000;

    @TempDir
    Path folder;

    static float[] sine(double hertz, double seconds) {
        float[] samples = new float[(int) (seconds * RATE)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.5 * Math.sin(2 * Math.PI * hertz * i / RATE));
        }
        return samples;
    }

    static float[] all(Audio audio) {
        float[] all = new float[0];
        float[][] block = new float[audio.channels()][1000];
        for (int count = audio.read(block); count > 0; count = audio.read(block)) {
            int before = all.length;
            all = Arrays.copyOf(all, before + count);
            System.arraycopy(block[0], 0, all, before, count);
        }
        return all;
    }

    private static float[] shifted(float[] samples, double tempo, double cents) {
        return all(new Shift(tempo, cents).of(Samples.mono(samples, RATE)));
    }

    /** Hertz from the rising zero crossings of a stretch, placed between the samples. */
    private static double hertz(float[] samples, int from, int to) {
        double first = -1;
        double last = -1;
        int periods = -1;
        for (int i = from + 1; i < to; i++) {
            if (samples[i - 1] < 0 && samples[i] >= 0) {
                last = i - 1 + samples[i - 1] / (samples[i - 1] - samples[i]);
                first = first < 0 ? last : first;
                periods++;
            }
        }
        return periods * RATE / (last - first);
    }

    private static double cents(double a, double b) {
        return 1200 * Math.log(a / b) / Math.log(2);
    }

    private static double rms(float[] samples, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (to - from));
    }

    /** Every tempo keeps the pitch within 3 cents, the loudness, and loses no frame; every pitch keeps the tempo. */
    @ParameterizedTest
    @CsvSource({"0.25, 0, 196", "0.5, 0, 440", "0.75, 0, 1174.66", "2, 0, 587.33", "1, -1200, 880", "1, 1200, 440", "1, -35, 440", "0.75, -200, 587.33", "0.5, 700, 293.66", "1.3, 12, 2349.3"})
    void aSineKeepsWhatItShould(double tempo, double cents, double hertz) {
        float[] out = shifted(sine(hertz, 3), tempo, cents);
        assertThat((double) out.length).isCloseTo(3 * RATE / tempo, within(2.0));
        double heard = hertz(out, RATE / 4, out.length - RATE / 4);
        assertThat(cents(heard, hertz * Math.pow(2, cents / 1200))).isCloseTo(0, within(3.0));
        assertThat(rms(out, RATE / 4, out.length - RATE / 4)).isCloseTo(0.5 / Math.sqrt(2), within(0.02));
    }

    @Test
    void aChirpGlidesAsItDid() {
        float[] chirp = new float[3 * RATE];
        double phase = 0;
        for (int i = 0; i < chirp.length; i++) {
            phase += 2 * Math.PI * (300 + 200.0 * i / RATE) / RATE;
            chirp[i] = (float) (0.5 * Math.sin(phase));
        }
        float[] out = shifted(chirp, 0.5, 0);
        for (double second = 0.5; second < 5.5; second += 0.5) {
            int from = (int) ((second - 0.05) * RATE);
            double wanted = 300 + 200 * second / 2;
            assertThat(cents(hertz(out, from, from + RATE / 10), wanted)).as("at %s s", second).isCloseTo(0, within(12.0));
        }
    }

    /** Notes that begin at known moments begin at them still, at half the tempo within 10 ms, and rise as fast as they did: within twice their time. */
    @Test
    void attacksStayWhereTheyAreAndAsSharpAsTheyWere() {
        float[] notes = new float[3 * RATE];
        double[] hertz = {587.33, 659.26, 739.99, 587.33, 880, 587.33};
        for (int n = 0; n < hertz.length; n++) {
            int from = (int) (0.2 * RATE) + n * RATE * 2 / 5;
            for (int i = 0; i < RATE * 3 / 10; i++) {
                double level = Math.min(1, i / (0.005 * RATE)) * Math.exp(-3.0 * i / RATE);
                notes[from + i] = (float) (0.6 * level * Math.sin(2 * Math.PI * hertz[n] * i / RATE));
            }
        }
        float[] out = shifted(notes, 0.5, 0);
        for (int n = 0; n < hertz.length; n++) {
            double wanted = 2 * (0.2 + n * 0.4);
            int onset = onset(out, (int) ((wanted - 0.06) * RATE));
            assertThat(1000.0 * onset / RATE).as("note %d", n).isCloseTo(1000 * wanted, within(10.0));
            assertThat((double) rise(out, onset)).as("rise of note %d", n).isLessThan(2 * rise(notes, onset(notes, (int) ((0.2 + n * 0.4 - 0.03) * RATE))) + 0.005 * RATE);
        }
    }

    private static int onset(float[] samples, int from) {
        int i = from;
        while (Math.abs(samples[i]) < 0.05) {
            i++;
        }
        return i;
    }

    /** Samples from where it is heard to where it is near its loudest. */
    private static int rise(float[] samples, int onset) {
        int i = onset;
        while (Math.abs(samples[i]) < 0.5) {
            i++;
        }
        return i - onset;
    }

    @Test
    void bothChannelsMoveTogether() {
        float[] left = sine(440, 1);
        float[] right = new float[left.length];
        for (int i = 0; i < right.length; i++) {
            right[i] = -left[i] / 2;
        }
        Audio out = new Shift(0.6, 300).of(Samples.stereo(left, right, RATE));
        float[][] block = new float[2][RATE];
        out.read(block);
        for (int i = 0; i < RATE; i++) {
            assertThat(block[1][i]).isCloseTo(-block[0][i] / 2, within(1e-4f));
        }
    }

    /** What is not moved comes back as it was, to the last bit of 16. */
    @Test
    void whatIsNotMovedIsTheSame() throws Exception {
        float[] samples = sine(440, 0.5);
        Path file = folder.resolve("a.wav");
        assertThat(Shift.write(new Shift(1, 0).of(Samples.mono(samples, RATE)), file, n -> { }, () -> false)).isTrue();
        try (Recording read = Recording.open(file)) {
            assertThat(read.rate()).isEqualTo(RATE);
            float[] back = all(read);
            assertThat(back).hasSameSizeAs(samples);
            for (int i = 0; i < back.length; i++) {
                assertThat(back[i]).isCloseTo(samples[i], within(1e-4f));
            }
        }
    }

    @Test
    void whatIsStoppedLeavesNothingBehind() throws Exception {
        Path file = Files.writeString(folder.resolve("a.wav"), "mine");
        assertThat(Shift.write(Samples.mono(sine(440, 0.5), RATE), file, n -> { }, () -> true)).isFalse();
        assertThat(file).hasContent("mine");
        try (var files = Files.list(folder)) {
            assertThat(files).containsExactly(file);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.2, 2.1, Double.NaN})
    void noOtherTempoIsTaken(double tempo) {
        assertThatThrownBy(() -> new Shift(tempo, 0)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("25 to 200 %");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 7, 700, 5000})
    void veryLittleSoundIsNoTrouble(int samples) {
        assertThat(shifted(Arrays.copyOf(sine(440, 1), samples), 0.5, 0)).hasSize(2 * samples);
        assertThat(shifted(Arrays.copyOf(sine(440, 1), samples), 1, 500).length).isCloseTo(samples, within(2));
    }
}
