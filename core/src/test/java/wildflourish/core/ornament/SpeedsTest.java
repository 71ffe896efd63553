package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
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

    /** Own speeds begin at a level, and everything else stays the level's: a learner who cuts fast has a learner's lungs. */
    @Test
    void whatIsOwnIsSaidAndReadAgain() {
        Speeds learner = Speeds.level("learner");
        Speeds own = learner.with("cut", "45/70").with("again", "130 190").with("lungful", " 8 ");
        assertThat(learner.with("cut", "45/70").lungs()).isEqualTo(learner.lungs());
        assertThat(own.differences(learner)).containsOnly(java.util.Map.entry("cut", "45/70"), java.util.Map.entry("again", "130/190"), java.util.Map.entry("lungful", "8"));
        Speeds read = learner;
        for (var one : own.differences(learner).entrySet()) {
            read = read.with(one.getKey(), one.getValue());
        }
        assertThat(read).isEqualTo(own);
        assertThat(own.nearestLevel()).isEqualTo(learner);
        assertThat(learner.differences(learner)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"1", "61", "four", "8.5"})
    void whatIsNoLungfulIsRefused(String seconds) {
        assertThatThrownBy(() -> Speeds.level("learner").with("lungful", seconds)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("seconds");
    }
}
