package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.tune.Tempo;

class StepsTest {

    private static final Tempo GOAL = Tempo.parse("3/8=100");

    /** Quavers of a jig at a tempo, eight beats of three. */
    private static Expected at(Tempo tempo) {
        double pulse = tempo.millis(wildflourish.core.tune.Ratio.of(1, 8)).toDouble();
        return Expected.pattern(List.of(pulse, pulse, pulse), 8);
    }

    private static Evenness played(Tempo tempo, double... ratios) {
        Expected expected = at(tempo);
        List<Double> played = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < expected.size(); i++) {
            played.add(at);
            at += expected.lengthMs() / expected.size() * ratios[i % ratios.length];
        }
        return Evenness.of(expected, played);
    }

    private static Evenness even(Steps steps) {
        return played(steps.tempo(), 1);
    }

    private static Evenness apart(Steps steps) {
        return played(steps.tempo(), 1.4, 0.6);
    }

    private static Evenness uneven(Steps steps) {
        return played(steps.tempo(), 1.15, 0.85);
    }

    @Test
    void theTempoGoesUpOnlyAfterTwoEvenPassesInARow() {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        assertThat(steps.tempi()).extracting(t -> t.perMinute().floor()).containsExactly(50L, 60L, 70L, 80L, 90L, 100L);
        Steps.Next once = steps.after(even(steps));
        assertThat(once.advice()).isEqualTo(Steps.Advice.AGAIN);
        assertThat(once.even()).isTrue();
        assertThat(once.why()).isEqualTo("even; once more like this");
        // An uneven pass in between begins the count anew.
        Steps.Next broken = once.steps().after(uneven(steps));
        assertThat(broken.advice()).isEqualTo(Steps.Advice.AGAIN);
        assertThat(broken.even()).isFalse();
        Steps.Next again = broken.steps().after(even(steps));
        assertThat(again.advice()).isEqualTo(Steps.Advice.AGAIN);
        Steps.Next up = again.steps().after(even(steps));
        assertThat(up.advice()).isEqualTo(Steps.Advice.UP);
        assertThat(up.steps().tempo()).isEqualTo(Tempo.parse("3/8=60"));
    }

    @Test
    void itComesBackDownWhenItFallsApart() {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL).startingFrom(Tempo.parse("3/8=75"));
        assertThat(steps.tempo()).isEqualTo(Tempo.parse("3/8=70"));
        Steps.Next down = steps.after(apart(steps));
        assertThat(down.advice()).isEqualTo(Steps.Advice.DOWN);
        assertThat(down.steps().tempo()).isEqualTo(Tempo.parse("3/8=60"));
        assertThat(down.why()).contains("fell apart").contains("60");
        Steps lowest = Steps.upTo(GOAL, StepRule.USUAL);
        Steps.Next stay = lowest.after(apart(lowest));
        assertThat(stay.advice()).isEqualTo(Steps.Advice.AGAIN);
        assertThat(stay.why()).contains("shorter stretch");
    }

    @Test
    void aPassThatRushesIsNotEvenAndIsToldSo() {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        Steps.Next next = steps.after(played(steps.tempo(), 0.94));
        assertThat(next.even()).isFalse();
        assertThat(next.why()).contains("6 % faster than the pulse");
    }

    @Test
    void anotherDayBeginsAStepBelowWhatWasReached() {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        assertThat(steps.resuming(GOAL).tempo()).isEqualTo(Tempo.parse("3/8=90"));
        assertThat(steps.resuming(Tempo.parse("3/8=72")).tempo()).isEqualTo(Tempo.parse("3/8=60"));
        assertThat(steps.resuming(Tempo.parse("3/8=50")).at()).isZero();
    }

    @Test
    void anOnsetLooksAsTheRuleHasIt() {
        assertThat(StepRule.USUAL.look(19, 200)).isEqualTo(StepRule.Look.RIGHT);
        assertThat(StepRule.USUAL.look(-30, 200)).isEqualTo(StepRule.Look.OFF);
        assertThat(StepRule.USUAL.look(44, 200)).isEqualTo(StepRule.Look.WRONG);
        assertThat(StepRule.USUAL.withEvenUpTo(0.2).look(-30, 200)).as("a kinder rule").isEqualTo(StepRule.Look.RIGHT);
    }

    @Test
    void twoNotesAreTooShortToTell() {
        Expected two = Expected.pattern(List.of(300.0), 2);
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        Steps.Next next = steps.after(Evenness.of(two, List.of(0.0, 300.0)));
        assertThat(next.steps()).isEqualTo(steps);
        assertThat(next.why()).contains("longer stretch");
    }

    @Test
    void theRuleCanBeChangedAndSaysWhatItIs() {
        StepRule rule = StepRule.USUAL.withEvenUpTo(0.2).withPasses(1);
        Steps steps = Steps.upTo(GOAL, rule);
        assertThat(steps.after(uneven(steps)).advice()).isEqualTo(Steps.Advice.UP);
        assertThat(rule.inWords()).contains("vary by 20 %").contains("One in a row");
        assertThat(StepRule.USUAL.inWords()).contains("vary by 10 %").contains("Two in a row").contains("from 22 %");
        assertThatThrownBy(() -> StepRule.USUAL.withPasses(0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> StepRule.USUAL.withPercent(List.of(60, 50))).isInstanceOf(IllegalArgumentException.class);
    }

    /** The indices of the steps that a made-up student stands on, pass by pass, until the goal or so many passes. */
    private static List<Integer> climb(String student, int passes, List<Steps> last) {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        List<Integer> at = new ArrayList<>();
        for (int pass = 0; pass < passes && !steps.reached(); pass++) {
            at.add(steps.at());
            Expected expected = at(steps.tempo());
            steps = steps.after(Evenness.of(expected, SimulatedStudent.byId(student).play(expected, pass, 3))).steps();
        }
        last.add(steps);
        return at;
    }

    @ParameterizedTest
    @ValueSource(strings = {"steady", "improving"})
    void whoIsEvenOrBecomesSoReachesTheGoal(String student) {
        List<Steps> last = new ArrayList<>();
        List<Integer> at = climb(student, 60, last);
        assertThat(last.getFirst().reached()).isTrue();
        assertThat(at).first().isEqualTo(0);
        if (student.equals("steady")) {
            assertThat(at).as("two passes on each of six steps").containsExactly(0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 5, 5);
        } else {
            assertThat(at.size()).as("not at once").isGreaterThan(12);
            assertThat(at.get(3)).as("uneven at first").isZero();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"rushing", "uneven"})
    void whoRushesOrCutsAPulseShortStaysWhereHeIs(String student) {
        List<Steps> last = new ArrayList<>();
        assertThat(climb(student, 30, last)).containsOnly(0);
        assertThat(last.getFirst().reached()).isFalse();
    }

    @Test
    void whoTiresClimbsAndComesBackDown() {
        List<Integer> at = climb("tiring", 40, new ArrayList<>());
        int highest = at.stream().max(Integer::compare).orElseThrow();
        assertThat(highest).isGreaterThanOrEqualTo(2);
        assertThat(at.getLast()).isLessThan(highest);
    }

    @Test
    void theSameStudentWithTheSameSeedPlaysTheSame() {
        Expected expected = at(GOAL);
        for (SimulatedStudent student : SimulatedStudent.all()) {
            assertThat(student.play(expected, 2, 7)).isEqualTo(student.play(expected, 2, 7)).isNotEqualTo(student.play(expected, 3, 7));
        }
    }

    /** Listened to, a pass whose ornaments do not speak holds the tempo, however even it is. */
    @Test
    void ornamentsThatDoNotSpeakHoldTheTempo() {
        Steps steps = Steps.upTo(GOAL, StepRule.USUAL);
        Steps.Next silent = steps.after(even(steps), new Spoken(2, 4));
        assertThat(silent.even()).isFalse();
        assertThat(silent.advice()).isEqualTo(Steps.Advice.AGAIN);
        assertThat(silent.why()).isEqualTo("again at the same tempo: even, but only 2 of 4 ornaments spoke");
        Steps.Next spoke = silent.steps().after(even(steps), new Spoken(3, 4));
        assertThat(spoke.even()).isTrue();
        assertThat(spoke.steps().after(even(steps), new Spoken(4, 4)).advice()).isEqualTo(Steps.Advice.UP);
    }
}
