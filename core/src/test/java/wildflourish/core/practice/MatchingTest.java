package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class MatchingTest {

    private static final Matching.Weights WEIGHTS = new Matching.Weights("for tests", 0.8, 0.6, 0.1, 9);

    @Test
    void noOtherPairingCostsLess() {
        SplittableRandom random = new SplittableRandom(4);
        for (int trial = 0; trial < 120; trial++) {
            Expected expected = expected(random, 2 + random.nextInt(4));
            List<Double> played = played(random, 1 + random.nextInt(5), expected.lengthMs());
            double best = Matching.of(expected, played, WEIGHTS).cost();
            assertThat(best).as("trial %d", trial).isCloseTo(cheapest(new Matching.Costs(expected, played, WEIGHTS), expected.size(), played.size(),
                    0, 0, -1, -1, 0), within(1e-9));
        }
    }

    private static Expected expected(SplittableRandom random, int size) {
        List<Double> gaps = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            gaps.add(100.0 + random.nextInt(3) * 100);
        }
        return Expected.pattern(gaps, 1);
    }

    private static List<Double> played(SplittableRandom random, int size, double length) {
        List<Double> played = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            played.add(random.nextDouble() * length);
        }
        return played.stream().sorted().toList();
    }

    /** Tries every way: the expected onset i is missed, or paired with one of those played from j on. */
    private static double cheapest(Matching.Costs costs, int n, int m, int i, int j, int lastI, int lastJ, double sum) {
        if (i == n) {
            return lastI < 0 ? n * WEIGHTS.missed() + m * WEIGHTS.extra()
                    : sum + (n - 1 - lastI) * WEIGHTS.missed() + (m - 1 - lastJ) * WEIGHTS.extra();
        }
        double least = cheapest(costs, n, m, i + 1, j, lastI, lastJ, sum);
        for (int k = j; k < m; k++) {
            double step = lastI < 0 ? costs.first(i, k) : costs.next(lastI, lastJ, i, k);
            least = Math.min(least, cheapest(costs, n, m, i + 1, k + 1, i, k, sum + step));
        }
        return least;
    }

    @Test
    void oneWhoDriftsIsFollowed() {
        Expected expected = Expected.pattern(List.of(200.0), 20);
        List<Double> slower = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            slower.add(i * 220.0);
        }
        Matching matching = Matching.of(expected, slower);
        assertThat(matching.missed()).isEmpty();
        assertThat(matching.extra()).isEmpty();
        assertThat(matching.pairs()).allMatch(p -> p.expected() == p.played());
    }

    @Test
    void oneSlipIsToldAsOneSlip() {
        Expected expected = Expected.pattern(List.of(200.0), 10);
        assertThat(Matching.of(expected, List.of(0.0, 200.0, 600.0, 800.0, 1000.0, 1200.0, 1400.0, 1600.0, 1800.0)).missed()).containsExactly(2);
        assertThat(Matching.of(expected, List.of(0.0, 200.0, 300.0, 400.0, 600.0, 800.0, 1000.0, 1200.0, 1400.0, 1600.0, 1800.0)).extra())
                .containsExactly(2);
    }
}
