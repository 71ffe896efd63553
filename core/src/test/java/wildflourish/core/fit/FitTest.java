package wildflourish.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** In which key, on which instrument. */
class FitTest {

    private static final String TUNE = "D4:2 F#4:2 A4:2 D5:2 | B4:3 A4:1 G4:2 E4:2 | F#4:2 A4:2 B4:2 C#5:2 | D5:4 A4:4";

    private static Tune tune() {
        return Tunes.of(Meter.COMMON, Tunes.d(), TUNE);
    }

    private static Tune minor(Step tonic, String notes) {
        return Tunes.of(Meter.COMMON, Key.of(tonic, 0, Mode.MINOR), notes);
    }

    /** Common practice: G minor is A minor fingering on a C whistle and E minor on an F whistle; C minor is E minor on a B flat whistle, A minor on an E flat one. */
    @ParameterizedTest
    @CsvSource({"G, whistle-c, A minor", "G, whistle-f, E minor", "C, whistle-bb, E minor", "C, whistle-eb, A minor", "C, whistle-f, A minor", "G, whistle-d, G minor"})
    void fingersThinkInD(Step tonic, String id, String fingered) {
        String expected = id.equals("whistle-eb") ? "B minor" : fingered;
        Fit.Cell cell = Fit.cell(minor(tonic, "G4:2 Bb4:2 D5:2 G5:2 | G4:4 G4:4"), Instruments.known(id), School.USUAL, 0);
        assertThat(cell.fingered().spoken()).isEqualTo(expected);
        assertThat(cell.sounding().spoken()).isEqualTo(tonic + " minor");
    }

    /** Common practice: a capo at the second fret turns G shapes into A, and takes the short string with it. */
    @Test
    void aCapoTurnsShapesIntoAnotherKey() {
        Instrument banjo = Instruments.known("banjo-five-string").withCapo(2);
        Tune a = Tunes.of(Meter.COMMON, Key.of(Step.A, 0, Mode.MAJOR), "A4:2 C#5:2 E5:2 A4:2 | B4:4 A4:4");
        Fit.Cell cell = Fit.cell(a, banjo, School.USUAL, 0);
        assertThat(cell.fingered().spoken()).isEqualTo("G major");
        assertThat(cell.inWords()).isEqualTo("G major shapes on the five-string banjo, capo 2");
        Tune g = Moved.by(a, -2);
        assertThat(cell.lie().cost()).as("the hands do what they do in G without it").isEqualTo(Fit.cell(g, Instruments.known("banjo-five-string"), School.USUAL, 0).lie().cost());
        assertThat(banjo.has(Pitch.parse("A4"))).isTrue();
    }

    /** Common practice: the nine notes of the mouth-blown pipes have no G sharp, so A major scales on them lack it. */
    @Test
    void nineNotePipesHaveNoGSharp() {
        Instrument pipes = Instruments.known("pipes-nine-note");
        for (int octave = 3; octave <= 6; octave++) {
            assertThat(pipes.has(new Pitch(Step.G, 1, octave))).isFalse();
        }
        Tune a = Tunes.of(Meter.COMMON, Key.of(Step.A, 0, Mode.MAJOR), "A4:2 C#5:2 E5:2 G#5:2 | A5:4 A4:4");
        assertThat(Fit.cell(a, pipes, School.USUAL, 0).isWhole()).isFalse();
        assertThat(Fit.column(a, pipes, School.USUAL)).filteredOn(Fit.Cell::isWhole).isNotEmpty()
                .allSatisfy(c -> assertThat(Timeline.of(Moved.by(a, c.shift())).notes()).noneMatch(n -> n.pitch().midi() % 12 == 8));
    }

    /** Common practice: on a C/G box C and G lie along a row; D and A want both rows, for no single one has their scales. */
    @ParameterizedTest
    @CsvSource({"0, true", "7, true", "2, false", "-3, false"})
    void aCgBoxHasDAndAOnlyAcrossTheRows(int fromC, boolean alongARow) {
        Tune scale = Moved.by(Tunes.of(Meter.COMMON, Key.of(Step.C, 0, Mode.MAJOR), "C4:2 D4:2 E4:2 F4:2 | G4:2 A4:2 B4:2 C5:2"), fromC);
        Instrument box = Instruments.known("anglo-cg");
        boolean oneRowHasIt = Stream.of("C", "G").anyMatch(row -> Timeline.of(scale).notes().stream().map(n -> n.pitch().midi()).allMatch(midi -> Stream.of(-12, 0, 12)
                .flatMap(octave -> box.layout().places(Pitch.ofMidi(midi + octave)).stream()).anyMatch(p -> ((Place.Pressed) p).button().row().equals(row))));
        assertThat(oneRowHasIt).isEqualTo(alongARow);
        Timeline tune = Timeline.of(scale);
        long rows = Planner.plan(tune, box).places().stream().filter(Place.Pressed.class::isInstance).map(p -> ((Place.Pressed) p).button().row()).distinct().count();
        assertThat(alongARow || rows > 1).isTrue();
    }

    /** Every cell is the plan of the tune moved by hand, in the best of three octaves. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "whistle-bb", "recorder-alto-f", "pipes-bellows-d", "fiddle", "tenor-banjo", "anglo-cg", "accordion-bc", "english-48"})
    void everyCellIsThePlanOfThatKey(String id) {
        Instrument instrument = Instruments.known(id);
        Random random = new Random(id.hashCode());
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 16; i++) {
            text.append(i == 8 ? "| " : "").append(Pitch.ofMidi(62 + random.nextInt(20))).append(":1 ");
        }
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), text.toString().strip());
        for (Fit.Cell cell : Fit.column(tune, instrument, School.USUAL)) {
            List<Lie> byHand = new ArrayList<>();
            for (int octave = -12; octave <= 12; octave += 12) {
                Timeline moved = Timeline.of(Moved.by(tune, cell.offset() + octave));
                FingeringPlan plan = Planner.plan(moved, instrument);
                byHand.add(Lie.of(moved, plan));
            }
            Lie best = byHand.stream().min(Comparator.comparingInt((Lie l) -> l.missing().size()).thenComparingInt(Lie::cost)).orElseThrow();
            assertThat(cell.lie().missing()).as(id + " " + cell.sounding().spoken()).hasSameSizeAs(best.missing());
            assertThat(cell.lie().cost()).as(id + " " + cell.sounding().spoken()).isEqualTo(best.cost());
            assertThat(Math.floorMod(cell.shift(), 12)).isEqualTo(Math.floorMod(cell.offset(), 12));
        }
    }

    /** What whistles share is shared rightly: together they are what each is alone. */
    @Test
    void instrumentsTogetherAreWhatEachIsAlone() {
        Tune tune = minor(Step.G, "G4:2 Bb4:2 D5:2 F#5:2 | G5:4 C5:2 Eb5:2");
        List<Instrument> all = Instruments.all().stream().filter(Instrument::hasHands).toList();
        Fit fit = Fit.of(tune, all, School.USUAL);
        for (Instrument instrument : all) {
            assertThat(fit.cells().stream().filter(c -> c.instrument().equals(instrument)).toList()).isEqualTo(Fit.column(tune, instrument, School.USUAL));
        }
    }

    @Test
    void theClassKeysAreTheBestOfAllKeys() {
        Fit fit = Fit.of(tune(), List.of(Instruments.known("whistle-d"), Instruments.known("fiddle"), Instruments.known("pipes-nine-note"), Instruments.known("melodeon-dg")), School.USUAL);
        int fewest = Integer.MAX_VALUE;
        double least = Double.MAX_VALUE;
        for (int offset = Fit.LOWEST; offset <= Fit.HIGHEST; offset++) {
            int behind = 0;
            double effort = 0;
            for (Instrument instrument : fit.instruments()) {
                Fit.Cell cell = fit.at(instrument, offset).orElseThrow();
                behind += cell.isWhole() ? 0 : 1;
                effort += cell.lie().effort();
            }
            fewest = Math.min(fewest, behind);
            least = Math.min(least, effort);
        }
        assertThat(fit.nobodyBehind().behind()).isEqualTo(fewest);
        assertThat(fit.easiest().effort()).isEqualTo(least);
        assertThat(fit.best(Instruments.known("whistle-d")).getFirst().sounding()).isEqualTo(tune().head().key());
    }

    @Test
    void ornamentsThatCannotBeDoneThereAreCounted() {
        Arrangement placed = Arrangement.bare(tune(), Instruments.known("whistle-d"))
                .with(new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", Setting.BARE.with(4, "long-roll").with(2, "cut")))));
        assertThat(Carried.of(placed, 1, Fit.cell(tune(), placed.instrument(), School.USUAL, 0))).isEqualTo(new Carried(2, 0, List.of()));
        Fit.Cell up = Fit.cell(tune(), placed.instrument(), School.USUAL, 2);
        assertThat(Timeline.of(Carried.moved(placed, up).tune()).note(4).pitch().spoken()).isEqualTo("C sharp");
        assertThat(Carried.of(placed, 1, up)).as("no roll on C sharp, all holes open").satisfies(c -> {
            assertThat(c.kept()).isEqualTo(1);
            assertThat(c.losses()).singleElement().satisfies(l -> assertThat(l.ornament() + ": " + l.why()).startsWith("long roll: C sharp leaves every hole open"));
        });
        Carried fiddle = Carried.of(placed, 1, Fit.cell(tune(), Instruments.known("fiddle"), School.USUAL, 0));
        assertThat(fiddle.kept() + fiddle.lost() + fiddle.notNeeded()).isEqualTo(2);
    }
}
