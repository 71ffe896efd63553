package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HolesTest {

    @Test
    void isReadAndWrittenAsChartsAre() {
        assertThat(Holes.parse("xxx hoo")).hasToString("xxx hoo");
        assertThat(Holes.parse("xxx hoo").isHalf(4)).isTrue();
        assertThat(Holes.parse("xxx hoo").isClosed(3)).isTrue();
        assertThat(Holes.parse("xxx hoo").isOpen(6)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "xxx", "xxy ooo", "XXX OOO"})
    void refusesOtherPatterns(String text) {
        assertThatThrownBy(() -> Holes.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void knowsForksButNotVents() {
        assertThat(Holes.parse("oxx ooo").isFork()).isTrue();
        assertThat(Holes.parse("xxx xox").isFork()).isTrue();
        assertThat(Holes.parse("xxx ooo").isFork()).isFalse();
        assertThat(Holes.parse("oxx xxx").isFork()).isFalse();
        assertThat(Holes.parse("ooo ooo").isFork()).isFalse();
    }

    @Test
    void countsFingersAndContraryMotion() {
        Holes a = Holes.parse("xxo ooo");
        Holes fork = Holes.parse("oxx ooo");
        assertThat(a.fingersMoved(fork)).isEqualTo(2);
        assertThat(a.isContraryTo(fork)).isTrue();
        assertThat(a.isContraryTo(Holes.parse("xxx ooo"))).isFalse();
        assertThat(a.lowestClosed()).isEqualTo(2);
        assertThat(Holes.parse("ooo ooo").lowestClosed()).isZero();
    }
}
