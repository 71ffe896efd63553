package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;

class KeyFinderTest {

    /** Phrases that a player would place in these keys at once (common practice). */
    @ParameterizedTest
    @CsvSource({"D4 F#4 A4 D5 C#5 A4 B4 G4 E4 D4, D major", "E4 B4 B4 A4 B4 D5 C#5 A4 E4 G4 F#4 E4, E dorian", "A4 A4 E4 G4 A4 B4 C5 B4 A4 G4 E4 A4, A minor",
        "A4 C#5 E5 G5 F#5 D5 G4 B4 A4 A4, A mixolydian", "G4 B4 D5 C5 A4 F#4 G4 G4, G major", "C4 E4 G4 F4 A4 B4 C5 G4 C4, C major", "Bb4 D5 F5 Eb5 C5 A4 Bb4 Bb4, B flat major"})
    void theKeyOfAPhrase(String notes, String key) {
        List<KeyFinder.Heard> heard = new ArrayList<>();
        for (String note : notes.split(" ")) {
            heard.add(new KeyFinder.Heard(Pitch.parse(note).midi(), 1));
        }
        Key found = KeyFinder.find(heard);
        assertThat(found.spoken()).isEqualTo(key);
        assertThat(heard.stream().map(h -> KeyFinder.spelled(h.midi(), found).toString())).containsExactly(notes.split(" "));
    }

    @ParameterizedTest
    @CsvSource({"1, G4, G major", "1, E4, E minor", "1, A4, A dorian", "1, D5, D mixolydian", "0, D4, D dorian", "2, D4, D major", "-1, D4, D minor"})
    void theModeOfASignatureIsHeardFromItsLastNote(int fifths, String last, String key) {
        int home = Pitch.parse(last).midi();
        assertThat(KeyFinder.ofSignature(fifths, List.of(new KeyFinder.Heard(home + 7, 1), new KeyFinder.Heard(home, 2))).spoken()).isEqualTo(key);
    }

    @ParameterizedTest
    @CsvSource({"61, C#4", "68, G#4", "70, A#4", "65, F4", "63, D#4"})
    void whatIsOutsideTheScaleIsNamedByItsNeighboursOnTheCircleOfFifths(int midi, String name) {
        assertThat(KeyFinder.spelled(midi, Key.of(Step.D, 0, Mode.MAJOR))).hasToString(name);
    }
}
