package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Trap;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;

/** What teachers warn of (common practice), tune by tune and instrument by instrument. */
class TrapsTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream();
    }

    private static List<Trap> traps(Instrument instrument, Meter meter, Key key, String text) {
        Timeline tune = Timeline.of(Tunes.of(meter, key, text));
        return Traps.of(Reading.of(tune), Situation.of(tune, instrument, School.USUAL));
    }

    private static List<String> kinds(String instrument, Key key, String text) {
        return traps(Instruments.known(instrument), Meter.of(4, 4), key, text).stream().map(Trap::kind).toList();
    }

    /** On every instrument, low and high, in and out of the key: whole sentences, and in the order of the notes. */
    @ParameterizedTest
    @MethodSource("instruments")
    void areWholeSentencesOnEveryInstrument(Instrument instrument) {
        String text = "A4:2 | D4 F4 A4 C5 D5:2 A5:2 | G#4 A3 E5 B5 F#4:2 Bb4:2 | D4:2 D5:2 A4:2 E4:2 | D4:6 ||";
        List<Trap> found = traps(instrument, Meter.of(4, 4), Tunes.d(), text);
        assertThat(found).isNotEmpty().allSatisfy(t -> {
            assertThat(t.inWords()).doesNotContain("{", "}", "null", "  ");
            assertThat(t.text()).isNotBlank();
            assertThat(t.advice()).isNotBlank().doesNotEndWith(".");
        });
        assertThat(found).extracting(Trap::note).isSorted();
        assertThat(found).extracting(Trap::kind).contains("entry");
    }

    @Test
    void anEntryIsATrapOnlyWhereItCouldBeTakenForBeatOne() {
        assertThat(kinds("none", Tunes.d(), "A4:2 | D4:4 F#4:4 | A4:4 D4:4 ||")).contains("entry");
        assertThat(kinds("none", Tunes.d(), "A4 B4 | D4:4 F#4:4 | A4:4 D4:4 ||")).doesNotContain("entry");
        assertThat(kinds("none", Tunes.d(), "D4:4 F#4:4 | A4:4 D4:4 ||")).doesNotContain("entry");
    }

    @Test
    void partsOfOddLengthAreToldWithThePhraseToLearnByEar() {
        String bar = "D4:4 F#4:4 | E4:4 G4:4 | ";
        List<Trap> found = traps(Instruments.known("none"), Meter.of(4, 4), Tunes.d(), bar + bar + bar + "A4:2 B4:2 A4:2 G4:2 | F#4:4 E4:4 | D4:8 ||");
        assertThat(found).extracting(Trap::kind).containsExactly("odd-length");
        assertThat(found.getFirst().inWords()).contains("part A has 9 bars, not 8");
    }

    @Test
    void secondTimesAreToldByWhereTheyLead() {
        List<Trap> found = traps(Instruments.known("none"), Meter.of(4, 4), Tunes.d(),
                "|: D4:4 F#4:4 | A4:4 F#4:4 | E4:4 G4:4 | [1 F#4:2 E4:2 A4:4 :| [2 F#4:2 E4:2 D4:4 || B4:4 G4:4 | A4:4 D4:4 ||");
        assertThat(found).extracting(Trap::kind).containsExactly("second-time");
        assertThat(found.getFirst().text()).isEqualTo(
                "the first time through part A, F♯ E A leads back to D; the second time, F♯ E D leads on into part B");
    }

    @Test
    void theSameFingersOnAnotherStringAreTold() {
        String text = "D4 E4 F#4 G4 F#4 E4 D4:2 | A4 B4 C#5 D5 C#5 B4 A4:2 ||";
        assertThat(kinds("fiddle", Tunes.d(), text)).contains("same-fingers");
        assertThat(kinds("mandolin", Tunes.d(), text)).contains("same-fingers");
        assertThat(kinds("whistle-d", Tunes.d(), text)).doesNotContain("same-fingers");
    }

    @Test
    void forksAndHalfHolesAreTrapsOfTheirOwnFamilies() {
        Key g = Key.of(Step.G, 0, Mode.MAJOR);
        String text = "G4:2 C5:2 B4:2 G4:2 | A4:2 C5:2 D5:4 | C5:2 B4:2 A4:2 F#4:2 | G4:8 ||";
        assertThat(kinds("whistle-d", g, text)).contains("fork");
        assertThat(kinds("recorder-soprano-c", g, text)).doesNotContain("fork", "half-hole");
        assertThat(kinds("anglo-cg", g, text)).doesNotContain("fork", "half-hole", "narrow-semitone");
        assertThat(kinds("mandolin", g, text)).doesNotContain("narrow-semitone");
    }

    /** One warning for all the places of one note, with its bars. */
    @Test
    void aTrapIsToldOnceWithAllItsBars() {
        List<Trap> found = traps(Instruments.known("whistle-d"), Meter.of(4, 4), Key.of(Step.G, 0, Mode.MAJOR),
                "G4:2 C5:2 B4:2 G4:2 | A4:2 C5:2 D5:4 | C5:2 B4:2 A4:2 F#4:2 | G4:8 ||");
        assertThat(found.stream().filter(t -> t.kind().equals("fork")).toList()).singleElement()
                .satisfies(t -> assertThat(t.text()).startsWith("C (bars 2, 3 too) is a forked note"));
    }

    /** A teacher has a minute: about one warning for four bars, like ones told together, all of them on the full list. */
    @ParameterizedTest
    @MethodSource("instruments")
    void onlyTheGravestAreWorthTelling(Instrument instrument) {
        for (wildflourish.core.SessionTune tune : wildflourish.core.SessionTune.values()) {
            Timeline timeline = Timeline.of(tune.tune());
            Situation situation = Situation.of(timeline, instrument, School.USUAL);
            Reading reading = Reading.of(timeline);
            List<Trap> told = Traps.worthTelling(reading, situation);
            List<Trap> all = Traps.of(reading, situation);
            assertThat(told).hasSizeLessThanOrEqualTo(Math.max(2, (tune.tune().bars().size() + 3) / 4));
            assertThat(told).extracting(Trap::kind).doesNotHaveDuplicates();
            assertThat(told).extracting(Trap::note).isSorted();
            assertThat(all).extracting(Trap::kind).containsAll(told.stream().map(Trap::kind).toList());
            assertThat(told.isEmpty()).isEqualTo(all.isEmpty());
        }
    }
}
