package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.finding.Finding;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** What is wrong with a file comes as findings with line, column and remedy, and the rest of it still opens. */
class AbcFindingsTest {

    private static TuneBook book(String body) {
        return AbcReader.read("X:1\nT:Test\nM:4/4\nL:1/8\nK:C\n" + body + "\n");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "CDEF GAB%c#|; 0; 0; ",
        "CDEF #GABc|C8|; 6; 6; means nothing",
        "CDEF GABc|A0 C7|; 6; 12; not a length",
        "A/0 C7|; 6; 2; not a length",
        "A99999999999|; 6; 2; not a length",
        "[CEG C6|; 6; 1; chord is not closed",
        "{gA C8|; 6; 1; grace notes are not closed",
        "\"Am C8|; 6; 1; quotation mark",
        "^ C8|; 6; 1; accidental without a note",
        ">A C7|; 6; 1; broken rhythm",
        "A>>>>B C6|; 6; 2; broken rhythm",
        "(99ABC C8|; 6; 1; tuplet",
        "[K:D C8|; 6; 1; not closed",
        "C8: D8|; 6; 3; colon alone",
        "[]4 C8|; 6; 3; ",
    })
    void mistakesAreNamedWithTheirPlace(String body, int line, int column, String what) {
        TuneBook book = book(body);
        assertThat(book.tunes()).hasSize(1);
        if (line > 0 && what != null) {
            assertThat(book.findings()).anySatisfy(f -> {
                assertThat(f.isError()).isTrue();
                assertThat(f.line()).isEqualTo(line);
                assertThat(f.column()).isEqualTo(column);
                assertThat(f.what()).contains(what);
                assertThat(f.remedy()).isNotBlank();
            });
        }
    }

    @ParameterizedTest
    @CsvSource({"M:0/0,meter", "M:4/3,meter", "M:x,meter", "L:1/0,unit of length", "L:3,unit of length",
        "Q:1/4=0,tempo", "Q:fast,tempo", "Q:1/4=99999,plays", "K:H,not a key"})
    void wrongFieldsAreNamedAndTheTuneStillOpens(String field, String what) {
        TuneBook book = AbcReader.read("X:1\nT:Test\n" + field + "\n" + (field.startsWith("K") ? "" : "K:C\n") + "CDEF|\n");
        assertThat(book.tunes()).hasSize(1);
        assertThat(book.findings()).anySatisfy(f -> {
            assertThat(f.isError()).isTrue();
            assertThat(f.line()).isEqualTo(3);
            assertThat(f.what()).contains(what);
        });
    }

    @Test
    void oneBadBarLosesNothingElse() {
        TuneBook book = book("CDEF GABc|C ? ^ ]D|E8|]");
        assertThat(book.hasErrors()).isTrue();
        assertThat(book.tunes().getFirst().tune().bars()).hasSize(3);
    }

    @Test
    void barsThatDoNotFillTheMeterAreWarnedOf() {
        TuneBook book = book("C8|C7|C9|C8|]");
        assertThat(book.hasErrors()).isFalse();
        assertThat(book.findings()).extracting(Finding::what).anyMatch(w -> w.contains("7/8, shorter"))
                .anyMatch(w -> w.contains("9/8, longer"));
    }

    @Test
    void pickupsAndPartEndsAreNotWarnedOf() {
        assertThat(book("C|C8|C7:|\n|:C|C8|1 C7:|2 C8|]").findings()).isEmpty();
    }

    @Test
    void unbalancedRepeatsAreWarnedOf() {
        assertThat(book("|:C8|D8|]").findings()).extracting(Finding::what).anyMatch(w -> w.contains("never closed"));
        assertThat(book("|:C8|\n|:D8:|").findings()).extracting(Finding::what).anyMatch(w -> w.contains("is open"));
        assertThat(book("C8|[2 D8|]").findings()).extracting(Finding::what).anyMatch(w -> w.contains("first ending"));
    }

    @Test
    void whatIsNotReadIsSaid() {
        assertThat(book("C8 & D8|").findings()).extracting(Finding::what).anyMatch(w -> w.contains("second voice"));
        assertThat(book("V:1\nC8|\nV:2\nD8|").findings()).extracting(Finding::what).anyMatch(w -> w.contains("voice '2'"));
        assertThat(book("C8|\ns:trill").findings()).extracting(Finding::what).anyMatch(w -> w.contains("'trill' is no sign"));
        assertThat(book("C8|[1-999999999 D8:|[2 E8|").findings()).extracting(Finding::what).anyMatch(w -> w.contains("time 999999999 through"));
        assertThat(AbcReader.read("X:1\nT:a\nP:A(A(A(A)99)99)99\nK:C\nP:A\nC8|\n").findings()).extracting(Finding::what)
                .anyMatch(w -> w.contains("longer than any that is played"));
        assertThat(AbcReader.read("X:1\nT:a\nP:AAB\nK:C\nP:A\nC8|\nP:B\nD8|\n").findings()).isEmpty();
        assertThat(AbcReader.read("X:1\nT:a\nI:flourish vary 1 x connect from 3 D4:1/8\nI:flourish heads 3\nI:flourish rung 0 bare\nK:C\nC8|\n").findings())
                .extracting(Finding::what).anyMatch(w -> w.endsWith("a number is missing or is none"))
                .anyMatch(w -> w.endsWith("a word is missing")).noneMatch(w -> w.contains("input string"));
        TuneBook voices = book("V:1\nC8|\nV:2\nD8|\nV:1\nE8|");
        assertThat(Timeline.of(voices.tunes().getFirst().tune()).size()).isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   \n \n", "hello", "%abc-2.1\n", "K:C\nCDEF|", "X:1\n", "X:1\nT:a\nK:C\n"})
    void filesWithoutATuneSaySo(String text) {
        TuneBook book = AbcReader.read(text);
        assertThat(book.tunes()).isEmpty();
        assertThat(book.hasErrors()).isTrue();
        assertThat(book.findings()).allSatisfy(f -> assertThat(f.remedy()).isNotBlank());
    }

    @Test
    void aTuneWithoutNumberOrTitleIsReadWithAWarning() {
        TuneBook book = AbcReader.read("T:No number\nK:C\nC|\n\nX:2\nK:C\nD|\n");
        assertThat(book.tunes()).hasSize(2);
        assertThat(book.hasErrors()).isFalse();
        assertThat(book.findings()).hasSize(2);
        assertThat(book.tunes().get(1).tune().title()).isEqualTo("Untitled tune 2");
    }

    @Test
    void encodingsAreRecognised() {
        String text = "X:1\nT:Café Ó Súil Nguyễn\nK:C\nC|\n";
        byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
        byte[] bom = new byte[utf8.length + 3];
        bom[0] = (byte) 0xef;
        bom[1] = (byte) 0xbb;
        bom[2] = (byte) 0xbf;
        System.arraycopy(utf8, 0, bom, 3, utf8.length);
        assertThat(title(utf8)).isEqualTo("Café Ó Súil Nguyễn");
        assertThat(title(bom)).isEqualTo("Café Ó Súil Nguyễn");
        assertThat(title(text.getBytes(StandardCharsets.UTF_16))).isEqualTo("Café Ó Súil Nguyễn");
        assertThat(title("X:1\nT:Café\nK:C\nC|\n".getBytes(StandardCharsets.ISO_8859_1))).isEqualTo("Café");
        assertThat(AbcReader.read("X:1\nT:Café\nK:C\nC|\n".getBytes(StandardCharsets.ISO_8859_1)).findings())
                .extracting(Finding::what).containsExactly("the file is not UTF-8 and was read as Latin-1");
    }

    private static String title(byte[] bytes) {
        return AbcReader.read(bytes).tunes().getFirst().tune().title();
    }

    @Test
    void lineEndsOfAllSystems() {
        String unix = "X:1\nT:a\nM:4/4\nL:1/8\nK:C\nCDEF GABc|\nC8|\n";
        var expected = AbcReader.read(unix).tunes().getFirst().tune();
        assertThat(AbcReader.read(unix.replace("\n", "\r\n")).tunes().getFirst().tune()).isEqualTo(expected);
        assertThat(AbcReader.read(unix.replace("\n", "\r")).tunes().getFirst().tune()).isEqualTo(expected);
    }

    @Test
    void binaryFilesAreNotText() {
        byte[] bytes = new byte[5000];
        new Random(1).nextBytes(bytes);
        TuneBook book = AbcReader.read(bytes);
        assertThat(book.findings()).extracting(Finding::what).containsExactly("this is not a text file");
    }

    /** Random bytes never throw, and whatever opens can be played out. */
    @Property(tries = 300)
    void randomBytesNeverThrow(@ForAll @Size(max = 400) byte[] bytes) {
        assertThatCode(() -> AbcReader.read(bytes)).doesNotThrowAnyException();
    }

    /** Random strings of the notation's own letters: the worst kind of nonsense. */
    @Property(tries = 1000)
    void randomMusicNeverThrows(@ForAll long seed) {
        Random random = new Random(seed);
        String letters = "ABCDEFGabcdefgzZxX^_=,'/0123456789|:[](){}<>~.!\"-& \\\n%+KLMQPV";
        StringBuilder body = new StringBuilder();
        for (int i = random.nextInt(200); i > 0; i--) {
            body.append(letters.charAt(random.nextInt(letters.length())));
        }
        TuneBook book = book(body.toString());
        for (BookTune tune : book.tunes()) {
            assertThat(PlayOrder.of(tune.tune()).size()).isLessThanOrEqualTo(PlayOrder.LONGEST);
            Timeline.of(tune.tune());
            assertThatCode(() -> AbcReader.read(AbcWriter.write(tune.tune()))).doesNotThrowAnyException();
        }
    }

    @Test
    void everyTruncationOfAFileIsReadWithoutAFault() throws Exception {
        byte[] whole = Abc2MidiTest.resource("reference.abc");
        for (int end = 0; end < whole.length; end += 7) {
            byte[] cut = Arrays.copyOf(whole, end);
            assertThatCode(() -> AbcReader.read(cut)).doesNotThrowAnyException();
        }
    }

    @Test
    void aFloodOfMistakesIsCutShort() {
        TuneBook book = book("#".repeat(5000));
        assertThat(book.findings()).hasSizeLessThan(320);
        assertThat(book.findings().getLast().what()).contains("more findings");
    }

    /** A megabyte of one endless tune and of nothing but brackets come to an end. */
    @Test
    void enormousFilesComeToAnEnd() {
        String bars = "CDEF GABc|".repeat(100_000);
        assertThat(Timeline.of(book(bars).tunes().getFirst().tune()).size()).isEqualTo(800_000);
        TuneBook endless = book(bars + bars.substring(0, 500_000) + "\n" + bars);
        assertThat(Timeline.of(endless.tunes().getFirst().tune()).size()).isEqualTo(BarBuilder.MOST_NOTES);
        assertThat(endless.findings()).singleElement().satisfies(f -> {
            assertThat(f.isError()).isTrue();
            assertThat(f.what()).contains("more than 1,000,000 notes");
        });
        for (String nonsense : List.of("[", "(", "\"", "{", "|:", "!", "::")) {
            assertThat(book(nonsense.repeat(2_000_000 / nonsense.length())).findings()).isNotEmpty();
        }
    }
}
