package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.finding.Finding;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.book.TuneBook;

/** Words under notes by the rules of the ABC standard 2.1, section 5.1, and its examples. */
class LyricsTest {

    private static TuneBook book(String body) {
        return AbcReader.read("X:1\nT:words\nM:4/4\nL:1/4\nK:C\n" + body + "\n");
    }

    private static Lyrics lyrics(String body) {
        return Lyrics.of(Timeline.of(book(body).tunes().getFirst().tune()));
    }

    /** {@code 0=syll- 1=a_3}: note, text, how it is joined, and the last note it is held over where that is another. */
    private static String shown(Map<Integer, Lyrics.Syllable> verse) {
        return new TreeMap<>(verse).entrySet().stream().map(e -> e.getKey() + "=" + e.getValue().text() + switch (e.getValue().join()) {
            case SPACE -> "";
            case HYPHEN -> "-";
            case HELD -> "_";
        } + (e.getValue().held() == e.getKey() ? "" : String.valueOf(e.getValue().held()))).collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource({
        "syll-a-ble, 0=syll- 1=a- 2=ble",
        "syll-a--ble, 0=syll- 1=a-2 3=ble",
        "syll-a -ble, 0=syll- 1=a-2 3=ble",
        "time__, 0=time_2",
        "of~the day, 0=of the 1=day",
        "gold\\-en hour, 0=gold-en 1=hour",
        "a * b, 0=a 2=b",
        "a|b, 0=a 4=b",
        "a b c d|e, 0=a 1=b 2=c 3=d 4=e",
        "a|*b|, 0=a 5=b",
        "a_ b, 0=a_1 2=b"})
    void theSignsOfTheStandard(String words, String expected) {
        assertThat(shown(lyrics("CDEF|GABc|\nw:" + words).verses().getFirst())).isEqualTo(expected);
    }

    @Test
    void eachLineOfMusicHasItsOwnWordsAndLinesBelowOneAnotherAreVerses() {
        Lyrics lyrics = lyrics("CDEF|\nw:one two\nw:first sec-ond\nGABc|\nw:three four five\nC4|\nD4|\nw:end");
        assertThat(lyrics.verses().stream().map(LyricsTest::shown)).containsExactly(
                "0=one 1=two 4=three 5=four 6=five 9=end", "0=first 1=sec- 2=ond");
    }

    @Test
    void restsAndGracesTakeNoSyllableAndEachNoteOfATieDoes() {
        assertThat(shown(lyrics("z{C}D-DE|\nw:a_ b").verses().getFirst())).isEqualTo("0=a_1 2=b");
    }

    @Test
    void moreWordsThanNotesAreToldWithTheirLine() {
        List<Finding> findings = book("CDEF|\nw:one two three four five\nGABc|\nw:just e-nough words").findings();
        assertThat(findings).hasSize(1);
        assertThat(findings.getFirst().what()).contains("more words than notes");
        assertThat(findings.getFirst().line()).isEqualTo(7);
    }
}
