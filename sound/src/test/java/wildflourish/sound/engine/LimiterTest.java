package wildflourish.sound.engine;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class LimiterTest {

    @Test
    void whatIsQuietPassesUnchangedButLate() {
        Limiter limiter = new Limiter();
        float[] block = new float[1000];
        for (int i = 0; i < block.length; i++) {
            block[i] = (float) (0.5 * Math.sin(i * 0.1));
        }
        float[] out = block.clone();
        limiter.limit(out, 0, out.length);
        for (int i = Limiter.DELAY; i < out.length; i++) {
            assertThat(out[i]).isEqualTo(block[i - Limiter.DELAY]);
        }
    }

    @Test
    void whatIsLoudStaysBelowTheCeilingWithoutAJump() {
        Limiter limiter = new Limiter();
        float[] block = new float[48_000];
        for (int i = 0; i < block.length; i++) {
            block[i] = (float) ((i >= 20_000 && i < 30_000 ? 3 : 0.5) * Math.sin(2 * Math.PI * i / 100));
        }
        limiter.limit(block, 0, block.length);
        double steepest = 0;
        for (int i = 1; i < block.length; i++) {
            assertThat(Math.abs(block[i])).isLessThanOrEqualTo(Limiter.CEILING);
            steepest = Math.max(steepest, Math.abs(block[i] - block[i - 1]));
        }
        assertThat(steepest).as("no steeper than the limited wave itself").isLessThan(0.1);
        assertThat(Math.abs(block[47_990])).as("and the gain comes back").isLessThanOrEqualTo(0.5f);
    }

    @Test
    void aSampleThatIsNoNumberIsSilence() {
        Limiter limiter = new Limiter();
        float[] block = new float[200];
        block[3] = Float.NaN;
        block[4] = Float.POSITIVE_INFINITY;
        limiter.limit(block, 0, block.length);
        for (float sample : block) {
            assertThat(sample).isZero();
        }
    }
}
