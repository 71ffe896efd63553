package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

/** Which note is which after an edit. */
class NoteMapTest {

    private static Timeline tune(String text) {
        return Timeline.of(Tunes.of(Meter.COMMON, Key.NONE, text));
    }

    @ParameterizedTest
    @CsvSource({
        "D4:2 E4:2 F4:2 G4:2, D4:2 E4:2 F4:2 G4:2, '0, 1, 2, 3'",
        "D4:2 E4:2 F4:2 G4:2, D4:2 A4:2 F4:2 G4:2, '0, 1, 2, 3'",
        "D4:2 E4:2 F4:2 G4:2, D4:2 F4:2 G4:2, '0, -1, 1, 2'",
        "D4:2 E4:2 F4:2 G4:2, D4:2 E4:1 E4:1 F4:2 G4:2, '0, 1, 3, 4'",
        "D4:2 E4:2 F4:2 G4:2, A4:2 B4:2 D4:2 E4:2 F4:2 G4:2, '2, 3, 4, 5'",
        "A4:2 A4:2 A4:2 A4:2, A4:2 A4:2 A4:2, '0, 1, 2, -1'",
        "D4:2 E4:2, z:4, '-1, -1'"})
    void theNotesThatWereMeantAreFound(String before, String after, String expected) {
        assertThat(NoteMap.between(tune(before), tune(after)).now().toString()).isEqualTo("[" + expected + "]");
    }

    /** Against all pairings there are, tried one by one. */
    @RepeatedTest(40)
    void noPairingCostsLess(RepetitionInfo turn) {
        Random random = new Random(turn.getCurrentRepetition());
        Timeline before = tune(any(random));
        Timeline after = tune(any(random));
        int found = cost(NoteMap.between(before, after).now(), before, after);
        assertThat(found).isEqualTo(least(before, after, 0, 0));
    }

    private static String any(Random random) {
        List<String> notes = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(6); i++) {
            notes.add("DEF".charAt(random.nextInt(3)) + "4:" + (1 + random.nextInt(2)));
        }
        return String.join(" ", notes);
    }

    private static int pair(Timeline before, Timeline after, int i, int j) {
        Timeline.Stand a = before.note(i);
        Timeline.Stand b = after.note(j);
        int differing = (a.pitch().equals(b.pitch()) ? 0 : 1) + (a.note().length().equals(b.note().length()) ? 0 : 1);
        return (a.offset().equals(b.offset()) ? 0 : 1) + (differing == 0 ? 0 : differing == 1 ? 8 : 18);
    }

    private static int least(Timeline before, Timeline after, int i, int j) {
        if (i == before.size() || j == after.size()) {
            return 10 * (before.size() - i + after.size() - j);
        }
        return Math.min(pair(before, after, i, j) + least(before, after, i + 1, j + 1),
                10 + Math.min(least(before, after, i + 1, j), least(before, after, i, j + 1)));
    }

    private static int cost(List<Integer> now, Timeline before, Timeline after) {
        int sum = 0;
        int paired = 0;
        for (int i = 0; i < now.size(); i++) {
            if (now.get(i) >= 0) {
                sum += pair(before, after, i, now.get(i));
                paired++;
            }
        }
        return sum + 10 * (before.size() + after.size() - 2 * paired);
    }
}
