package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Trap;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;

class ReadingTest {

    /** Four bars, of which the third is the first again. */
    private static final String SQUARE = "D4:2 F#4:2 A4:2 F#4:2 | E4:2 G4:2 B4:4 | D4:2 F#4:2 A4:2 F#4:2 | E4:2 F#4:2 D4:4 ||";

    private static Timeline tune(Key key, String text) {
        return Timeline.of(Tunes.of(Meter.of(4, 4), key, text));
    }

    private static Reading read(String text) {
        return Reading.of(tune(Tunes.d(), text));
    }

    private static List<Trap> traps(String instrument, Key key, String text) {
        Situation situation = Situation.of(tune(key, text), Instruments.known(instrument), School.USUAL);
        return Traps.of(Reading.of(situation.tune()), situation);
    }

    @Test
    void aPhraseThatBeginsLikeAnotherIsTaughtByItsEnding() {
        Reading reading = read(SQUARE);
        assertThat(reading.phrases()).extracting(Phrase::name).containsExactly("A1", "A2");
        Passage second = reading.passages().get(1);
        assertThat(second.likeness().kind()).isEqualTo(Likeness.Kind.OTHER_ENDING);
        assertThat(second.difference()).isEqualTo("as A1 up to bar 4, beat 2, then it goes on with F♯ D");
    }

    @Test
    void theShareCountsBarsThatComeBack() {
        List<Lesson.Step> steps = read(SQUARE).lesson().steps();
        assertThat(steps.get(0).newBars()).isEqualTo(2);
        assertThat(steps.get(0).share()).isEqualTo(0.75);
        assertThat(steps.get(1).newBars()).isEqualTo(1);
        assertThat(steps.get(1).share()).isEqualTo(1);
        assertThat(steps.getLast().text()).isEqualTo("join the whole of part A");
    }

    @Test
    void aWrittenOutRepeatIsTheSamePart() {
        String part = "D4:2 F#4:2 A4:2 F#4:2 | E4:2 G4:2 B4:4 | A4:2 F#4:2 D4:2 F#4:2 | E4:8 | ";
        String other = "B4:2 G4:2 E4:2 G4:2 | A4:2 F#4:2 D4:4 | B4:2 G4:2 E4:2 C#4:2 | D4:8 | ";
        Reading reading = read(part + other + part + other);
        assertThat(reading.form()).isEqualTo("AA");
        assertThat(reading.parts()).extracting(Part::name).containsExactly("A", "A′");
    }

    @Test
    void theModeIsFoundFromTheNotesWhereTheKeyIsWrittenWrong() {
        String dorian = "E4:2 G4:2 B4:2 C#5:2 | D5:2 B4:2 A4:2 F#4:2 | E4:2 G4:2 B4:2 C#5:2 | D5:2 F#4:2 E4:4 ||";
        Reading reading = Reading.of(tune(Tunes.d(), dorian));
        assertThat(reading.tonality().key().orElseThrow().spoken()).isEqualTo("E dorian");
        assertThat(reading.tonality().remark()).hasValue("the key is written as D major, but the notes speak for E dorian");
        assertThat(Reading.of(tune(Key.of(Step.E, 0, Mode.DORIAN), dorian)).tonality().remark()).isEmpty();
        assertThat(Reading.of(tune(Key.NONE, dorian)).tonality().remark())
                .hasValue("no key is written; the notes are those of E dorian");
    }

    @Test
    void gapsInTheScaleAreTold() {
        Tonality five = Reading.of(tune(Tunes.g(), "G4:2 A4:2 B4:2 D5:2 | E5:2 D5:2 B4:2 G4:2 ||")).tonality();
        assertThat(five.missing()).containsExactly(4, 7);
        assertThat(five.scaleInWords()).isEqualTo("five notes: no fourth and no seventh");
        assertThat(five.notes()).containsExactly("G", "A", "B", "D", "E");
    }

    @Test
    void figuresTellThePhraseInFewWords() {
        assertThat(read("D4 E4 F#4 G4 A4:4 | B4 A4 B4 C#5 D5 A4 F#4 D4 ||").passages().getFirst().shape())
                .isEqualTo("a run up from D to B, a run up from A to D, the chord notes A F♯ D");
        assertThat(read("G4 F#4 G4 A4 G4 B4 B4 B4 ||").passages().getFirst().shape())
                .isEqualTo("a turn around G, B three times");
        assertThat(read("B4 G4 C#5 G4 D5 G4 E5 G4 ||").passages().getFirst().shape()).isEqualTo("always back to G");
    }

    @Test
    void theTeacherMovesNamesAndRemarks() {
        Timeline timeline = tune(Tunes.d(), SQUARE);
        PhraseMarks marks = PhraseMarks.NONE.moving(7, 8).naming(8, Optional.of("answer"))
                .remarking(8, Optional.of("lightly  now"));
        Reading reading = Reading.of(timeline, marks);
        assertThat(reading.phrases()).extracting(Phrase::fromNote).containsExactly(0, 8);
        assertThat(reading.phrases().get(1).name()).isEqualTo("answer");
        assertThat(reading.passages().get(1).remark()).hasValue("lightly now");
        assertThat(Reading.of(timeline, marks.joining(8)).passages()).hasSize(1);
    }

    @Test
    void aPhraseIsWhereItsRepeatIsAndNotWhereTheBarsAreCounted() {
        String three = "E4:2 E4 F#4 G4:2 A4 B4 | C#5:2 B4 A4 G4:2 F#4 E4 | D4:8 ";
        Reading reading = read("D5:2 D5 A4 B4:2 B4 A4 | G4:2 G4 A4 F#4:4 | " + three + "|| A4:2 A4:2 B4:4 | F#4:2 A4:2 D5:4 | "
                + three + "||");
        assertThat(reading.phrases()).extracting(Phrase::bars).containsExactly(2, 3, 2, 3);
        assertThat(reading.passages().get(3).isSame()).isTrue();
        assertThat(traps("none", Tunes.d(), "D4:8 | " + three + "||")).isEmpty();
    }

    @Test
    void trapsOfTheFiddleAreItsOwn() {
        Key a = Key.of(Step.A, 0, Mode.MAJOR);
        List<Trap> traps = traps("fiddle", a, "A4:2 C#5:2 D5:2 E5:2 | A4:2 G#3:2 A4:2 E5:2 | D5:2 C#5:2 B4:2 A4:2 ||");
        assertThat(traps).extracting(Trap::kind)
                .contains("only-on-string", "two-string-leap", "narrow-semitone");
        assertThat(traps.stream().filter(t -> t.kind().equals("only-on-string")).toList())
                .extracting(t -> t.note()).containsExactly(3, 5);
    }

    @Test
    void trapsOfTheWhistleAreHalfHolesForksAndJumps() {
        assertThat(traps("whistle-d", Tunes.g(), "D4:2 G4:2 C5:2 G4:2 | D4:2 D5:2 D4:4 ||")).extracting(Trap::kind)
                .contains("fork", "register-jump");
        assertThat(traps("whistle-d", Tunes.d(), "D4:2 E4 F#4 G4:2 A4 F#4 | E4:2 D#4:2 E4:2 F#4 G4 | F#4:2 A4:2 D4:4 || ")).extracting(Trap::kind)
                .contains("half-hole", "outside-key");
        assertThat(traps("whistle-d", Tunes.d(), "A3:4 D4:4 || ")).extracting(Trap::kind).contains("missing");
    }

    @Test
    void aFreeReedIsWarnedOfForcedBellows() {
        List<Trap> traps = traps("anglo-cg", Key.of(Step.A, 0, Mode.MIXOLYDIAN), "D5:2 F#5:2 D5:2 B4:2 | A4:8 ||");
        assertThat(traps).allSatisfy(t -> assertThat(t.inWords()).doesNotContain("{"));
    }

    @Test
    void aVeryLongTuneIsReadToo() {
        String bars = "D4 E4 F#4 G4 A4 B4 C#5 D5 | D5 C#5 B4 A4 G4 F#4 E4 D4 | ".repeat(1500);
        Reading reading = read(bars + "D4:8 ||");
        assertThat(reading.passages().stream().mapToInt(p -> p.phrase().toNote() - p.phrase().fromNote()).sum())
                .isEqualTo(reading.timeline().size());
    }
}
