package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;

class AnswersTest {

    private static Answers answers(String from, String tune, String to, String... ids) {
        TreeMap<Integer, List<String>> full = new TreeMap<>();
        for (int note = 0; note < ids.length; note++) {
            full.put(note, List.of(ids[note].split("\\+")));
        }
        Arrangement given = new Arrangement(Tunes.of(Meter.of(4, 4), Tunes.d(), tune), Instruments.known(from), Tempo.parse("1/4=60"), Speeds.level("fluent"),
                School.USUAL, new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", new Setting(full)))));
        return new Answers(given, Situation.of(given.situation().tune(), Instruments.known(to), School.USUAL));
    }

    private static List<String> ids(List<Answers.Answer> answers) {
        return answers.stream().map(a -> String.join("+", Arrays.stream(a.chosen()).filter(Objects::nonNull).map(Ornament::id).toList())).toList();
    }

    /** A slide begins and ends alike with a drone and without, so only the worthier is weighed; once that must not come before its neighbour, the other one may. */
    @Test
    void whatMustNotComeBeforeANeighbourLeavesRoomForAnotherThatLooksLikeIt() {
        Answers answers = answers("whistle-d", "B4:3 A4:3 G4:2", "fiddle", "cran+slide", "slide");
        assertThat(ids(answers.all(0))).contains("slide+drone").doesNotContain("slide");
        Answers.Answer both = answers.best(0);
        Answers.Answer next = answers.best(1);
        assertThat(ids(List.of(both))).containsExactly("slide+drone");
        assertThat(answers.meets(0, both, next)).isFalse();
        assertThat(answers.barTogether(0, both, next)).isTrue();
        assertThat(answers.barTogether(0, both, next)).as("that is known").isFalse();
        assertThat(answers.meets(0, both, next)).isTrue();
        List<Answers.Answer> open = answers.all(0);
        assertThat(ids(open)).contains("slide+drone", "slide");
        Answers.Answer alone = open.get(ids(open).indexOf("slide"));
        assertThat(answers.follow(0, alone, next)).isTrue();
        assertThat(answers.follow(0, both, answers.all(1).getLast())).as("before anything else").isTrue();
    }

    @Test
    void anAnswerThatIsBarredIsNeverGivenAgain() {
        Answers answers = answers("whistle-d", "B4:3 A4:3 G4:2", "pipes-bellows-d", "long-roll", "slide");
        List<String> given = new ArrayList<>();
        for (Answers.Answer best = answers.best(0); !given.contains(ids(List.of(best)).getFirst()); best = answers.best(0)) {
            given.add(ids(List.of(best)).getFirst());
            if (best.worth() == 0) {
                break;
            }
            assertThat(answers.bar(0, best)).isTrue();
            assertThat(answers.bar(0, best)).isFalse();
            assertThat(ids(answers.all(0))).doesNotContainAnyElementsOf(given);
        }
        assertThat(given).as("from the nearest on, and nothing in the end").startsWith("long-roll").endsWith("").contains("cut");
    }
}
