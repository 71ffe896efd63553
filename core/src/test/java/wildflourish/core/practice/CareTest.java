package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Family;
import wildflourish.core.tune.Tempo;

class CareTest {

    @Test
    void everyoneIsToldToRestAndToStopAtPain() {
        for (Family family : Family.all()) {
            assertThat(Care.of(family)).anyMatch(c -> c.contains("Rest before"))
                    .anyMatch(c -> c.contains("pain") && c.contains("doctor"));
        }
    }

    @Test
    void whistlePlayersAreToldAboutForceEarsAndMouthpieces() {
        assertThat(Care.of(Family.known("open-hole"))).anyMatch(c -> c.contains("no force"))
                .anyMatch(c -> c.contains("ears")).anyMatch(c -> c.contains("mouthpiece"));
    }

    @Test
    void theStepsClimbToTheGoal() {
        assertThat(Steps.upTo(Tempo.parse("1/2=90"), StepRule.USUAL).tempi()).hasSize(6)
                .isSortedAccordingTo((a, b) -> a.perMinute().compareTo(b.perMinute()))
                .last().isEqualTo(Tempo.parse("1/2=90"));
        assertThat(Steps.upTo(Tempo.parse("1/2=90"), StepRule.USUAL).tempi().getFirst()).isEqualTo(Tempo.parse("1/2=45"));
    }
}
