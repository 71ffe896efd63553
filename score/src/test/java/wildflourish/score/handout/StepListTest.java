package wildflourish.score.handout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.practice.Holding;
import wildflourish.core.practice.StepList;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.abc.AbcReader;

/** Steps for those who do not read music, against lists written by hand from the instruments' charts: common practice. */
class StepListTest {

    private static final String TUNE = "X:1\nT:Steps to the Landing\nR:jig\nM:6/8\nL:1/8\nK:D\n|:D2D F2A|B3 A2z|D2D F2A|B3 d3:|\n";

    private static StepList on(String instrument, String abc) {
        return StepList.of(Arrangement.bare(AbcReader.read(abc).tunes().getFirst().tune(), Instruments.known(instrument)).version(0));
    }

    private static List<String> steps(StepList list) {
        return list.sections().stream().flatMap(s -> s.steps().stream()).map(StepList.Step::inWords).toList();
    }

    @Test
    void theWhistle() {
        StepList list = on("whistle-d", TUNE);
        assertThat(list.perBar()).isEqualTo(6);
        assertThat(list.sections().getFirst().part()).hasValue("Part A, twice");
        assertThat(steps(list)).startsWith("xxx xxx, gentle, 2 counts", "xxx xxx, gentle, 1 count", "xxx xoo, gentle, 2 counts",
                "xxo ooo, gentle, 1 count", "xoo ooo, gentle, 3 counts");
        assertThat(list.sections().getLast().as()).isEqualTo("as A1 up to its step 5, then");
        assertThat(steps(list).getLast()).startsWith("xxx xxx, firm, 3 counts");
    }

    @Test
    void theFiddle() {
        assertThat(steps(on("fiddle", TUNE))).startsWith("open D string, 2 counts, down", "open D string, 1 count, up",
                "high second finger on the D string, 2 counts, down", "open A string, 1 count, up", "first finger on the A string, 3 counts, down");
    }

    @Test
    void theRecorder() {
        assertThat(steps(on("recorder-soprano-c", TUNE))).startsWith("x xxx xxxo, gentle, 2 counts", "x xxx xxxo, gentle, 1 count",
                "x xxx oxxo, gentle, 2 counts", "x xxo oooo, gentle, 1 count", "x xoo oooo, gentle, 3 counts");
    }

    @Test
    void aRestIsAStepAndRepeatedNotesAreOne() {
        List<String> steps = steps(on("whistle-d", "X:1\nT:Knocks\nM:4/4\nL:1/8\nK:D\nAAAA z2 A2|\n"));
        assertThat(steps).containsExactly("xxo ooo, gentle, 4 times, 1 count each", "rest, 2 counts", "xxo ooo, gentle, 2 counts");
    }

    @Test
    void theStepsAreTrueInAnyKey() {
        String inE = TUNE.replace("K:D", "K:E").replace("D2D F2A", "E2E G2B").replace("B3 A2z", "c3 B2z").replace("B3 d3", "c3 e3");
        assertThat(steps(on("whistle-e", inE))).isEqualTo(steps(on("whistle-d", TUNE)));
    }

    private static List<Instrument> played() {
        return Instruments.all().stream().filter(Instrument::hasHands).toList();
    }

    @ParameterizedTest
    @MethodSource("played")
    void everyInstrumentIsHeldAndEveryStepSaysWhere(Instrument instrument) {
        assertThat(Holding.of(instrument.family(), School.USUAL)).hasSizeGreaterThanOrEqualTo(3);
        for (StepList.Section section : on(instrument.id(), TUNE).sections()) {
            for (StepList.Step step : section.steps()) {
                assertThat(step.inWords()).contains("count").doesNotContain("null");
                assertThat(step.place().isEmpty() || !step.inWords().startsWith("count")).isTrue();
            }
        }
    }
}
