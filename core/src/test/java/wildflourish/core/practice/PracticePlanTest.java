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
        assertThat(PracticePlan.all()).filteredOn(p -> p.way() == PracticePlan.Way.RESPONSE).hasSize(1);
        PracticePlan goal = PracticePlan.all().stream().filter(p -> !p.stages().isEmpty()).findFirst().orElseThrow();
        assertThat(goal.stages()).extracting(PracticePlan.Stage::bare).containsExactly(false, false, true, true);
        assertThat(goal.stages().get(0).percent()).isEqualTo(100);
        assertThat(goal.stages().get(1).percent()).isLessThan(100);
    }

    private static String written(wildflourish.core.tune.Tune tune) {
        return wildflourish.core.tune.Timeline.of(tune).notes().stream().map(n -> n.pitch() + ":" + n.note().length().times(8)).collect(java.util.stream.Collectors.joining(" "));
    }

    /** What is held longer than a beat is struck on each beat that it lasts through, wherever in the bar it begins; the rest stays. */
    @Test
    void heldNotesAreStruckOnEachBeat() {
        var tune = wildflourish.core.Tunes.of(wildflourish.core.tune.Meter.of(4, 4), wildflourish.core.Tunes.d(), "D4 F#4:3 A4:4 | B4:2 A4:2 D5:1 E5:3");
        Restruck struck = Restruck.of(tune, wildflourish.core.tune.Ratio.of(1, 4));
        assertThat(written(struck.tune())).isEqualTo("D4:1 F#4:1 F#4:2 A4:2 A4:2 B4:2 A4:2 D5:1 E5:1 E5:2");
        assertThat(struck.now()).containsExactly(0, 1, 3, 5, 6, 7, 8);
        for (wildflourish.core.SessionTune session : wildflourish.core.SessionTune.values()) {
            Restruck all = Restruck.of(session.tune(), wildflourish.core.tune.Ratio.of(1, 4));
            assertThat(all.tune().bars().stream().map(b -> b.length()).toList()).as(session.name()).isEqualTo(session.tune().bars().stream().map(b -> b.length()).toList());
            assertThat(all.now()).isSorted().doesNotHaveDuplicates().hasSize(session.timeline().size());
        }
    }
}
