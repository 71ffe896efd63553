package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Common practice: down-bow on the first beat, plectrum down on the beat. */
class StrokesTest {

    private static final Instrument FIDDLE = Instruments.known("fiddle");

    private static String strokes(Timeline tune, Instrument instrument, School school) {
        return Strokes.of(tune, instrument, school).byNote().stream()
                .map(s -> s.isEmpty() ? "-" : s.get().joined() ? "~" : s.get().down() ? "D" : "U")
                .collect(Collectors.joining());
    }

    private static Timeline tune(Meter meter, String notes) {
        return Timeline.of(Tunes.of(meter, Tunes.d(), notes));
    }

    @Test
    void singleBowsComeOutRightInAnEvenBar() {
        assertThat(strokes(tune(Meter.of(4, 4), "D4 E4 F#4 G4 A4 B4 C#5 D5 | D5 C#5 B4 A4 G4 F#4 E4 D4"), FIDDLE,
                School.USUAL)).isEqualTo("DUDUDUDUDUDUDUDU");
    }

    @Test
    void anOddBarGetsASlurSoThatTheNextBeginsDown() {
        Timeline tune = tune(Meter.of(4, 4), "F#4:2 A4 F#4 D5 F#4 A4 F#4 | G4:2 B4 G4 E5 G4 B4 G4 | F#4:2 D4:6");
        Strokes strokes = Strokes.of(tune, FIDDLE, School.USUAL);
        for (int first : List.of(0, 7, 14)) {
            assertThat(strokes.at(first).orElseThrow().down()).isTrue();
            assertThat(strokes.at(first).orElseThrow().joined()).isFalse();
        }
        assertThat(strokes.byNote().subList(0, 7)).filteredOn(s -> s.orElseThrow().joined()).hasSize(1)
                .allSatisfy(s -> assertThat(s.orElseThrow().advice()).hasValueSatisfying(
                        a -> assertThat(a).startsWith("slur")));
    }

    @Test
    void writtenSlursAreOneBow() {
        Tune plain = Tunes.of(Meter.of(4, 4), Tunes.d(), "D4 E4 F#4 G4 A4 B4 C#5 D5");
        var bar = plain.bars().getFirst();
        var elements = new java.util.ArrayList<>(bar.elements());
        elements.set(0, ((Note) elements.get(0)).withSlurs(1, 0));
        elements.set(1, ((Note) elements.get(1)).withSlurs(0, 1));
        elements.set(2, ((Note) elements.get(2)).withSlurs(1, 0));
        elements.set(3, ((Note) elements.get(3)).withSlurs(0, 1));
        Timeline tune = Timeline.of(plain.withBars(List.of(bar.withElements(elements))));
        assertThat(strokes(tune, FIDDLE, School.USUAL)).isEqualTo("D~U~DUDU");
        assertThat(strokes(tune, Instruments.known("mandolin"), School.USUAL)).isEqualTo("D-D-DUDU");
    }

    @Test
    void aPickupOfOneNoteIsAnUpBow() {
        Timeline tune = tune(Meter.of(6, 8), "A4:1 |: D5 C#5 B4 A4 G4 F#4 | D5 C#5 B4 A4 G4 F#4 | D5:6");
        assertThat(strokes(tune, FIDDLE, School.USUAL)).startsWith("UD");
    }

    @Test
    void jigsArePickedDownUpDownOrByTurns() {
        Timeline tune = tune(Meter.of(6, 8), "D5 C#5 B4 A4 G4 F#4 | D5:2 B4 A4:2 F#4");
        Instrument mandolin = Instruments.known("mandolin");
        assertThat(strokes(tune, mandolin, School.USUAL)).isEqualTo("DUDDUDDDDD");
        assertThat(strokes(tune, mandolin, School.USUAL.with("jig-strokes", "alternating"))).isEqualTo("DUDUDUDDUU");
    }

    @Test
    void reelsArePickedDownOnTheBeat() {
        Timeline tune = tune(Meter.of(4, 4), "D4:2 E4 F#4 G4:3 A4");
        assertThat(strokes(tune, Instruments.known("tenor-banjo"), School.USUAL)).isEqualTo("DDUDU");
    }

    @Test
    void fingersAndButtonsHaveNoStrokes() {
        Timeline tune = tune(Meter.of(4, 4), "D4 E4");
        assertThat(strokes(tune, Instruments.known("banjo-five-string"), School.USUAL)).isEqualTo("--");
        assertThat(strokes(tune, Instruments.known("anglo-cg"), School.USUAL)).isEqualTo("--");
    }
}
