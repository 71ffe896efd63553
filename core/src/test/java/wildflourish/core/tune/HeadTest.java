package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HeadTest {

    @ParameterizedTest
    @CsvSource({"1,1,true", "1,8,true", "3,8,true", "1,512,true", "6,12,true", "1,1024,false", "1,3,false", "2,6,false", "2,1,false", "9,8,false", "0,8,false", "-1,8,false"})
    void aUnitIsMadeFromASemibreveByHalves(int count, int over, boolean isOne) {
        assertThat(Head.isUnit(Ratio.of(count, over))).isEqualTo(isOne);
    }
}
