package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RatioTest {

    @Test
    void isKeptInLowestTermsWithAPositiveDenominator() {
        assertThat(Ratio.of(6, -8)).isEqualTo(Ratio.of(-3, 4));
        assertThat(Ratio.of(0, 5)).isEqualTo(Ratio.ZERO);
        assertThat(Ratio.of(4, 2)).hasToString("2");
        assertThat(Ratio.of(3, 8)).hasToString("3/8");
    }

    @Test
    void aTripletQuaverThreeTimesIsACrotchet() {
        Ratio third = Ratio.of(1, 8).times(Ratio.of(2, 3));
        assertThat(third.plus(third).plus(third)).isEqualTo(Ratio.of(1, 4));
    }

    @Test
    void dividesAndTakesTheRest() {
        assertThat(Ratio.of(3, 8).dividedBy(Ratio.of(1, 8))).isEqualTo(Ratio.of(3, 1));
        assertThat(Ratio.of(7, 8).mod(Ratio.of(3, 8))).isEqualTo(Ratio.of(1, 8));
        assertThat(Ratio.of(-1, 8).mod(Ratio.of(3, 8))).isEqualTo(Ratio.of(1, 4));
        assertThat(Ratio.of(7, 2).floor()).isEqualTo(3);
        assertThat(Ratio.of(-7, 2).floor()).isEqualTo(-4);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a", "1/0", "1/", "/2", "1//2", "99999999999999999999"})
    void refusesWhatIsNoFraction(String text) {
        assertThatThrownBy(() -> Ratio.parse(text)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("not a fraction");
    }

    @Test
    void saysSoWhenANumberNoLongerFits() {
        Ratio large = Ratio.of(Long.MAX_VALUE, 1);
        assertThatThrownBy(() -> large.plus(Ratio.ONE)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> Ratio.of(1, 0)).isInstanceOf(ArithmeticException.class);
    }

    @Property
    void readsWhatItWrites(@ForAll @IntRange(min = -999, max = 999) int n, @ForAll @IntRange(min = 1, max = 99) int d) {
        Ratio ratio = Ratio.of(n, d);
        assertThat(Ratio.parse(ratio.toString())).isEqualTo(ratio);
    }

    @Property
    void additionAndSubtractionUndoEachOther(
            @ForAll @IntRange(min = -999, max = 999) int a, @ForAll @IntRange(min = 1, max = 99) int b,
            @ForAll @IntRange(min = -999, max = 999) int c, @ForAll @IntRange(min = 1, max = 99) int d) {
        Ratio x = Ratio.of(a, b);
        Ratio y = Ratio.of(c, d);
        assertThat(x.plus(y).minus(y)).isEqualTo(x);
        assertThat(x.plus(y)).isEqualTo(y.plus(x));
        assertThat(Integer.signum(x.compareTo(y))).isEqualTo(-Integer.signum(y.compareTo(x)));
        assertThat(Integer.signum(x.compareTo(y))).isEqualTo((int) Math.signum(x.minus(y).numerator()));
    }
}
