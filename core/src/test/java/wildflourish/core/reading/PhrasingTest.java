package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/** Where phrases begin is the best of all ways to cut a part along its bar lines, each tried one by one. */
class PhrasingTest {

    private static final String[] BARS = {"D4:2 F#4:2 A4:4", "D4:2 E4:2 F#4:4", "B4:2 A4:2 G4:2 F#4:2", "E4:8", "A4:4 D4:4",
        "D5 C#5 B4 A4 G4 F#4 E4 D4"};

    private static Timeline tune(Random random) {
        List<String> bars = new ArrayList<>();
        for (int b = 2 + random.nextInt(7); b > 0; b--) {
            bars.add(BARS[random.nextInt(BARS.length)]);
        }
        return Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), String.join(" | ", bars) + " ||"));
    }

    /** The objective, written out anew, for a cut at the bar lines of which the bits are set. */
    private static int worth(Timeline tune, int cuts) {
        int bars = tune.tune().bars().size();
        Phrasing.Weights weights = Phrasing.WEIGHTS;
        int sum = 0;
        int from = 0;
        for (int b = 1; b <= bars; b++) {
            if (b < bars && (cuts >> b & 1) == 0) {
                continue;
            }
            int longest = 0;
            for (int other = 0; other < bars; other++) {
                int run = 0;
                while (other != from && from + run < bars && other + run < bars && same(tune, from + run, other + run)) {
                    run++;
                }
                longest = Math.max(longest, run);
            }
            sum += weights.repeatedBar() * Math.min(b - from, longest) - weights.phrase().of(b - from);
            sum += from > 0 && same(tune, from, 0) ? weights.startsAgain() : 0;
            sum += from % 2 == 0 ? weights.evenStart() : 0;
            Stand last = tune.note((b < bars ? tune.barStarts().get(b) : tune.size()) - 1);
            sum += last.note().length().toDouble() >= 0.5 ? weights.restAtEnd() : 0;
            sum += last.pitch().spoken().equals("D") ? weights.tonicAtEnd() : 0;
            from = b;
        }
        return sum;
    }

    private static boolean same(Timeline tune, int bar, int other) {
        return tune.tune().bars().get(bar).elements().equals(tune.tune().bars().get(other).elements());
    }

    @Property(tries = 200)
    void isTheBestOfAllCuts(@ForAll long seed) {
        Timeline tune = tune(new Random(seed));
        int bars = tune.tune().bars().size();
        int best = Integer.MIN_VALUE;
        for (int cuts = 0; cuts < 1 << bars; cuts += 2) {
            best = Math.max(best, worth(tune, cuts));
        }
        int chosen = 0;
        for (Phrase phrase : Phrases.of(tune)) {
            chosen |= phrase.fromBar() == 0 ? 0 : 1 << phrase.fromBar();
        }
        assertThat(worth(tune, chosen)).isEqualTo(best);
    }

    @Property(tries = 100)
    void phrasesHoldEveryNoteOnceWhateverIsSettled(@ForAll long seed) {
        Random random = new Random(seed);
        Timeline tune = tune(random);
        PhraseMarks marks = PhraseMarks.NONE;
        for (int i = 0; i < 3; i++) {
            int note = 1 + random.nextInt(tune.size() - 1);
            marks = random.nextBoolean() ? marks.starting(note) : marks.joining(note);
        }
        List<Phrase> phrases = Phrases.of(tune, marks);
        int next = 0;
        for (Phrase phrase : phrases) {
            assertThat(phrase.fromNote()).isEqualTo(next);
            assertThat(phrase.bodyNote()).isBetween(phrase.fromNote(), phrase.lastNote());
            next = phrase.toNote();
        }
        assertThat(next).isEqualTo(tune.size());
        List<Integer> starts = phrases.stream().map(Phrase::fromNote).toList();
        assertThat(starts).containsAll(marks.starts());
        assertThat(starts).noneMatch(marks.joined()::contains);
    }

    /** A pickup within a part leads over where it comes back, or after a long note, as the part's own pickup does. */
    @Test
    void aPickupLeadsOverWithinThePart() {
        String text = "|: B4 A4 | G4:4 A4:2 B4:2 | G4:6 B4 A4 | G4:4 A4:2 B4:2 | D4:6 ||";
        List<Phrase> phrases = Phrases.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), text)));
        assertThat(phrases).extracting(Phrase::fromNote).containsExactly(0, 6);
        assertThat(phrases).extracting(Phrase::bodyNote).containsExactly(2, 8);
        String running = "|: B4 A4 | G4 A4 B4 G4 A4 B4 C5 A4 | G4 A4 B4 D5 E5 D5 C5 D5 | G4 A4 B4 G4 A4 B4 C5 A4 | D4:6 ||";
        assertThat(Phrases.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), running)))).extracting(Phrase::fromNote).containsExactly(0, 18);
    }
}
