package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class MeterTest {

    @Test
    void compoundBeatsAreDotted() {
        assertThat(Meter.of(6, 8).beats()).containsExactly(Ratio.of(3, 8), Ratio.of(3, 8));
        assertThat(Meter.of(9, 8).beats()).hasSize(3);
        assertThat(Meter.of(6, 8).isCompound()).isTrue();
        assertThat(Meter.of(3, 4).isCompound()).isFalse();
    }

    @Test
    void beatsAddUpToTheBar() {
        for (Meter meter : List.of(Meter.of(4, 4), Meter.of(6, 8), Meter.of(9, 8), Meter.of(12, 8), Meter.of(7, 8),
                Meter.of(5, 8), Meter.of(2, 4), Meter.of(3, 8), Meter.of(5, 4), Meter.COMMON, Meter.CUT,
                new Meter(List.of(2, 2, 3), 8, Meter.Look.NUMBERS))) {
            Ratio sum = meter.beats().stream().reduce(Ratio.ZERO, Ratio::plus);
            assertThat(sum).as("%s", meter).isEqualTo(meter.barLength());
            Ratio beams = meter.beamGroups().stream().reduce(Ratio.ZERO, Ratio::plus);
            assertThat(beams).as("%s", meter).isEqualTo(meter.barLength());
        }
    }

    @Test
    void theFirstBeatIsStrongestAndTheMiddleNext() {
        Meter reel = Meter.of(4, 4);
        assertThat(reel.strength(Ratio.ZERO)).isEqualTo(3);
        assertThat(reel.strength(Ratio.of(1, 2))).isEqualTo(2);
        assertThat(reel.strength(Ratio.of(1, 4))).isEqualTo(1);
        assertThat(reel.strength(Ratio.of(1, 8))).isZero();
        assertThat(Meter.of(6, 8).strength(Ratio.of(3, 8))).isEqualTo(2);
        assertThat(Meter.of(3, 4).strength(Ratio.of(1, 2))).isEqualTo(1);
    }

    @Test
    void commonTimeBeamsInHalfBars() {
        assertThat(Meter.of(4, 4).beamGroups()).containsExactly(Ratio.of(1, 2), Ratio.of(1, 2));
        assertThat(Meter.of(6, 8).beamGroups()).containsExactly(Ratio.of(3, 8), Ratio.of(3, 8));
    }

    @Test
    void refusesWhatIsNoMeter() {
        assertThatThrownBy(() -> Meter.of(0, 4)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Meter.of(4, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Meter.of(4, 3)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void isWrittenAsInAHeader() {
        assertThat(Meter.COMMON).hasToString("C");
        assertThat(Meter.CUT).hasToString("C|");
        assertThat(Meter.of(6, 8)).hasToString("6/8");
        assertThat(new Meter(List.of(2, 3), 8, Meter.Look.NUMBERS)).hasToString("(2+3)/8");
        assertThat(Meter.NONE).hasToString("none");
    }
}
