package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.tune.Pitch;

/** The charts against rules that do not come from the tables: common practice, from memory. */
class ChartRulesTest {

    private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};

    static List<Instrument> sixHoles() {
        return Instruments.all().stream().filter(i -> i.family() == Family.known("open-hole")).toList();
    }

    static List<Instrument> winds() {
        return Instruments.all().stream().filter(i -> i.chart().isPresent()).toList();
    }

    /** Opening the holes from below plays the major scale of the instrument's key. */
    @ParameterizedTest
    @MethodSource("sixHoles")
    void openingHolesFromBelowPlaysTheMajorScale(Instrument instrument) {
        WindChart chart = instrument.chart().orElseThrow();
        int lowest = chart.pitches().getFirst().midi();
        for (int open = 0; open <= 6; open++) {
            Fingering usual = chart.ways(Pitch.ofMidi(lowest + MAJOR[open])).getFirst();
            assertThat(usual.holes().pattern()).isEqualTo("x".repeat(6 - open) + "o".repeat(open));
        }
    }

    /** A C-keyed flute named by sound: six holes closed gives C, four E, two G, none B. */
    @ParameterizedTest
    @CsvSource({"xxx xxx,C", "xxx xoo,E", "xxo ooo,G", "ooo ooo,B"})
    void aFluteInCIsNamedBySound(String holes, String note) {
        Layout bamboo = Instruments.known("bamboo-flute-c").layout();
        assertThat(Pitch.ofMidi(bamboo.sounds(holes)).toString()).startsWith(note);
    }

    /** Of two fingerings in one register that differ by open holes only, the one with more open is never lower. */
    @ParameterizedTest
    @MethodSource("winds")
    void openingAHoleNeverLowersThePitch(Instrument instrument) {
        WindChart chart = instrument.chart().orElseThrow();
        for (Pitch low : chart.pitches()) {
            for (Fingering a : chart.ways(low)) {
                for (Pitch high : chart.pitches()) {
                    for (Fingering b : chart.ways(high)) {
                        boolean pinched = a.holes().toString().startsWith("h ") || b.holes().toString().startsWith("h ");
                        if (!a.trial() && !b.trial() && !pinched && a.breath() == b.breath()
                                && opensOnly(a.holes().toString(), b.holes().toString())) {
                            assertThat(high.midi()).as("%s %s, %s %s", low, a.holes(), high, b.holes())
                                    .isGreaterThanOrEqualTo(low.midi());
                        }
                    }
                }
            }
        }
    }

    private static boolean opensOnly(String closed, String open) {
        boolean more = false;
        for (int i = 0; i < closed.length(); i++) {
            if (closed.charAt(i) != open.charAt(i)) {
                if (closed.charAt(i) != 'x' || open.charAt(i) != 'o') {
                    return false;
                }
                more = true;
            }
        }
        return more;
    }

    @Test
    void fromEToBackDTheClosedChanterHasOneOrTwoFingersUp() {
        WindChart chart = Instruments.known("pipes-bellows-d").chart().orElseThrow();
        for (Pitch pitch : chart.pitches().subList(1, chart.pitches().size())) {
            long up = chart.ways(pitch).getFirst().holes().toString().chars().filter(c -> c == 'o').count();
            boolean half = chart.ways(pitch).getFirst().holes().hasHalf();
            assertThat(up).as(pitch.toString()).isBetween(half ? 0L : 1L, 2L);
        }
        assertThat(chart.ways(Pitch.parse("D4")).getFirst().holes().toString()).doesNotContain("o");
    }

    @Test
    void theNinePipesOpenTheThumbOnceAndHaveNineNotes() {
        WindChart chart = Instruments.known("pipes-nine-note").chart().orElseThrow();
        assertThat(chart.pitches()).extracting(Pitch::toString)
                .containsExactly("G4", "A4", "B4", "C#5", "D5", "E5", "F#5", "G5", "A5");
        List<Boolean> open = chart.pitches().stream()
                .map(p -> chart.ways(p).getFirst().holes().toString().startsWith("o")).toList();
        assertThat(open).isSorted();
    }

    /** The soprano has every semitone of two octaves from C; the alto is the same a fifth lower, named in F. */
    @Test
    void theRecordersAreCompleteAndAFifthApart() {
        List<Pitch> soprano = Instruments.known("recorder-soprano-c").layout().pitches();
        assertThat(soprano).hasSize(25);
        WindChart alto = Instruments.known("recorder-alto-f").chart().orElseThrow();
        WindChart sop = Instruments.known("recorder-soprano-c").chart().orElseThrow();
        assertThat(alto.pitches().getFirst()).hasToString("F4");
        for (Pitch pitch : sop.pitches()) {
            assertThat(alto.ways(Pitch.ofMidi(pitch.midi() + 5))).isEqualTo(sop.ways(pitch));
        }
    }

    private static List<Pitch> row(String instrument, String row, Bellows direction) {
        ButtonBoard board = (ButtonBoard) Instruments.known(instrument).layout();
        return board.buttons().stream().filter(b -> b.row().equals(row)).map(b -> b.sounds(direction)).toList();
    }

    /** The single-row pattern of a key: push the common chord, pull the rest; rising along the row in each direction. */
    @ParameterizedTest
    @CsvSource({"melodeon-dg,D", "melodeon-dg,G", "accordion-bc,B", "accordion-bc,C", "accordion-csd,C#",
        "accordion-csd,D", "anglo-cg,C", "anglo-cg,G"})
    void rowsAreDiatonic(String instrument, String key) {
        int tonic = Pitch.parse(key + "4").midi();
        List<Pitch> push = row(instrument, key, Bellows.PUSH);
        List<Pitch> pull = row(instrument, key, Bellows.PULL);
        assertThat(push).extracting(p -> Math.floorMod(p.midi() - tonic, 12)).isSubsetOf(0, 4, 7);
        assertThat(pull.subList(2, pull.size())).extracting(p -> Math.floorMod(p.midi() - tonic, 12))
                .isSubsetOf(2, 5, 9, 11);
        assertThat(pull.subList(0, 2)).extracting(p -> Math.floorMod(p.midi() - tonic, 12))
                .isSubsetOf(2, 5, 9, 11, 7);
        assertThat(push).isSorted();
        assertThat(pull).isSorted();
    }

    @Test
    void theOuterRowIsASemitoneBelowTheInner() {
        List<Pitch> inner = row("accordion-bc", "C", Bellows.PUSH);
        List<Pitch> outer = row("accordion-bc", "B", Bellows.PUSH);
        for (Bellows direction : Bellows.values()) {
            List<Pitch> b = row("accordion-bc", "B", direction);
            List<Pitch> c = row("accordion-bc", "C", direction);
            Set<Integer> lowered = new TreeSet<>();
            c.forEach(p -> lowered.add(p.midi() - 1));
            assertThat(b.subList(0, b.size() - 1)).extracting(Pitch::midi).isSubsetOf(lowered);
        }
        assertThat(inner).hasSameSizeAs(outer);
    }

    @Test
    void cSharpDIsAToneHigherThanBC() {
        ButtonBoard bc = (ButtonBoard) Instruments.known("accordion-bc").layout();
        ButtonBoard csd = (ButtonBoard) Instruments.known("accordion-csd").layout();
        for (int i = 0; i < bc.buttons().size(); i++) {
            assertThat(csd.buttons().get(i).push().midi()).isEqualTo(bc.buttons().get(i).push().midi() + 2);
            assertThat(csd.buttons().get(i).pull().midi()).isEqualTo(bc.buttons().get(i).pull().midi() + 2);
        }
    }

    /** The G row is the D row's pattern moved: the same steps from button to button, from each row's key note on. */
    @Test
    void theRowsOfTheMelodeonAreOnePattern() {
        for (Bellows direction : Bellows.values()) {
            List<Pitch> d = row("melodeon-dg", "D", direction);
            List<Pitch> g = row("melodeon-dg", "G", direction);
            for (int i = 1; i < g.size(); i++) {
                assertThat(g.get(i).midi() - d.get(i).midi()).as("button %d", i + 1).isEqualTo(5);
            }
        }
    }

    /** F sharp on the D/G box: on both rows, in opposite directions. */
    @Test
    void fSharpLiesOnBothRowsOppositeWays() {
        Set<String> places = new TreeSet<>();
        Instruments.known("melodeon-dg").layout().places(Pitch.parse("F#4")).forEach(p -> {
            Place.Pressed pressed = (Place.Pressed) p;
            places.add(pressed.button().row() + " " + pressed.direction().orElseThrow().word());
        });
        assertThat(places).containsExactly("D push", "G pull");
    }

    @Test
    void theEnglishHas48ButtonsAndEveryPitchTwiceWhereTwoNamesAre() {
        ButtonBoard board = (ButtonBoard) Instruments.known("english-48").layout();
        assertThat(board.buttons()).hasSize(48);
        Map<Integer, Integer> count = new HashMap<>();
        board.buttons().forEach(b -> count.merge(b.push().midi(), 1, Integer::sum));
        List<Integer> twice = new ArrayList<>();
        for (int midi = Pitch.parse("G3").midi(); midi <= Pitch.parse("C7").midi(); midi++) {
            assertThat(count).as(Pitch.ofMidi(midi).toString()).containsKey(midi);
            if (count.get(midi) == 2) {
                twice.add(Math.floorMod(midi, 12));
            }
        }
        assertThat(twice).hasSize(6);
        assertThat(twice.stream().filter(d -> d == 3)).hasSize(3);
        assertThat(twice.stream().filter(d -> d == 8)).hasSize(3);
    }

    /** B4 lies on the left hand, C5 and F4 on the right; the hands take turns with each step of the stave. */
    @Test
    void theEnglishAlternatesHands() {
        ButtonBoard board = (ButtonBoard) Instruments.known("english-48").layout();
        Map<Integer, String> side = new HashMap<>();
        board.buttons().stream().filter(b -> b.push().alter() == 0)
                .forEach(b -> side.put(b.push().diatonic(), b.side().orElseThrow()));
        assertThat(side.get(Pitch.parse("B4").diatonic())).isEqualTo("left");
        assertThat(side.get(Pitch.parse("C5").diatonic())).isEqualTo("right");
        assertThat(side.get(Pitch.parse("F4").diatonic())).isEqualTo("right");
        for (int step = Pitch.parse("G3").diatonic(); step < Pitch.parse("C7").diatonic(); step++) {
            assertThat(side.get(step)).isNotEqualTo(side.get(step + 1));
        }
    }

    /** Every pitch from G3 to B5 has a place; the fourth finger on each string sounds the next one open. */
    @Test
    void theFiddleHasEveryPitch() {
        Instrument fiddle = Instruments.known("fiddle");
        for (int midi = Pitch.parse("G3").midi(); midi <= Pitch.parse("B5").midi(); midi++) {
            assertThat(fiddle.has(Pitch.ofMidi(midi))).isTrue();
        }
        assertThat(fiddle.layout().sounds("G 4")).isEqualTo(fiddle.layout().sounds("D 0"));
        assertThat(fiddle.layout().sounds("D 4")).isEqualTo(fiddle.layout().sounds("A 0"));
        assertThat(fiddle.layout().sounds("A 4")).isEqualTo(fiddle.layout().sounds("E open"));
        assertThat(fiddle.layout().sounds("D 3")).isEqualTo(Pitch.parse("G4").midi());
        assertThat(fiddle.layout().sounds("E high 2")).isEqualTo(Pitch.parse("G#5").midi());
        assertThat(fiddle.layout().sounds("A 1")).isEqualTo(Pitch.parse("B4").midi());
    }

    /** Open strings by their sound, with the octave that the page does not show. */
    @ParameterizedTest
    @CsvSource({"tenor-banjo,G2 D3 A3 E4", "mandolin,G3 D4 A4 E5", "fiddle,G3 D4 A4 E5",
        "banjo-five-string,G4 D3 G3 B3 D4"})
    void openStringsSoundAsTuned(String id, String strings) {
        Instrument instrument = Instruments.known(id);
        assertThat(((Neck) instrument.layout()).strings().stream()
                .map(s -> Pitch.ofMidi(s.open().midi() + instrument.soundsAbove()).toString()).toList())
                .containsExactly(strings.split(" "));
    }

    /** Lowest notes by sound. */
    @ParameterizedTest
    @CsvSource({"whistle-d,D5", "whistle-low-d,D4", "whistle-c,C5", "whistle-bb,Bb4", "whistle-a,A4", "whistle-low-g,G4",
        "whistle-low-f,F4", "whistle-eb,Eb5", "whistle-g,G5", "flute-d,D4", "bamboo-flute-c,C5", "recorder-soprano-c,C5",
        "recorder-alto-f,F4", "pipes-bellows-d,D4"})
    void windsCloseToTheirKeyNote(String id, String sound) {
        Instrument instrument = Instruments.known(id);
        assertThat(instrument.lowest().orElseThrow().midi() + instrument.soundsAbove())
                .isEqualTo(Pitch.parse(sound).midi());
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-a", "whistle-eb", "whistle-low-f"})
    void cutsAndTapsMoveWithTheKey(String id) {
        WindChart moved = Instruments.known(id).chart().orElseThrow();
        WindChart home = Instruments.known("whistle-d").chart().orElseThrow();
        int by = moved.pitches().getFirst().midi() - home.pitches().getFirst().midi();
        for (Pitch pitch : home.pitches()) {
            Pitch there = moved.pitches().stream().filter(p -> p.midi() == pitch.midi() + by).findFirst().orElseThrow();
            Fingering way = home.ways(pitch).getFirst();
            for (String school : home.work().cutSchools()) {
                assertThat(moved.work().cutHole(there, way, school)).as(pitch + " " + school)
                        .isEqualTo(home.work().cutHole(pitch, way, school));
            }
        }
    }
}
