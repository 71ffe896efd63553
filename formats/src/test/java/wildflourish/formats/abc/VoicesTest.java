package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.finding.Finding;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.TuneBook;

/** Tunes of several voices: the melody is read, the bass never, wherever and however the voices are named (ABC standard 2.1, section 7). */
class VoicesTest {

    private static TuneBook book(String head, String body) {
        return AbcReader.read("X:1\nT:two\nM:4/4\nL:1/4\n" + head.replace(';', '\n') + "K:D\n" + body.replace(';', '\n') + "\n");
    }

    private static String notes(TuneBook book) {
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
        TuneBook book = book(head.replace("''", "").strip(), body.strip().replace('!', '|'));
        assertThat(notes(book)).isEqualTo("[D5, E5, F#5, G5]");
        assertThat(book.findings()).extracting(Finding::what).filteredOn(w -> w.contains("is not shown")).hasSize(1);
    }

    /** What stands in quotation marks is words, whatever it looks like: no voice begins in it, and no bar line ends a second voice. */
    @Test
    void noVoiceBeginsInWords() {
        TuneBook book = book("", "\"^see [V:2]\"d e \"_or [V:B\"f g|]");
        assertThat(book.findings()).isEmpty();
        assertThat(notes(book)).isEqualTo("[D5, E5, F#5, G5]");
        TuneBook two = book("V:1;V:2;", "[V:1] \"^not [V:2] yet\"d e [V:2] \"^nor [V:1]\"D, E, [V:1] f g|");
        assertThat(notes(two)).isEqualTo("[D5, E5, F#5, G5]");
        TuneBook second = book("", "d e f g & \"^this | too\"D4|a4|");
        assertThat(notes(second)).isEqualTo("[D5, E5, F#5, G5, A5]");
        assertThat(second.tunes().getFirst().tune().bars()).hasSize(2);
        Tune tune = second.tunes().getFirst().tune();
        assertThat(AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune()).isEqualTo(tune);
    }

    @Test
    void aVoiceThatIsNamedAndHasNoMusicIsNone() {
        Tune tune = book("", "d e f g|a4 [V:second]").tunes().getFirst().tune();
        assertThat(tune.head().fields()).isEmpty();
        assertThat(AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune()).isEqualTo(tune);
    }

    @Test
    void wordsOfTheOtherVoiceAreNotSungByThisOne() {
        TuneBook book = book("V:1;V:2;", "V:1;d e f g|;w:one two three four;V:2;D, E, F, G,|;w:five six se-ven");
        assertThat(book.tunes().getFirst().tune().head().fields()).filteredOn(f -> f.letter() == 'w').extracting(f -> f.text()).containsExactly("one two three four");
    }

    @Test
    void theOtherVoicesAreWrittenWordForWord() {
        String bass = "V:B clef=bass octave=-1\nD,2 E,2|\"D\"F,4|\nw:low tide turns\n[K:G] G,8|";
        TuneBook book = book("V:T;V:B clef=bass octave=-1;", "V:T;d e f g|f4 z4|;" + bass.replace('\n', ';'));
        Tune tune = book.tunes().getFirst().tune();
        String written = AbcWriter.write(tune);
        assertThat(written).contains("V:T\nV:B clef=bass octave=-1\nM:", "V:T\nd e f g|", bass);
        assertThat(AbcReader.read(written).tunes().getFirst().tune()).isEqualTo(tune);
    }

    @Test
    void aSecondVoiceInABarIsKeptAsAVoiceOfItsOwn() {
        TuneBook book = book("", "d|e f g a & A,2 D2:|;f4|g4 & \"G\"G,4|]");
        assertThat(notes(book)).isEqualTo("[D5, E5, F#5, G5, A5, F#5, G5]");
        Tune tune = book.tunes().getFirst().tune();
        assertThat(tune.bars().get(1).closing().repeatsBefore()).isEqualTo(1);
        assertThat(OtherVoices.names(tune)).containsExactly("second voice in the bar");
        assertThat(AbcWriter.write(tune)).contains("x1 | A,2 D2 |\nx4 | \"G\"G,4 |]");
        assertThat(AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune()).isEqualTo(tune);
        assertThat(book.findings()).extracting(Finding::what).filteredOn(w -> w.contains("second voice")).hasSize(1);
    }

    @Test
    void anyVoiceCanBeMadeTheMelodyAndBack() {
        Tune tune = book("", "V:1;d e f g|;V:2 name=\"Second fiddle\";A B c d|;V:3;D4 A,4|;").tunes().getFirst().tune();
        assertThat(OtherVoices.names(tune)).containsExactly("Second fiddle", "3");
        Tune second = OtherVoices.madeMelody(tune, 0).orElseThrow();
        assertThat(second.bars().getFirst().elements()).extracting(Element::length).hasSize(4);
        assertThat(Timeline.of(second).note(0).pitch()).hasToString("A4");
        assertThat(OtherVoices.names(second)).containsExactly("1", "3");
        assertThat(Timeline.of(OtherVoices.madeMelody(second, 0).orElseThrow()).notes()).isEqualTo(Timeline.of(tune).notes());
    }

    @Test
    void whatIsWrongInALineOfVoicesIsToldInItsColumn() {
        TuneBook book = book("V:1;V:2;", "[V:2] ?,,, | [V:1] d e ? g |");
        assertThat(book.findings()).filteredOn(f -> f.what().contains("means nothing")).singleElement()
                .satisfies(f -> assertThat(f.column()).isEqualTo("[V:2] ?,,, | [V:1] d e ?".length()));
    }
}
