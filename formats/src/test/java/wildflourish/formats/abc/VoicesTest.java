package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.finding.Finding;
import wildflourish.core.tune.Timeline;

/** Tunes of several voices: the melody is read, the bass never, wherever and however the voices are named (ABC standard 2.1, section 7). */
class VoicesTest {

    private static AbcBook book(String head, String body) {
        return AbcReader.read("X:1\nT:two\nM:4/4\nL:1/4\n" + head.replace(';', '\n') + "K:D\n" + body.replace(';', '\n') + "\n");
    }

    private static String notes(AbcBook book) {
        return Timeline.of(book.tunes().getFirst().tune()).notes().stream().map(n -> n.pitch().toString()).toList().toString();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', value = {
        "V:1 name=fiddle;V:2 clef=bass; | [V:1] d e f g !;[V:2] D, E, F, G, !",
        "V:T;V:B; | V:T;d e f g !;V:B;D, E, F, G, !",
        "'' | V:T;V:B clef=bass;[V:T] d e f g !;[V:B] D, E, F, G, !",
        "'' | V:T clef=treble;V:B clef=bass;V:T;d e f g !;V:B;D, E, F, G, !",
        "V:1;V:2; | [V:2] D, E, F, G, !;[V:1] d e f g !",
        "V:1;V:2; | [V:1] d e [V:2] D, E, [V:1] f g ! [V:2] F, G, !",
        "V:none;V:T; | V:T;d e f g !;V:B;D, E, F, G, !"})
    void theMelodyIsRead(String head, String body) {
        AbcBook book = book(head.replace("''", "").strip(), body.strip().replace('!', '|'));
        assertThat(notes(book)).isEqualTo("[D5, E5, F#5, G5]");
        assertThat(book.findings()).extracting(Finding::what).filteredOn(w -> w.contains("is left out")).hasSize(1);
    }

    @Test
    void wordsOfTheOtherVoiceAreNotSungByThisOne() {
        AbcBook book = book("V:1;V:2;", "V:1;d e f g|;w:one two three four;V:2;D, E, F, G,|;w:five six se-ven");
        assertThat(book.tunes().getFirst().tune().head().fields()).extracting(f -> f.text()).containsExactly("one two three four");
    }

    @Test
    void whatIsWrongInALineOfVoicesIsToldInItsColumn() {
        AbcBook book = book("V:1;V:2;", "[V:2] ?,,, | [V:1] d e ? g |");
        assertThat(book.findings()).filteredOn(f -> f.what().contains("means nothing")).singleElement()
                .satisfies(f -> assertThat(f.column()).isEqualTo("[V:2] ?,,, | [V:1] d e ?".length()));
    }
}
