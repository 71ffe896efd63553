package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.data.DataFault;
import wildflourish.core.tune.Pitch;

/** The D whistle's chart against rules that do not come from the table: common practice, from memory. */
class WhistleChartTest {

    private final WindChart chart = Instruments.known("whistle-d").chart().orElseThrow();

    private Fingering usual(String pitch) {
        return chart.ways(Pitch.parse(pitch)).getFirst();
    }

    /** Opening the lowest closed hole of a plain fingering goes up the D major scale: D E F sharp G A B C sharp. */
    @Test
    void openingHolesFromBelowPlaysTheScaleOfD() {
        String[] scale = {"D4", "E4", "F#4", "G4", "A4", "B4", "C#5"};
        String holes = "xxxxxx";
        for (String note : scale) {
            assertThat(chart.ways(Pitch.parse(note))).as(note)
                    .anyMatch(w -> w.holes().pattern().equals(new Holes("", this.plain(note)).pattern()));
        }
        for (int open = 0; open <= 6; open++) {
            String pattern = holes.substring(0, 6 - open) + "o".repeat(open);
            assertThat(usual(scale[open]).holes().pattern()).isEqualTo(pattern);
        }
    }

    private String plain(String note) {
        int open = List.of("D4", "E4", "F#4", "G4", "A4", "B4", "C#5").indexOf(note);
        return "x".repeat(6 - open) + "o".repeat(open);
    }

    @Test
    void theUpperOctaveIsFingeredAsTheLowerAndBlownMoreFirmly() {
        for (String note : List.of("E", "F#", "G", "A", "B")) {
            assertThat(usual(note + "5").holes()).isEqualTo(usual(note + "4").holes());
            assertThat(usual(note + "4").breath()).isEqualTo(Breath.GENTLE);
            assertThat(usual(note + "5").breath()).isEqualTo(Breath.FIRM);
        }
    }

    @Test
    void cNaturalHasAtLeastThreeFingerings() {
        assertThat(chart.ways(Pitch.parse("C5"))).hasSizeGreaterThanOrEqualTo(3);
        assertThat(usual("C5").holes().isFork()).isTrue();
    }

    @Test
    void everySemitoneFromDToItsSecondOctaveHasAFingering() {
        for (int midi = 62; midi <= 86; midi++) {
            assertThat(chart.ways(Pitch.ofMidi(midi))).as("midi %d", midi).isNotEmpty();
        }
        assertThat(chart.ways(Pitch.parse("C4"))).isEmpty();
        assertThat(chart.pitches().getFirst()).isEqualTo(Pitch.parse("D4"));
    }

    @Test
    void nothingTwoNotesShareIsFingeredAlikeInOneRegister() {
        List<Pitch> pitches = chart.pitches();
        for (Pitch a : pitches) {
            for (Pitch b : pitches) {
                if (a.midi() < b.midi()) {
                    for (Fingering way : chart.ways(a)) {
                        assertThat(chart.ways(b)).as("%s and %s", a, b)
                                .noneMatch(w -> w.holes().equals(way.holes()) && w.breath() == way.breath());
                    }
                }
            }
        }
    }

    @Test
    void aChartInWhichOpeningAHoleLowersTheNoteIsRefused() {
        String bad = """
                {"provenance": "test", "notes": [
                  {"pitch": "D4", "ways": [{"holes": "xxx xxo", "breath": "gentle", "tap": null, "trial": false}]},
                  {"pitch": "E4", "ways": [{"holes": "xxx xxx", "breath": "gentle", "tap": null, "trial": false}]}],
                 "cuts": {"upper-third": {"others": [3]}}, "cran": [3, 4], "landings": []}""";
        assertThat(WindChart.parse("bad.json", bad).faults(Family.known("open-hole")))
                .anyMatch(f -> f.contains("opens more than") && f.contains("cannot be lower"));
    }

    @Test
    void aChartWithFiveHolesIsRefused() {
        String bad = """
                {"provenance": "test", "notes": [
                  {"pitch": "D4", "ways": [{"holes": "xxx xx", "breath": "gentle", "tap": null, "trial": false}]}],
                 "cuts": {}, "cran": [3], "landings": []}""";
        assertThat(WindChart.parse("bad.json", bad).faults(Family.known("open-hole")))
                .anyMatch(f -> f.contains("D4") && f.contains("does not show 6 finger holes"));
        assertThatThrownBy(() -> WindChart.parse("bad.json", bad.replace("xxx xx", "xxx"))).isInstanceOf(DataFault.class)
                .hasMessageContaining("bad.json").hasMessageContaining("does not name the holes");
    }

    /** The three cutting schools, common practice. */
    @ParameterizedTest
    @CsvSource({
        "upper-third,D4,3", "upper-third,E4,3", "upper-third,F#4,3", "upper-third,G4,3", "upper-third,A4,2",
        "upper-third,B4,1", "by-hand,D4,4", "by-hand,E4,4", "by-hand,F#4,3", "by-hand,G4,3", "by-hand,A4,2",
        "by-hand,B4,1", "first,D4,1", "first,G4,1", "first,B4,1", "upper-third,G5,3", "by-hand,E5,4"})
    void eachSchoolCutsWithItsFinger(String school, String note, int hole) {
        assertThat(chart.work().cutHole(Pitch.parse(note), usual(note), school)).hasValue(hole);
    }

    @Test
    void cSharpTakesNoCutInAnySchool() {
        for (String school : chart.work().cutSchools()) {
            assertThat(chart.work().cutHole(Pitch.parse("C#5"), usual("C#5"), school)).isEmpty();
        }
        assertThat(chart.work().cutSchools()).hasSize(3);
        assertThatThrownBy(() -> chart.work().cutHole(Pitch.parse("D4"), usual("D4"), "nobody's"))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** The tap strikes the next open hole below; common practice. */
    @ParameterizedTest
    @CsvSource({"B4,2", "A4,3", "G4,4", "F#4,5", "E4,6", "C5,4"})
    void theTapStrikesTheNextOpenHole(String note, int hole) {
        assertThat(usual(note).tap()).hasValue(hole);
    }

    @Test
    void theLowestNoteTakesNoTap() {
        assertThat(usual("D4").tap()).isEqualTo(OptionalInt.empty());
    }

    @Test
    void aCranNeverCutsTwiceInARowWithOneFinger() {
        for (int i = 0; i < 5; i++) {
            assertThat(chart.work().cranHole(i).getAsInt()).isNotEqualTo(chart.work().cranHole(i + 1).getAsInt()).isBetween(3, 5);
        }
    }

    @Test
    void landingPopsWorkWhereTheTradeSaysTheyDo() {
        assertThat(landing("F#4", "D4")).hasValueSatisfying(l -> assertThat(l.pops()).isEqualTo(4));
        assertThat(landing("B4", "A4")).hasValueSatisfying(l -> assertThat(l.pops()).isEqualTo(1));
        assertThat(landing("G4", "E4")).hasValueSatisfying(l -> assertThat(l.pops()).isEqualTo(3));
        assertThat(landing("C5", "D5")).isPresent();
        assertThat(landing("D4", "F#4")).isEmpty();
        assertThat(landing("A4", "B4")).isEmpty();
        assertThat(landing("B4", "A5")).isEmpty();
    }

    private Optional<FingerWork.Landing> landing(String from, String to) {
        return chart.work().landing(Pitch.parse(from), usual(from), Pitch.parse(to));
    }

    @Test
    void theStepBelowIsThePlainNeighbour() {
        assertThat(chart.stepBelow(Pitch.parse("E4"))).contains(Pitch.parse("D4"));
        assertThat(chart.stepBelow(Pitch.parse("G4"))).contains(Pitch.parse("F#4"));
        assertThat(chart.stepBelow(Pitch.parse("C5"))).contains(Pitch.parse("B4"));
        assertThat(chart.stepBelow(Pitch.parse("D4"))).isEmpty();
    }
}
