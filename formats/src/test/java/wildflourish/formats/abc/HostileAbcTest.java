package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tune;
import wildflourish.formats.Thorough;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** Whatever can be read is written so that it reads back equal, and what is not read is told. */
class HostileAbcTest {

    private static final List<String> SEEDS = List.of("""
            X:1
            T:The Gull in the Lantern
            C:made for the Thursday class
            R:reel
            N:A remark of the teacher, 50\\% of it true.
            M:C|
            L:1/8
            Q:1/2=88
            K:Edor
            |:(3DEF|"Em"G2BG "D"AGFD|E>F GA {c}B2 z2|!roll!e3d BAGF|[1 E2D2 E3D:|[2 E2D2 [EB]4|]
            """, """
            X:7
            T:Buoys at the Narrows
            T:Narrow Buoys
            R:slip jig
            M:9/8
            L:1/8
            P:AAB
            K:G
            P:A
            |:D|G2A B2d ~g3|"^slow"a2f (gf)e d2-d||
            P:B
            [M:6/8]|:u^c3 vd_B=B|[K:D]f/g/a f2 z|.|x2 y G'' A,,:|
            W:words to sing
            """, """
            X:3
            T:The Tide Clock
            R:jig
            M:6/8
            L:1/8
            I:flourish instrument fiddle
            I:flourish tempo 3/8=96
            I:flourish level fluent
            I:flourish school long-roll=even
            I:flourish phrase 0 name the climb
            I:flourish phrase 0 remark keep it light
            I:flourish rung 0 bare
            I:flourish rung 1 "more" & more
            I:flourish rung 2 full
            I:flourish density 1 4 1
            I:flourish place 1 cut from 1
            I:flourish place 4 cut from 2
            I:flourish elsewhere whistle-d rung 0 bare
            I:flourish elsewhere whistle-d rung 1 some
            I:flourish elsewhere whistle-d place 1 cut from 1
            I:flourish mood dark
            I:flourish shown 0
            K:G
            |:D|G3 BAG|A3 cBA|B2d gfd|edB AFD:|
            """);

    private static final List<String> BITS = List.of("\"", "[|]", "||", "|:", ":|", "::", "|]", "[1 ", "[2 ", ":|]", ":[|", ".|", "[|", "|||", "&#13;",
            "\\u000d", "\\u0000", "\\uffff", "&#0;", "&#32;", "\\", "%", "&", "]", "[", "Z", "Z2", "X2", ">", "<", "<<", ">>>", "(3", "(3:2:4", "(5:3:2",
            "-", "(", ")", "{", "}", "{/", "^", "_", "=", "^^", "__", "^/", "'", ",", "/", "//", "3/2", "/3", "99999", "100001", "/4096", "/8192", "8",
            "!roll!", "!a b!", "~", "H", "J", "U:W=!D C!\n", "W", "[P:a]b]", "[P:x]", "P:y]z\n", "[K:G]", "[K:C treble-8]", "[M:6/8]", "[L:1/16]",
            "[Q:1/4=100]", "\n", "\r", "\n\n", "%%text\n", "%%begintext\n", "%%endtext\n", "w:la la\n", "N:x\n", "+:more\n", "C:who\n", "y", "x", "$",
            "`", "\t", " ", "\"^up\"", "\"Am\"", "\"a&quot;b\"", "T:x&#13;K:C\n", "T:&#32;y\n", "R:re&#10;el\n", "I:flourish tempo 9223372036854775807/4\n",
            "I:flourish heads 2 -1\n", "I:flourish place 3 cut from -7\n", "[1-999999999", "[1,3", "|1", "[r:hi]", "Q:1\n", "K:none\n", "K:D exp _b ^c\n",
            "V:2\n", "[V:2]", "\u0301", "é", "😀", "\ud800", "\u0000", "\uffff", "[]", "[ceg]", "[c-e-g-]2");

    private static TuneBook book(String body) {
        return AbcReader.read("X:1\nT:Test\nM:4/4\nL:1/8\nK:C\n" + body + "\n");
    }

    private static Tune tune(String body) {
        return book(body).tunes().getFirst().tune();
    }

    private static String written(BookTune tune) {
        return tune.arrangement().map(a -> AbcWriter.write(a, 0)).orElseGet(() -> AbcWriter.write(tune.tune(), tune.unread()));
    }

    private static void assertReadsBackEqual(BookTune tune, String of) {
        byte[] bytes = written(tune).getBytes(StandardCharsets.UTF_8);
        List<BookTune> again = AbcReader.read(bytes).tunes();
        assertThat(again).as(of).hasSize(1);
        assertThat(again.getFirst().tune()).as(of).isEqualTo(tune.tune());
        assertThat(again.getFirst().arrangement()).as(of).isEqualTo(tune.arrangement());
        assertThat(again.getFirst().unread()).as(of).isEqualTo(tune.unread());
    }

    @Test
    void thousandsOfSpoiltTunesReadBackEqual() {
        Random random = new Random(20_261_127);
        int tunes = 0;
        for (int i = 0; i < Thorough.of(4_000, 20_000); i++) {
            // The one with a ladder takes longest and comes less often.
            String seed = SEEDS.get(i % 20 == 0 ? 2 : i % 2);
            String spoilt = spoilt(seed, random);
            for (BookTune tune : AbcReader.read(spoilt).tunes()) {
                tunes++;
                assertReadsBackEqual(tune, spoilt);
            }
        }
        assertThat(tunes).isGreaterThan(Thorough.of(3_600, 18_000));
    }

    private static String spoilt(String seed, Random random) {
        StringBuilder text = new StringBuilder(seed);
        for (int left = 1 + random.nextInt(4); left > 0; left--) {
            int at = random.nextInt(text.length());
            switch (random.nextInt(6)) {
                case 0 -> text.deleteCharAt(at);
                case 1 -> text.insert(random.nextInt(text.length()), text.substring(at, Math.min(text.length(), at + random.nextInt(20))));
                case 2 -> text.setCharAt(at, (char) random.nextInt(256));
                default -> text.insert(at, BITS.get(random.nextInt(BITS.size())));
            }
        }
        return text.toString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"&#13;K:C", "\\u000dX:2", "\\u0000", "\\uffff", "&#8232;", "\u0007", "a\\u000ab"})
    void aTitleIsOneLineOfLetters(String title) {
        BookTune read = AbcReader.read("X:1\nT:The Lamp" + title + "\nK:D\nDEFG|\n").tunes().getFirst();
        assertThat(read.tune().head().title()).startsWith("The Lamp").doesNotContainPattern("[\\p{Cntrl}\u2028\uffff]");
        assertThat(read.tune().head().key().fifths()).isEqualTo(2);
        assertReadsBackEqual(read, title);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "\"a&quot;b\"CD \"^x&quot;y\"EF|", "C4 [|] ^F4 [|] F8|", "C8 || |: D8 :|", "C8 |\nC:[| D8 |]", "C8:.|D8|", "P:a]b\nC8|D4 |\nP:c]d\nE8|",
        "Z>A B4|", "A<Z|", "A/4096>>>B C|", "A100000 B|", "[L:1/64]A/4096 B3/2048|", "(3A/4096BC D|", "CDEF \\", "[I:::x]C8|", "N: |: x\nC8|", "C2 [|]",
    })
    void whatStandsInTheMusicReadsBackEqual(String body) {
        for (BookTune tune : book(body).tunes()) {
            assertReadsBackEqual(tune, body);
        }
    }

    @Test
    void anInvisibleBarLineKeepsItsBarsApart() {
        Tune tune = tune("C4 ^F4 [|] F8 |");
        assertThat(tune.bars()).hasSize(2);
        assertThat(((Note) tune.bars().getLast().elements().getFirst()).pitch()).isEqualTo(Pitch.parse("F4"));
        assertThat(AbcWriter.write(tune)).contains("[|]");
    }

    @Test
    void wordsBehindTheMusicAndWhoMadeItKeepTheirPlaces() {
        Head head = tune("CDEF|\nW:one\nC:somebody\nN:two\nW:three").head();
        assertThat(head.composers()).containsExactly("somebody");
        assertThat(head.fields()).extracting(f -> f.letter() + f.text()).containsExactly("Ntwo", "Wone", "Wthree");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "C4 A/99999999 B|; 6; not a length",
        "A12000000 B|; 6; not a length",
        "[L:1/1]A100000|; 6; cannot last",
        "^/c D|; 6; between the semitones",
        "J D R E N F|; 6; 'J' is not explained",
        "[U:W=!D C!]WD|; 6; is not explained",
        "[K:D transpose=2]DEFG|; 6; what moves the notes",
        "DEFG|% softly; 6; is not kept",
        "DEFG|\\n\\nABcd|\"Am\"!trill!A4|; 8; stands outside any tune",
        "DEFG|\\n\\nu a8:|; 8; stands outside any tune",
        "DEFG|\\n%%begintext\\nABcd|; 7; never closed",
        "[Q:1]DEFG|; 6; no one plays",
    })
    void whatIsNotReadIsToldWithItsLine(String body, int line, String what) {
        TuneBook book = book(body.replace("\\n", "\n"));
        assertThat(book.findings()).anySatisfy(f -> {
            assertThat(f.line()).isEqualTo(line);
            assertThat(f.what()).contains(what);
            assertThat(f.remedy()).isNotBlank();
        });
        assertThat(book.tunes()).hasSize(1);
        assertReadsBackEqual(book.tunes().getFirst(), body);
    }

    @Test
    void aNoteBetweenTheSemitonesIsKept() {
        assertThat(tune("^/c _3/2d e|").bars().getFirst().elements()).hasSize(3)
                .first().satisfies(e -> assertThat(((Note) e).pitch()).isEqualTo(Pitch.parse("C5")));
    }

    @Test
    void tunesBehindATextThatIsNeverClosedAreThere() {
        assertThat(AbcReader.read("X:1\nT:One\nK:D\nDEFG|\n\n%%begintext\nsome text\n\nX:2\nT:Two\nK:D\nABcd|\n").tunes()).hasSize(2);
        assertThat(AbcReader.read("X:1\nT:One\nK:D\nDEFG|\n\n%%begintext\nX:9\n%%endtext\n\nX:2\nT:Two\nK:D\nABcd|\n").tunes()).hasSize(2);
    }

    @Test
    void theFirstVoiceOfTheHeadIsTheOneThatIsRead() {
        Tune tune = AbcReader.read("X:1\nT:Two voices\nM:4/4\nL:1/8\nV:1\nV:2\nK:D\nV:1\ndefg abag|\nV:2\nD,8|\n").tunes().getFirst().tune();
        assertThat(tune.bars()).hasSize(1);
        assertThat(tune.bars().getFirst().elements()).hasSize(8);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tempo 9223372036854775807/4=1", "tempo 1/4=1", "tempo 1/4=99999999999", "heads 2 -1"})
    void valuesThatCannotBeAreKeptAndTold(String line) {
        TuneBook book = AbcReader.read(SEEDS.get(2).replace("I:flourish mood dark", "I:flourish " + line));
        assertThat(book.findings()).anySatisfy(f -> {
            assertThat(f.line()).isEqualTo(21);
            assertThat(f.remedy()).contains("kept as it stands");
        });
        assertThat(written(book.tunes().getFirst())).contains("I:flourish " + line + "\n");
        assertReadsBackEqual(book.tunes().getFirst(), line);
    }

    @Test
    void aMetreOfAThousandTermsIsAFinding() {
        String metre = "(" + "1+".repeat(1000) + "1)/8";
        TuneBook book = book("[M:" + metre + "]CDEF|");
        assertThat(book.findings()).anySatisfy(f -> assertThat(f.what()).contains("is not a meter").hasSizeLessThan(100));
        assertThat(book.tunes()).hasSize(1);
    }
}
