package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PitchTest {

    /** MIDI 1.0 note numbers: middle C is 60, A4 69. */
    @ParameterizedTest
    @CsvSource({"C4,60", "A4,69", "D4,62", "F#4,66", "Bb3,58", "C-1,0", "B#3,60", "Cb4,59", "G##4,69", "Bbb4,69", "G9,127"})
    void hasItsMidiNumber(String name, int midi) {
        assertThat(Pitch.parse(name).midi()).isEqualTo(midi);
    }

    /** ISO 16:1975: A4 = 440 Hz; the others by equal temperament. */
    @ParameterizedTest
    @CsvSource({"A4,440.0", "A5,880.0", "C4,261.6256", "D5,587.3295", "E4,329.6276", "G3,195.9977"})
    void soundsInEqualTemperament(String name, double hertz) {
        assertThat(Pitch.parse(name).hertz()).isCloseTo(hertz, within(0.001));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "H4", "F", "#4", "F#", "F###4", "f4", "4"})
    void refusesWhatIsNoPitch(String name) {
        assertThatThrownBy(() -> Pitch.parse(name)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void isSpokenAsATeacherSaysIt() {
        assertThat(Pitch.parse("F#4").spoken()).isEqualTo("F sharp");
        assertThat(Pitch.parse("Bb3").spoken()).isEqualTo("B flat");
        assertThat(Pitch.parse("C5").spoken()).isEqualTo("C");
    }

    @Test
    void countsStavePlacesInLetters() {
        assertThat(Pitch.parse("B4").diatonic() - Pitch.parse("G4").diatonic()).isEqualTo(2);
        assertThat(Pitch.parse("C5").diatonic() - Pitch.parse("B4").diatonic()).isEqualTo(1);
    }

    @Property
    void everyMidiNumberComesBack(@ForAll @IntRange(min = 0, max = 127) int midi) {
        Pitch pitch = Pitch.ofMidi(midi);
        assertThat(pitch.midi()).isEqualTo(midi);
        assertThat(Pitch.parse(pitch.toString())).isEqualTo(pitch);
    }
}
