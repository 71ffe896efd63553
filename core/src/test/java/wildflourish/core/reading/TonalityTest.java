package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;

/** Mode and tonic from the notes: the scales are those of any handbook. */
class TonalityTest {

    private static Tonality of(Key key, String text) {
        return Reading.of(Timeline.of(Tunes.of(Meter.of(4, 4), key, text))).tonality();
    }

    @ParameterizedTest
    @CsvSource({
        "D major, D4:2 F#4:2 A4:2 F#4:2 | G4:2 B4:2 A4:4 | E4:2 G4:2 C#5:2 A4:2 | F#4:2 E4:2 D4:4",
        "D mixolydian, D4:2 F#4:2 A4:2 F#4:2 | G4:2 B4:2 A4:4 | C5:2 B4:2 C5:2 A4:2 | G4:2 E4:2 D4:4",
        "E dorian, E4:2 G4:2 B4:2 G4:2 | A4:2 C#5:2 B4:4 | D5:2 B4:2 A4:2 F#4:2 | G4:2 F#4:2 E4:4",
        "E minor, E4:2 G4:2 B4:2 G4:2 | A4:2 C5:2 B4:4 | D5:2 B4:2 A4:2 F#4:2 | G4:2 F#4:2 E4:4",
        "G major, G4:2 B4:2 D5:2 B4:2 | C5:2 E5:2 D5:4 | F#5:2 E5:2 D5:2 C5:2 | B4:2 A4:2 G4:4",
        "A mixolydian, A4:2 C#5:2 E5:2 C#5:2 | D5:2 F#5:2 E5:4 | G5:2 F#5:2 E5:2 C#5:2 | B4:2 G4:2 A4:4"
    })
    void theModeIsFoundWhateverKeyIsWritten(String expected, String text) {
        for (Key written : List.of(Tunes.d(), Tunes.g(), Key.of(Step.B, -1, Mode.MAJOR), Key.NONE)) {
            Tonality found = of(written, text + " ||");
            assertThat(found.key().orElseThrow().spoken()).as("written " + written.spoken()).isEqualTo(expected);
            assertThat(found.degrees()).hasSize(7);
            assertThat(found.outside()).isEmpty();
        }
    }

    @Test
    void notesOutsideAndNotesMetOnceAreNamed() {
        Tonality found = of(Tunes.d(), "D4:2 F#4:2 A4:2 F#4:2 | G4:2 G#4:2 A4:4 | E4:2 G4:2 C#5:2 A4:2 | F#4:2 E4:2 D4:4 ||");
        assertThat(found.outside()).containsOnlyKeys("G sharp");
        assertThat(found.outside().get("G sharp")).containsExactly(5);
        assertThat(found.once()).contains(5, 9);
        assertThat(found.scaleInWords()).isEqualTo("six notes: no sixth");
    }

    @Test
    void twoModesThatShareTheNotesAreBothNamed() {
        Tonality found = of(Tunes.g(), "G4:2 B4:2 D5:2 B4:2 | C5:2 E5:2 D5:4 | A4:2 C5:2 B4:2 A4:2 | B4:2 A4:2 G4:4 ||");
        assertThat(found.missing()).containsExactly(7);
        assertThat(found.remark()).hasValue("without its seventh the tune could as well be G mixolydian; the written key is taken");
    }

    @Test
    void aTuneOfRestsHasNoMode() {
        Timeline rests = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "z:8 | z:8 ||"));
        assertThat(Reading.of(rests).tonality().key()).isEmpty();
        assertThat(Reading.of(rests).beginning()).isEqualTo("the tune has no notes");
    }

    /** A passing sharp now and then changes neither mode nor scale: it is named as standing outside. */
    @Test
    void aFewPassingNotesDoNotChangeTheMode() {
        String bar = "D4:2 F#4:2 A4:2 F#4:2 | G4:2 B4:2 A4:4 | E4:2 G4:2 C#5:2 A4:2 | F#4:2 E4:2 D4:4 | ";
        Tonality found = of(Tunes.d(), bar + bar + bar + "D4:2 F#4:2 G#4:2 F#4:2 | G4:2 B4:2 A4:4 | E4:2 G4:2 C#5:2 A4:2 | F#4:2 E4:2 D4:4 ||");
        assertThat(found.key().orElseThrow().spoken()).isEqualTo("D major");
        assertThat(found.outside()).containsOnlyKeys("G sharp");
    }
}
