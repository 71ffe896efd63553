package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import org.junit.jupiter.api.Test;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;

class SpeedTriesTest {

    private static final Speeds NOW = Speeds.level("learner");
    private static final int COMFORTABLE = NOW.of(Move.CUT).comfortable();

    private static SpeedTries cuts(SpeedTries before, int times, int lengthMs, boolean clean) {
        return before.with(Collections.nCopies(times, new SpeedTries.Try(Move.CUT, lengthMs, clean)));
    }

    @Test
    void whatNearlyAlwaysCameBecomesComfortable() {
        SpeedTries tries = cuts(cuts(SpeedTries.NONE, 12, COMFORTABLE - 10, true), 12, COMFORTABLE - 40, false);
        Speeds after = tries.applied(NOW);
        assertThat(after.of(Move.CUT).comfortable()).isEqualTo(COMFORTABLE - 10);
        assertThat(after.of(Move.TAP)).as("a cut says nothing of a tap").isEqualTo(NOW.of(Move.TAP));
        assertThat(SpeedTries.difference(NOW, after)).startsWith("cut ").endsWith(" ms");
    }

    @Test
    void aFewTriesTellNothing() {
        assertThat(cuts(SpeedTries.NONE, 11, COMFORTABLE - 10, true).applied(NOW)).isEqualTo(NOW);
        assertThat(cuts(SpeedTries.NONE, 40, COMFORTABLE, true).applied(NOW)).as("what was comfortable stays so").isEqualTo(NOW);
    }

    @Test
    void whatMostlyFailsIsNotComfortable() {
        assertThat(cuts(SpeedTries.NONE, 12, COMFORTABLE, false).applied(NOW).of(Move.CUT).comfortable()).isEqualTo(COMFORTABLE + COMFORTABLE / 2);
        SpeedTries longer = cuts(cuts(SpeedTries.NONE, 20, COMFORTABLE, false), 12, COMFORTABLE + 25, true);
        assertThat(longer.applied(NOW).of(Move.CUT).comfortable()).isEqualTo(COMFORTABLE + 25);
    }
}
