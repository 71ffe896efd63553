package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Tempo;

class CareTest {

    @Test
    void everyoneIsToldToRestAndToStopAtPain() {
        for (Family family : Family.all()) {
            assertThat(Care.of(family, School.USUAL)).anyMatch(c -> c.contains("Rest before"))
                    .anyMatch(c -> c.contains("pain") && c.contains("doctor"));
        }
    }

    @Test
    void whistlePlayersAreToldAboutForceEarsAndMouthpieces() {
        assertThat(Care.of(Family.known("open-hole"), School.USUAL)).anyMatch(c -> c.contains("no force"))
                .anyMatch(c -> c.contains("ears")).anyMatch(c -> c.contains("mouthpiece"));
    }

    @Test
    void whoseHandsAreChangedOverIsToldOfTheOtherHand() {
        School changed = School.USUAL.with("hands", "changed");
        assertThat(Care.of(Family.known("bowed"), School.USUAL)).anyMatch(c -> c.startsWith("Left wrist straight"));
        assertThat(Care.of(Family.known("bowed"), changed)).anyMatch(c -> c.startsWith("Right wrist straight")).noneMatch(c -> c.startsWith("Left"));
        assertThat(Holding.of(Family.known("bowed"), changed)).first().asString().contains("the right hand holds nothing up, the left hand has the bow");
        for (Family family : Family.all()) {
            assertThat(Care.of(family, changed)).noneMatch(c -> c.contains("{"));
            assertThat(Holding.of(family, changed)).noneMatch(c -> c.contains("{"));
        }
    }

    @Test
    void theStepsClimbToTheGoal() {
        assertThat(Steps.upTo(Tempo.parse("1/2=90"), StepRule.USUAL).tempi()).hasSize(6)
                .isSortedAccordingTo((a, b) -> a.perMinute().compareTo(b.perMinute()))
                .last().isEqualTo(Tempo.parse("1/2=90"));
        assertThat(Steps.upTo(Tempo.parse("1/2=90"), StepRule.USUAL).tempi().getFirst()).isEqualTo(Tempo.parse("1/2=45"));
    }
}
