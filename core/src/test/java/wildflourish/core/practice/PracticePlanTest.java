package wildflourish.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.reading.Phrase;

class PracticePlanTest {

    private static Phrase phrase(int from, int to) {
        return new Phrase("A", from, from, to, 0, 1, false, false);
    }

    @Test
    void callsAreThePhrasesCutToTheStretch() {
        List<Phrase> phrases = List.of(phrase(0, 8), phrase(8, 16), phrase(16, 24));
        assertThat(PracticePlan.calls(phrases, 4, 20)).containsExactly(new PracticePlan.Call(4, 8), new PracticePlan.Call(8, 16),
                new PracticePlan.Call(16, 20));
        assertThat(PracticePlan.calls(phrases, 8, 16)).containsExactly(new PracticePlan.Call(8, 16));
    }

    @Test
    void thereIsAPlanOfEachKind() {
        assertThat(PracticePlan.all()).filteredOn(PracticePlan::isStepwise).hasSize(1);
        assertThat(PracticePlan.all()).filteredOn(PracticePlan::response).hasSize(1);
        PracticePlan goal = PracticePlan.all().stream().filter(p -> !p.stages().isEmpty()).findFirst().orElseThrow();
        assertThat(goal.stages()).extracting(PracticePlan.Stage::bare).containsExactly(false, false, true, true);
        assertThat(goal.stages().get(0).percent()).isEqualTo(100);
        assertThat(goal.stages().get(1).percent()).isLessThan(100);
    }
}
