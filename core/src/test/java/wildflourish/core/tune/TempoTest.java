package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TempoTest {

    /** Arithmetic: a quaver at crotchet = 120 is 250 ms; a dotted crotchet at dotted crotchet = 120 is 500 ms. */
    @Test
    void noteValuesLastWhatArithmeticSays() {
        assertThat(Tempo.parse("1/4=120").millis(Ratio.of(1, 8))).isEqualTo(Ratio.of(250, 1));
        assertThat(Tempo.parse("3/8=120").millis(Ratio.of(3, 8))).isEqualTo(Ratio.of(500, 1));
        assertThat(Tempo.parse("1/2=90").millis(Ratio.of(1, 12))).isEqualTo(Ratio.of(1000, 9));
    }

    @Test
    void theSameTempoCountedOtherwise() {
        Tempo reel = Tempo.parse("1/2=100");
        assertThat(reel.in(Ratio.of(1, 4))).isEqualTo(Tempo.parse("1/4=200"));
        assertThat(Tempo.parse("1/4=201").isFasterThan(reel)).isTrue();
        assertThat(Tempo.parse("1/4=200").isFasterThan(reel)).isFalse();
    }

    @Test
    void isSpokenInTheFieldsWordsAndRoundedDown() {
        assertThat(Tempo.parse("3/8=118.9").spoken()).isEqualTo("dotted crotchet = 118");
        assertThat(Tempo.parse("1/2=100").spoken()).isEqualTo("minim = 100");
        assertThat(Tempo.parse("3/8=118.9")).hasToString("3/8=118");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "120", "1/4", "1/4=", "=120", "1/4=0", "1/4=-3", "0/4=120", "1/4=abc", "1/4=1e99"})
    void refusesWhatIsNoTempo(String text) {
        assertThatThrownBy(() -> Tempo.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Property
    void theTempoAtWhichALengthLastsSoLongIsExact(
            @ForAll @IntRange(min = 1, max = 32) int sixteenths, @ForAll @IntRange(min = 20, max = 2000) int ms) {
        Tempo tempo = Tempo.parse("1/4=100").atWhich(Ratio.of(sixteenths, 16), Ratio.of(ms, 1));
        assertThat(tempo.millis(Ratio.of(sixteenths, 16))).isEqualTo(Ratio.of(ms, 1));
    }

    @Test
    void whatNobodyPlaysIsNotPlayable() {
        assertThat(Tempo.parse("1/4=4").isPlayable()).isTrue();
        assertThat(Tempo.parse("1/2=2000").isPlayable()).isTrue();
        assertThat(Tempo.parse("1/4=3.99").isPlayable()).isFalse();
        assertThat(Tempo.parse("1/32=20").isPlayable()).isFalse();
        assertThat(Tempo.parse("1/2=2000.5").isPlayable()).isFalse();
        assertThat(new Tempo(Ratio.of(Long.MAX_VALUE, 4), Ratio.of(Long.MAX_VALUE, 1)).isPlayable()).isFalse();
    }
}
