package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How fast hands of each level are held to be until they are measured; from memory. */
class SpeedsTest {

    @ParameterizedTest
    @CsvSource({
        "CUT, 60, 95, 28, 45, 18, 32", "TAP, 60, 95, 28, 45, 18, 32", "CRAN_CUT, 60, 95, 28, 45, 18, 32",
        "GRACE, 65, 95, 35, 50, 25, 40", "SOUND, 70, 100, 50, 75, 40, 60", "STROKE, 85, 115, 50, 65, 42, 55",
        "SLIDE, 80, 130, 55, 85, 40, 65", "TONGUE, 95, 125, 75, 98, 65, 85", "POP, 45, 70, 30, 45, 20, 35",
    })
    void levelsStartFromWhatPlayersDo(Move move, int floor, int comfortable, int fluentFloor, int fluent, int expertFloor, int expert) {
        assertThat(Speeds.level("learner").of(move)).isEqualTo(new Speeds.Span(floor, comfortable));
        assertThat(Speeds.level("fluent").of(move)).isEqualTo(new Speeds.Span(fluentFloor, fluent));
        assertThat(Speeds.level("expert").of(move)).isEqualTo(new Speeds.Span(expertFloor, expert));
    }

    @ParameterizedTest
    @CsvSource({"learner, 220, 300", "fluent, 120, 160", "expert, 90, 130"})
    void aFingerNeedsItsTimeToComeAgain(String level, int floor, int comfortable) {
        assertThat(Speeds.level(level).again()).isEqualTo(new Speeds.Span(floor, comfortable));
    }
}
