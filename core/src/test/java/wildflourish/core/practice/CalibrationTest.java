package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class CalibrationTest {

    private static final List<Double> CLICKS = IntStream.range(0, 12).mapToObj(i -> i * 600.0).toList();

    @Test
    void theMedianIsTheDelayAndAWildTapDoesNotMoveIt() {
        List<Double> taps = CLICKS.stream().map(c -> c + 38 + (c % 1800 == 0 ? 6 : -3)).collect(java.util.stream.Collectors.toCollection(java.util.ArrayList::new));
        taps.set(4, CLICKS.get(4) + 250);
        Calibration found = Calibration.of(CLICKS, taps).orElseThrow();
        assertThat(found.delayMs()).isCloseTo(35, within(1e-9));
        assertThat(found.taps()).isEqualTo(12);
    }

    @Test
    void oneWhoTapsAheadHasADelayBelowNothing() {
        assertThat(Calibration.of(CLICKS, CLICKS.stream().map(c -> c - 12).toList()).orElseThrow().delayMs()).isCloseTo(-12, within(1e-9));
    }

    @Test
    void fewTapsAndWildTapsTellNothing() {
        assertThat(Calibration.of(CLICKS, CLICKS.subList(0, 5))).isEmpty();
        assertThat(Calibration.of(CLICKS, IntStream.range(0, 12).mapToObj(i -> i * 600.0 + (i % 2 == 0 ? 140 : -140)).toList())).isEmpty();
        assertThat(Calibration.of(CLICKS, List.of())).isEmpty();
    }
}
