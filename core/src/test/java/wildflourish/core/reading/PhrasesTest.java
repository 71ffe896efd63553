package wildflourish.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;

class PhrasesTest {

    private static List<Phrase> phrases(String text) {
        return Phrases.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), text)));
    }

    @Test
    void twoBarsMakeAPhraseAndPartsEndAtDoubleBars() {
        List<Phrase> found = phrases("D4:8 | E4:8 | F#4:8 | G4:8 || A4:8 | B4:8 |");
        assertThat(found).extracting(Phrase::name).containsExactly("A1", "A2", "B1");
        assertThat(found).extracting(Phrase::firstOfPart).containsExactly(true, false, true);
    }

    @Test
    void aPickupBelongsToThePhraseItLeadsInto() {
        List<Phrase> found = phrases("D4 | E4:8 | F#4:8 | G4:8 | A4:7 |");
        assertThat(found).hasSize(2);
        assertThat(found.get(0).fromNote()).isZero();
        assertThat(found.get(0).toNote()).isEqualTo(3);
    }

    @Test
    void everyNoteIsInOnePhrase() {
        String text = "|: D4 | E4:8 | F#4:8 | G4:8 | [1 A4:7 :| [2 B4:8 || D5 | D4:8 | E4:8 | F#4:8 |";
        List<Phrase> found = phrases(text);
        int next = 0;
        for (Phrase phrase : found) {
            assertThat(phrase.fromNote()).isEqualTo(next);
            assertThat(phrase.toNote()).isGreaterThan(phrase.fromNote());
            assertThat(phrase.lastNote()).isEqualTo(phrase.toNote() - 1);
            next = phrase.toNote();
        }
        assertThat(next).isEqualTo(10);
    }

    @Test
    void anEmptyTuneHasNone() {
        assertThat(Phrases.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4").withBars(List.of())))).isEmpty();
    }

    /** In triple time as in common time a phrase is two bars, its pickup with it, whatever the pickup's length. */
    @Test
    void phrasesOfWaltzesTakeTheirPickups() {
        for (String pickup : List.of("B4 C5", "B4:2")) {
            List<Phrase> found = Phrases.of(Timeline.of(Tunes.of(Meter.of(3, 4), Tunes.g(),
                    "|: " + pickup + " | D5:4 G5 E5 | D5:4 B4 G4 | A4:4 C5 B4 | A4:4 " + pickup + " :|")));
            assertThat(found).hasSize(2);
            assertThat(found.getFirst().fromNote()).isZero();
            assertThat(found.getFirst().bodyNote()).isEqualTo(pickup.split(" ").length);
        }
    }
}
