package wildflourish.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** How tunes lie: every figure is the plan's. */
class LieTest {

    private static final String TUNE = "D4:2 F#4:2 A4:2 D5:2 | B4:3 A4:1 G4:2 E4:2 | F#4:2 A4:2 B4:2 C#5:2 | D5:4 A4:4";

    private static Tune random(Random random, int notes) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < notes; i++) {
            text.append(i > 0 && i % 8 == 0 ? "| " : "").append(Pitch.ofMidi(58 + random.nextInt(28))).append(":1 ");
        }
        return Tunes.of(Meter.COMMON, Tunes.d(), text.toString().strip());
    }

    /** On every instrument, for random tunes: what is told adds up to what the plan costs, and what is missing is what the plan misses. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-nine-note", "recorder-alto-f", "fiddle", "mandolin", "banjo-five-string", "anglo-cg", "english-48", "accordion-bc", "melodeon-dg"})
    void theTermsAddUpToThePlansCost(String id) {
        Instrument instrument = Instruments.known(id);
        for (int seed = 0; seed < 8; seed++) {
            Timeline tune = Timeline.of(random(new Random(seed), 24));
            FingeringPlan plan = Planner.plan(tune, instrument);
            Lie lie = Lie.of(tune, plan);
            assertThat(lie.terms().stream().mapToInt(Lie.Term::cost).sum()).isEqualTo(lie.cost());
            assertThat(lie.terms().stream().filter(t -> !t.term().equals("missing") && !t.term().equals("far-key")).mapToInt(Lie.Term::cost).sum()).as(id + " " + seed).isEqualTo(plan.cost());
            assertThat(lie.missing()).isEqualTo(plan.missing());
            assertThat(lie.terms()).allSatisfy(t -> assertThat(t.count()).isPositive());
        }
    }

    @Test
    void aTermNamesItsBars() {
        Timeline tune = Timeline.of(Tunes.of(Meter.COMMON, Tunes.d(), TUNE.replace("E4:2", "D#4:2")));
        Lie lie = Lie.of(tune, Planner.plan(tune, Instruments.known("whistle-d")));
        Lie.Term half = lie.terms().stream().filter(t -> t.term().equals("half-hole")).findFirst().orElseThrow();
        assertThat(half.bars()).containsExactly(2);
        assertThat(half.inWords()).isEqualTo("a half-covered hole (bar 2)");
        assertThat(lie.worst()).isEqualTo(2);
    }

    /** What a player says at once (common practice): D on a D whistle is easier than E flat; flat keys are hard on a fiddle beside D; faster is harder. */
    @ParameterizedTest
    @CsvSource({"whistle-d, 0, 1", "flute-d, 0, 1", "fiddle, 0, 1", "mandolin, 0, 1", "melodeon-dg, 0, 1", "pipes-bellows-d, 0, 1"})
    void anInstrumentsOwnKeyIsEasierThanTheNextSemitone(String id, int home, int away) {
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), TUNE);
        assertThat(cost(tune, id, home)).isLessThan(cost(tune, id, away));
    }

    private static int cost(Tune tune, String id, int semitones) {
        Timeline moved = Timeline.of(Moved.by(tune, semitones));
        return Lie.of(moved, Planner.plan(moved, Instruments.known(id))).cost();
    }

    /** Common practice: strings are at home from C to A, the fiddle from G; beyond, every sign is felt. */
    @ParameterizedTest
    @CsvSource({"fiddle, 0, 0", "fiddle, -2, 1", "fiddle, -4, 3", "fiddle, 1, 4", "fiddle, 2, 1", "mandolin, -2, 0", "mandolin, 3, 1", "whistle-d, 1, 0"})
    void aKeyThatHandsAreSeldomInIsTold(String id, int semitones, int signs) {
        Timeline moved = Timeline.of(Moved.by(Tunes.of(Meter.COMMON, Tunes.d(), TUNE), semitones));
        Lie lie = Lie.of(moved, Planner.plan(moved, Instruments.known(id)));
        assertThat(lie.terms().stream().filter(t -> t.term().equals("far-key")).mapToInt(Lie.Term::count).sum()).isEqualTo(signs);
    }

    @Test
    void fasterIsHarderAndItsReasonsAreTold() {
        Arrangement usual = Arrangement.bare(Tunes.of(Meter.COMMON, Tunes.d(), TUNE), Instruments.known("fiddle"));
        Hardness slow = Hardness.of(usual.with(usual.tempo().percent(50)).version(0));
        Hardness fast = Hardness.of(usual.version(0));
        assertThat(fast.timesUsual()).isCloseTo(2 * slow.timesUsual(), org.assertj.core.data.Percentage.withPercentage(1));
        assertThat(Lie.levels().indexOf(fast.words())).isGreaterThanOrEqualTo(Lie.levels().indexOf(slow.words()));
        assertThat(fast.inWords().toLowerCase(Locale.ROOT)).contains("notes a second", "string");
    }
}
