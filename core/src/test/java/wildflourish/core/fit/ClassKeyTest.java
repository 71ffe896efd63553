package wildflourish.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** What a key asks of those who play and sing together, and how it is said. */
class ClassKeyTest {

    private static final Instrument PIPES = Instruments.known("pipes-nine-note");
    private static final Instrument FIDDLE = Instruments.known("fiddle");

    private static Tune major(Step tonic, String notes) {
        return Tunes.of(Meter.COMMON, Key.of(tonic, 0, Mode.MAJOR), notes);
    }

    private static Singer singer(String low, String high) {
        return new Singer("Oona", Pitch.parse(low), Pitch.parse(high));
    }

    @Test
    void aSingerIsReadFromHerRange() {
        assertThat(Singer.parse(" Oona = A3 - D5 ")).isEqualTo(singer("A3", "D5"));
        assertThat(Singer.parse("Oona=A4-A4")).isEqualTo(singer("A4", "A4"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"Oona", "Oona=", "Oona=A3", "Oona=A3-D5-E5", "=A3-D5", "  =A3-D5", "Oona=D5-A3"})
    void whatIsNoSingerIsRefused(String text) {
        assertThatThrownBy(() -> Singer.parse(text)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("A3-D5");
    }

    /** Both ends of the range are comfortable; of the three octaves the one with fewest notes outside, and of two as good the one moved less. */
    @ParameterizedTest
    @CsvSource({"D4, D5, 0, 0, 0", "E4, D5, 0, 0, 1", "D4, C#5, 0, 0, 1", "D5, D6, 0, 12, 0", "D3, D4, 0, -12, 0", "D4, D6, 0, 0, 0", "D3, D5, 0, 0, 0",
        "D4, D5, 2, 2, 1", "G4, G4, 0, 0, 4", "E4, E5, 2, 2, 0", "E4, E5, -10, 2, 0"})
    void aTuneIsSungInTheOctaveThatSuits(String low, String high, int offset, int shift, int outside) {
        Tune tune = major(Step.D, "D4:2 F#4:2 A4:2 D5:2");
        assertThat(singer(low, high).sing(tune, offset)).isEqualTo(new Singer.Sung(singer(low, high), shift, outside));
    }

    /** Common practice: the nine notes have no G sharp, which A major wants twice here. */
    @Test
    void whoIsLeftBehindIsNamedWithTheReason() {
        Tune tune = major(Step.A, "A4:2 G#4:2 E5:2 G#4:2 | A4:4 A4:4");
        Fit fit = Fit.of(tune, List.of(PIPES, FIDDLE), List.of(singer("A4", "E5"), singer("C3", "C6")), School.USUAL);
        ClassKey own = fit.classKeys().stream().filter(k -> k.offset() == 0).findFirst().orElseThrow();

        assertThat(own.sounding().spoken()).isEqualTo("A major");
        assertThat(own.behind()).as("the pipes and one of those who sing").isEqualTo(2);
        assertThat(own.missing()).as("two notes of each of them").isEqualTo(4);
        assertThat(own.leftBehind()).containsExactly("%s (2 notes that are not on it (bar 1))".formatted(PIPES.name()), "Oona (2 notes out of range)");
        assertThat(fit.classKeys()).extracting(ClassKey::offset).containsExactly(-5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6);
        assertThat(fit.nobodyBehind().behind()).isLessThan(2);
        ClassKey good = fit.nobodyBehind();
        assertThat(good.leftBehind()).hasSize(good.behind());
        assertThat(own.effort()).isGreaterThan(Fit.cell(tune, FIDDLE, School.USUAL, 0).lie().effort());
    }

    /** Common practice: G minor is A minor fingering on a C whistle and E minor fingering on an F whistle; strings take a capo. */
    @Test
    void theEasyWaysToAKeyAreTold() {
        Tune tune = Tunes.of(Meter.COMMON, Key.of(Step.G, 0, Mode.MINOR), "G4:2 Bb4:2 D5:2 F5:2 | G5:4 D5:2 C5:2");
        List<Fit.Cell> ways = Fit.ways(tune, 0, School.USUAL);

        assertThat(ways).hasSize(5).allMatch(Fit.Cell::isWhole);
        assertThat(ways.stream().map(Fit.Cell::inWords)).anyMatch(w -> w.startsWith("A minor fingering on the C ") || w.startsWith("E minor fingering on the F "));
        assertThat(ways.stream().map(w -> w.lie().effort())).isSorted();
        assertThat(ways.stream().filter(w -> !w.instrument().takesCapo()).map(w -> w.fingered().spoken())).doesNotHaveDuplicates();
        assertThat(ways.stream().filter(w -> w.instrument().takesCapo()).map(w -> w.instrument().id())).doesNotHaveDuplicates();
        assertThat(ways).allSatisfy(w -> assertThat(w.instrument().takesCapo() || w.instrument().changesShapes()).isTrue());
    }

    @Test
    void aCellSaysWhatItCosts() {
        Fit.Cell nothing = Fit.cell(major(Step.D, "D4:8"), Instruments.known("whistle-d"), School.USUAL, 0);
        assertThat(nothing.why()).isEqualTo("it costs nothing");
        assertThat(nothing.inWords()).isEqualTo("D major on the D whistle");
        Fit.Cell moved = Fit.cell(major(Step.C, "C5:8"), Instruments.known("whistle-c"), School.USUAL, 0);
        assertThat(moved.inWords()).isEqualTo("D major fingering on the C whistle");
        Fit.Cell missing = Fit.cell(major(Step.A, "G#4:2 G#4:2 A4:4"), PIPES, School.USUAL, 0);
        assertThat(missing.why()).startsWith("2 notes that are not on it (bar 1)");
        assertThat(Fit.cell(major(Step.A, "G#4:4 A4:4"), PIPES, School.USUAL, 0).why()).startsWith("a note that is not on it (bar 1)");
        assertThat(missing.lie().worst()).as("what is not there costs most").isEqualTo(1);
        assertThat(missing.lie().cost()).isGreaterThanOrEqualTo(120);
        assertThat(missing.lie().perNote()).isEqualTo(missing.lie().cost() / 3.0);
    }

    /** Data: easy up to 0.75 of the usual, fair up to 1, middling up to 1.33, hard up to 1.75. */
    @ParameterizedTest
    @CsvSource({"0, easy, 0", "0.75, easy, 0", "0.76, fair, 1", "1, fair, 1", "1.1, middling, 2", "1.33, middling, 2", "1.5, hard, 3", "1.75, hard, 3", "2, very hard, 4", "1e6, very hard, 4"})
    void howHardItIsHasAWord(double times, String words, int level) {
        assertThat(Lie.inWords(times)).isEqualTo(words);
        assertThat(Lie.level(times)).isEqualTo(level);
        assertThat(Lie.levels().get(level)).isEqualTo(words);
    }

    @Test
    void howHardItIsGoesByTheSecond() {
        Tune tune = major(Step.D, "D4:2 E5:2 D4:2 E5:2 | D4:8");
        Lie lie = Lie.of(Timeline.of(tune), wildflourish.core.planning.Planner.plan(Timeline.of(tune), FIDDLE));
        double usual = lie.cost() / lie.effort();

        assertThat(usual).as("data: what a fiddler's hands spend in a second").isEqualTo(5.9, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(lie.timesUsual(Ratio.of(2, 1), Tempo.parse("1/4=120"))).as("two wholes last four seconds").isEqualTo(lie.cost() / 4.0 / 5.9, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(lie.timesUsual(Ratio.ZERO, Tempo.parse("1/4=120"))).isZero();
    }

    @Test
    void whatMakesATuneHardIsTold() {
        Arrangement leaps = Arrangement.bare(major(Step.D, "D4:1 D5:1 D4:1 C#5:1 D4:4 | A4:8 | E4:4 E5:4"), FIDDLE).with(Tempo.parse("1/4=60"));
        Hardness hardness = Hardness.of(leaps.version(0));

        assertThat(hardness.why()).contains("3 leaps of an octave or more", "0.7 notes a second at crotchet = 60").anyMatch(w -> w.matches("the hardest bar is bar \\d"));
        assertThat(hardness.words()).isEqualTo(Lie.inWords(hardness.timesUsual()));
        assertThat(Hardness.of(Arrangement.bare(major(Step.D, "D4:4 D5:4"), FIDDLE).version(0)).why()).contains("a leap of an octave or more");
        assertThat(Hardness.of(Arrangement.bare(major(Step.D, "D4:4 E4:4"), FIDDLE).version(0)).why()).noneMatch(w -> w.contains("leap"));
        Hardness still = Hardness.of(Arrangement.bare(major(Step.D, "D4:8"), Instruments.known("whistle-d")).version(0));
        assertThat(still.why()).as("nothing costs, so no bar is the hardest").noneMatch(w -> w.contains("hardest"));
    }

    /** Data: easier is at most 0.85 times as hard. */
    @Test
    void easierIsMoreThanATrifle() {
        assertThat(new Hardness(0.85, "fair", List.of()).isEasierThan(new Hardness(1, "fair", List.of()))).isTrue();
        assertThat(new Hardness(0.86, "fair", List.of()).isEasierThan(new Hardness(1, "fair", List.of()))).isFalse();
    }

    /** What the other family does not need is no loss: a fiddle takes a bow where a whistle takes the tongue. */
    @Test
    void whatTheOtherDoesNotNeedIsNoLoss() {
        Arrangement placed = Arrangement.bare(major(Step.D, "D4:2 D4:2 A4:4 | B4:4 A4:4"), Instruments.known("whistle-d"))
                .with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", Setting.BARE.with(1, "tonguing").with(2, "cut").with(3, "slide")))));
        Carried box = Carried.of(placed, 1, Fit.cell(placed.tune(), Instruments.known("accordion-bc"), School.USUAL, 0));
        assertThat(box.kept() + box.lost() + box.notNeeded()).isEqualTo(3);
        assertThat(box.lost()).isEqualTo(box.losses().size());
        assertThat(box.losses()).allSatisfy(l -> assertThat(l.why()).isNotBlank());
    }

    /** Whole keys first, then the cheapest, then the nearest; three of them. */
    @Test
    void theBestKeysComeInTheirOrder() {
        Tune tune = major(Step.A, "A4:2 G#4:2 E5:2 G#4:2 | A4:4 B4:4");
        for (Instrument instrument : List.of(PIPES, FIDDLE, Instruments.known("whistle-d"), Instruments.known("anglo-cg"))) {
            Fit fit = Fit.of(tune, List.of(instrument, Instruments.known("mandolin")), School.USUAL);
            List<Fit.Cell> byHand = Fit.column(tune, instrument, School.USUAL).stream().sorted(java.util.Comparator.comparingInt((Fit.Cell c) -> c.lie().missing().size())
                    .thenComparingInt(c -> c.lie().cost()).thenComparingInt(c -> Math.abs(c.offset()))).limit(3).toList();
            assertThat(fit.best(instrument)).isEqualTo(byHand);
        }
    }

    /** What is spent in the bars is what is spent in all; a far key is felt on every note (data: 0.4 for each sign and note on the fiddle). */
    @Test
    void whatIsSpentAddsUp() {
        Timeline tune = Timeline.of(Tunes.of(Meter.COMMON, Key.of(Step.A, -1, Mode.MAJOR), "Ab4:2 C5:2 Eb5:2 Ab5:2 | Db5:4 Bb4:4"));
        Lie lie = Lie.of(tune, wildflourish.core.planning.Planner.plan(tune, FIDDLE));
        Lie.Term far = lie.terms().stream().filter(t -> t.term().equals("far-key")).findFirst().orElseThrow();

        assertThat(far.count()).as("four flats, at home down to one sharp").isEqualTo(5);
        assertThat(far.cost()).isEqualTo((int) Math.round(5 * 6 * 0.4));
        assertThat(far.words()).isEqualTo("a key 5 signs beyond those that these hands are at home in");
        assertThat(lie.byBar().values().stream().mapToDouble(d -> d).sum()).isEqualTo(lie.cost() - far.cost(), org.assertj.core.data.Offset.offset(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"Bbm7/F, 2, Cm7/G", "F#, -1, F", "G, 1, Ab", "D/F#, 2, E/G#", "N.C., 2, N.C.", "Eb, 0, Eb"})
    void chordsGoAlong(String chord, int semitones, String there) {
        Key from = Key.of(Step.G, 0, Mode.MAJOR);
        assertThat(Moved.chord(chord, Moved.interval(from, semitones))).isEqualTo(there);
    }

    /** A note that neither of two singers has is theirs to miss; a cell is the cheapest of its octaves. */
    @Test
    void aCellIsTheCheapestOfItsOctaves() {
        Tune tune = major(Step.D, "D4:2 E4:2 F#4:2 D5:2");
        Fit.Cell cell = Fit.cell(tune, Instruments.known("english-48"), School.USUAL, 0);
        for (int octave = -12; octave <= 12; octave += 12) {
            Timeline moved = Timeline.of(Moved.by(tune, octave));
            Lie other = Lie.of(moved, wildflourish.core.planning.Planner.plan(moved, Instruments.known("english-48")));
            assertThat(other.missing().size() > cell.lie().missing().size() || other.cost() >= cell.lie().cost()).isTrue();
        }
    }

    @ParameterizedTest
    @CsvSource({"0, a recording in D major is in the tune's own key", "-1, 'to meet a recording in D flat major, move it a semitone up'", "2, 'to meet a recording in E major, move it 2 semitones down'"})
    void aRecordingInAnotherKeyIsMet(int offset, String words) {
        assertThat(Recording.of(Tunes.d(), offset, FIDDLE).inWords()).isEqualTo(words);
    }
}
