package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeyTest {

    /** Table of signatures in the ABC standard 2.1, section 3.1.14. */
    @ParameterizedTest
    @CsvSource({
        "C,0,MAJOR,0", "G,0,MAJOR,1", "D,0,MAJOR,2", "A,0,MAJOR,3", "E,0,MAJOR,4", "F,0,MAJOR,-1", "B,-1,MAJOR,-2",
        "A,0,MINOR,0", "E,0,MINOR,1", "B,0,MINOR,2", "D,0,MINOR,-1", "G,0,MINOR,-2",
        "G,0,MIXOLYDIAN,0", "D,0,MIXOLYDIAN,1", "A,0,MIXOLYDIAN,2",
        "D,0,DORIAN,0", "A,0,DORIAN,1", "E,0,DORIAN,2", "B,0,DORIAN,3",
        "E,0,PHRYGIAN,0", "F,0,LYDIAN,0", "B,0,LOCRIAN,0", "F,1,MAJOR,6", "G,-1,MAJOR,-6"})
    void countsItsSharpsAndFlats(Step tonic, int alter, Mode mode, int fifths) {
        assertThat(Key.of(tonic, alter, mode).fifths()).isEqualTo(fifths);
    }

    @Test
    void dMajorHasFSharpAndCSharp() {
        Key d = Key.of(Step.D, 0, Mode.MAJOR);
        assertThat(d.signature()).containsExactly(Map.entry(Step.F, 1), Map.entry(Step.C, 1));
        assertThat(d.alterOf(Step.F)).isEqualTo(1);
        assertThat(d.alterOf(Step.G)).isZero();
    }

    @Test
    void flatsComeInTheirOwnOrder() {
        assertThat(Key.of(Step.E, -1, Mode.MAJOR).signature().keySet()).containsExactly(Step.B, Step.E, Step.A);
    }

    @Test
    void anExplicitAccidentalOverridesTheSignature() {
        Key key = new Key(Step.D, 0, Mode.MAJOR, Map.of(Step.C, 0, Step.G, 1), false);
        assertThat(key.alterOf(Step.C)).isZero();
        assertThat(key.alterOf(Step.G)).isEqualTo(1);
        assertThat(key.signature()).containsOnlyKeys(Step.F, Step.G);
    }

    @Test
    void noKeyAltersNothing() {
        for (Step step : Step.values()) {
            assertThat(Key.NONE.alterOf(step)).isZero();
        }
        assertThat(Key.NONE.spoken()).isEqualTo("no key");
    }

    @Test
    void sevenSharpsSharpenEveryLetterOnce() {
        Key cSharp = Key.of(Step.C, 1, Mode.MAJOR);
        for (Step step : Step.values()) {
            assertThat(cSharp.alterOf(step)).isEqualTo(1);
        }
    }

    @Test
    void modesAreFoundByTheirFirstThreeLetters() {
        assertThat(Mode.named("Dor")).contains(Mode.DORIAN);
        assertThat(Mode.named("mixolydian")).contains(Mode.MIXOLYDIAN);
        assertThat(Mode.named("m")).contains(Mode.MINOR);
        assertThat(Mode.named("aeolian")).contains(Mode.MINOR);
        assertThat(Mode.named("")).contains(Mode.MAJOR);
        assertThat(Mode.named("xyz")).isEmpty();
    }
}
