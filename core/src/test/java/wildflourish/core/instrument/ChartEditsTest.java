package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Pitch;

class ChartEditsTest {

    private static final Instrument WHISTLE = Instruments.known("whistle-d");

    private static ChartEdits.Outcome ways(String pitch, String... typed) {
        return ChartEdits.ways(WHISTLE, Pitch.parse(pitch), List.of(typed));
    }

    @Test
    void aFingeringCanBeAddedPreferredAndTakenOut() {
        Instrument added = ways("G4", "xxx ooo", "xxx oxo try").instrument().orElseThrow();
        List<Fingering> g = added.chart().orElseThrow().ways(Pitch.parse("G4"));
        assertThat(g).hasSize(2);
        assertThat(g.getLast().trial()).isTrue();
        assertThat(g.getLast().breath()).isEqualTo(Breath.GENTLE);
        Instrument out = ways("Eb4").instrument().orElseThrow();
        assertThat(out.has(Pitch.parse("Eb4"))).isFalse();
        assertThat(out.has(Pitch.parse("Eb5"))).isTrue();
    }

    /** Taking out the lowest note moves nothing else, however often the chart is changed or written and read again. */
    @Test
    void takingOutTheLowestNoteMovesNothing() {
        for (String id : List.of("recorder-alto-f", "whistle-eb", "whistle-d")) {
            Instrument whole = Instruments.known(id);
            Pitch lowest = whole.lowest().orElseThrow();
            Instrument less = ChartEdits.ways(whole, lowest, List.of()).instrument().orElseThrow();
            Instrument read = Instruments.parse("again", Instruments.write(less));
            Pitch other = whole.layout().pitches().get(7);
            String same = whole.layout().places(other).getFirst().text();
            Instrument twice = ChartEdits.ways(read, other, List.of(same)).instrument().orElseThrow();
            for (Instrument changed : List.of(less, read, twice)) {
                assertThat(changed.has(lowest)).isFalse();
                assertThat(changed.layout().pitches()).isEqualTo(
                        whole.layout().pitches().subList(1, whole.layout().pitches().size()));
                for (Pitch pitch : changed.layout().pitches()) {
                    assertThat(changed.chart().orElseThrow().ways(pitch).getFirst())
                            .isEqualTo(whole.chart().orElseThrow().ways(pitch).getFirst());
                }
            }
        }
    }

    @Test
    void aWrongNoteAloneIsBlamed() {
        assertThat(ways("D4", "xxx xoo").faults()).allMatch(f -> f.contains("D4"));
    }

    /** What a way keeps beside its holes, a tapping finger or a school, stays when the order changes. */
    @Test
    void preferringKeepsWhatBelongsToAFingering() {
        Instrument changed = ways("C5", "hoo ooo gentle", "oxx ooo gentle").instrument().orElseThrow();
        Fingering fork = changed.chart().orElseThrow().ways(Pitch.parse("C5")).getLast();
        assertThat(fork.tap()).hasValue(4);
        assertThat(fork.school()).contains("c-natural=fork");
    }

    @Test
    void aWrongHoleIsRefusedWithTheRuleItBreaks() {
        assertThat(ways("F#4", "xxx ooo").faults()).isNotEmpty()
                .anyMatch(f -> f.contains("opening the holes one by one from below plays the major scale"));
        assertThat(ways("A4", "xxx xxh").faults()).anyMatch(f -> f.contains("cannot be lower") || f.contains("same"));
        assertThat(ways("A4", "xxo oo").faults()).isNotEmpty();
        assertThat(ways("A4", "x xxo oooo").faults()).anyMatch(f -> f.contains("6 finger holes"));
        assertThat(ways("A4", "xxo ooo", "xxo ooo").faults()).anyMatch(f -> f.contains("already"));
        assertThat(ways("F#4", "xxx ooo").instrument()).isEmpty();
    }

    @Test
    void theThumbOfTheNinePipesDoesNotCloseAgain() {
        Instrument pipes = Instruments.known("pipes-nine-note");
        assertThat(ChartEdits.ways(pipes, Pitch.parse("G5"), List.of("o ooo xxxo")).faults()).isNotEmpty();
        assertThat(ChartEdits.ways(pipes, Pitch.parse("F#5"), List.of("o xoo xxxo")).faults())
                .anyMatch(f -> f.contains("thumb"));
    }

    @Test
    void theClosedChanterHasFewFingersUp() {
        Instrument pipes = Instruments.known("pipes-bellows-d");
        assertThat(ChartEdits.ways(pipes, Pitch.parse("A4"), List.of("x xxo oooo")).faults())
                .anyMatch(f -> f.contains("one or two fingers up"));
    }

    @Test
    void aButtonOutOfItsKeyIsRefused() {
        Instrument box = Instruments.known("melodeon-dg");
        ButtonBoard board = (ButtonBoard) box.layout();
        Button third = board.buttons().get(2);
        assertThat(ChartEdits.button(box, third, "D4/E4").instrument()).isPresent();
        assertThat(ChartEdits.button(box, third, "Eb4/E4").faults())
                .anyMatch(f -> f.contains("first, third or fifth"));
        assertThat(ChartEdits.button(box, third, "D4/F#4").faults())
                .anyMatch(f -> f.contains("second, fourth, sixth or seventh"));
        assertThat(ChartEdits.button(box, third, "D6/E6").faults()).anyMatch(f -> f.contains("never falls"));
        assertThat(ChartEdits.button(box, third, "D4").faults()).anyMatch(f -> f.contains("pair"));
        Instrument english = Instruments.known("english-48");
        Button c4 = ((ButtonBoard) english.layout()).buttons().stream().filter(b -> b.push().equals(Pitch.parse("C4")))
                .findFirst().orElseThrow();
        assertThat(ChartEdits.button(english, c4, "D4").faults()).anyMatch(f -> f.contains("stave"));
    }

    @Test
    void aStringCanBeRetunedWithinReason() {
        Instrument fiddle = Instruments.known("fiddle");
        Instrument cross = ChartEdits.string(fiddle, 0, "A3").instrument().orElseThrow();
        assertThat(cross.lowest()).contains(Pitch.parse("A3"));
        assertThat(ChartEdits.string(fiddle, 0, "A5").faults()).anyMatch(f -> f.contains("rise"));
        assertThat(ChartEdits.string(fiddle, 0, "bleat").faults()).anyMatch(f -> f.contains("not a pitch"));
    }

    @Test
    void aNewKeyOfWhistleIsAMoveOfTheChart() {
        Instrument bFlat = ChartEdits.another(WHISTLE, "Ína's B whistle", Optional.of("B3")).instrument().orElseThrow();
        assertThat(bFlat.id()).isEqualTo("own-ina-s-b-whistle");
        assertThat(bFlat.chart().orElseThrow().ways(Pitch.parse("B3")).getFirst().holes()).hasToString("xxx xxx");
        assertThat(bFlat.chart().orElseThrow().ways(Pitch.parse("E4")).getFirst().holes()).hasToString("xxx ooo");
        assertThat(ChartEdits.another(WHISTLE, " ", Optional.empty()).faults()).isNotEmpty();
        assertThat(ChartEdits.another(WHISTLE, "x", Optional.of("H4")).faults()).isNotEmpty();
    }
}
