package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

class CountInTest {

    private static CountIn of(Meter meter, String rhythm, String music, Ratio from) {
        Tune tune = Tunes.of(meter, Tunes.d(), music);
        Head plain = tune.head();
        Head head = new Head(plain.number(), plain.titles(), plain.composers(), rhythm, plain.meter(), plain.unit(), plain.tempo(), plain.key(),
                plain.order(), plain.fields());
        return CountIn.of(head, PlayedOut.of(Timeline.of(tune.withHead(head)), Tempo.parse("1/4=120")), from);
    }

    private static List<Ratio> clicks(CountIn count) {
        return count.clicks().stream().map(CountIn.Click::at).toList();
    }

    @Test
    void aJigIsCountedInWithTwoBeats() {
        CountIn count = of(Meter.of(6, 8), "jig", "D5:3 E5:3 | F5:3 G5:3 |", Ratio.ZERO);
        assertThat(clicks(count)).containsExactly(Ratio.ZERO, Ratio.of(3, 8));
        assertThat(count.length()).isEqualTo(Ratio.of(6, 8));
    }

    @Test
    void aReelIsCountedInWithABar() {
        CountIn count = of(Meter.of(4, 4), "reel", "D5:2 E5:2 F5:2 G5:2 | A5:8 |", Ratio.ZERO);
        assertThat(clicks(count)).containsExactly(Ratio.ZERO, Ratio.of(1, 4), Ratio.of(1, 2), Ratio.of(3, 4));
        assertThat(count.clicks().getFirst().strength()).isEqualTo(3);
        assertThat(count.length()).isEqualTo(Ratio.ONE);
    }

    @Test
    void fourPotatoesAreLongShortShort() {
        CountIn count = of(Meter.of(4, 4), "breakdown", "D5:2 E5:2 F5:2 G5:2 | A5:8 |", Ratio.ZERO);
        assertThat(count.length()).isEqualTo(Ratio.of(2, 1));
        assertThat(clicks(count)).hasSize(12).startsWith(Ratio.ZERO, Ratio.of(1, 4), Ratio.of(3, 8), Ratio.of(1, 2));
        assertThat(count.clicks().get(1).strength()).isZero();
    }

    @Test
    void aPickupFallsOnTheRightBeat() {
        // Two quavers of pickup: they come on the fourth of the four beats that are counted.
        CountIn count = of(Meter.of(4, 4), "reel", "D5 E5 |: F5:2 G5:2 A5:2 B5:2 :|", Ratio.ZERO);
        assertThat(count.length()).isEqualTo(Ratio.of(3, 4));
        assertThat(clicks(count)).containsExactly(Ratio.ZERO, Ratio.of(1, 4), Ratio.of(1, 2));
        CountIn jig = of(Meter.of(6, 8), "jig", "D5 |: E5:3 F5:3 :|", Ratio.ZERO);
        assertThat(jig.length()).isEqualTo(Ratio.of(5, 8));
        assertThat(clicks(jig)).containsExactly(Ratio.ZERO, Ratio.of(3, 8));
    }

    @Test
    void aStretchInTheMiddleIsCountedUpToWhereItBegins() {
        // It begins on the third beat of the second bar: two beats are missing to a full bar.
        CountIn count = of(Meter.of(4, 4), "reel", "D5:2 E5:2 F5:2 G5:2 | A5:2 B5:2 A5:2 G5:2 |", Ratio.of(3, 2));
        assertThat(count.length()).isEqualTo(Ratio.of(1, 2));
        CountIn onTheBar = of(Meter.of(4, 4), "reel", "D5:2 E5:2 F5:2 G5:2 | A5:2 B5:2 A5:2 G5:2 |", Ratio.ONE);
        assertThat(onTheBar.length()).isEqualTo(Ratio.ONE);
    }
}
