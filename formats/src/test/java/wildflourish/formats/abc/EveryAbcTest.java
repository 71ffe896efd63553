package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.TuneBook;

/** What other people's files hold besides notes (ABC standard 2.1): macros, clefs, symbol lines, directions for the page. */
class EveryAbcTest {

    private static TuneBook book(String head, String body) {
        return AbcReader.read("X:1\nT:The Wet Quay\n" + head + "M:4/4\nL:1/8\nK:D\n" + body + "\n");
    }

    private static Tune tune(String head, String body) {
        TuneBook book = book(head, body);
        assertThat(book.findings()).isEmpty();
        Tune tune = book.tunes().getFirst().tune();
        assertThat(AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune()).as("written and read again").isEqualTo(tune);
        return tune;
    }

    private static String music(Tune tune) {
        return AbcWriter.write(tune).lines().dropWhile(l -> !l.startsWith("K:")).skip(1).reduce("", String::concat).strip();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        // section 9.1: a static macro; 9.2: transposing ones, n for any note
        "m:~G3 = G{A}G{F}G; ~G3 D DF A2|; G{A}G{F}G D DF A2|",
        "m:~n3 = n{o}n{m}n; ~F3 ~c3 D2|; F{G}F{E}F c{d}c{B}c D2|",
        "m:~n2 = {o}n{m}n; ~b2 ~B,2 d4|; {c'}b{a}b {C}B,{A,}B, d4|",
        "m:~G2 = {A}G{F}G; \"~G2\"d8|; \"~G2\"d8|"
    })
    void macrosAreWrittenOut(String macro, String written, String expanded) {
        assertThat(music(tune(macro + "\n", written))).isEqualTo(expanded);
    }

    @Test
    void aLengthThatGoesOnIsAnotherNotes() {
        Macros macros = new Macros();
        macros.define("~G2 = {A}G{F}G");
        assertThat(macros.expanded("~G2 ~G24 [M:~G2]")).isEqualTo("{A}G{F}G ~G24 [M:~G2]");
    }

    @Test
    void aMacroThatSaysNothingIsTold() {
        assertThat(book("m:~G3\n", "D8|").findings()).singleElement().satisfies(f -> assertThat(f.what()).contains("macro"));
    }

    @ParameterizedTest
    @CsvSource({"treble-8, 50", "clef=treble+8, 74", "octave=-1, 50", "treble-8 octave=1, 62", "bass, 62"})
    void notesAreReadWhereTheirClefHasThemSound(String clef, int midi) {
        Tune tune = AbcReader.read("X:1\nT:The Wet Quay\nM:4/4\nL:1/8\nK:D " + clef + "\nD8|\n").tunes().getFirst().tune();
        assertThat(Timeline.of(tune).note(0).pitch().midi()).isEqualTo(midi);
        assertThat(AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune()).isEqualTo(tune);
    }

    @Test
    void aClefWithoutAKeyLeavesTheKey() {
        Tune tune = AbcReader.read("X:1\nT:The Wet Quay\nM:4/4\nL:1/8\nK:D\nF8|[K:clef=treble-8]F8|[K:clef=treble]F8|\n").tunes().getFirst().tune();
        assertThat(Timeline.of(tune).notes()).extracting(n -> n.pitch().midi()).containsExactly(66, 54, 66);
    }

    @Test
    void aVoicesOwnClefMovesItAloneAndOnlyOnce() {
        Tune tune = AbcReader.read("X:1\nT:The Wet Quay\nM:4/4\nL:1/8\nV:1 clef=treble-8 name=\"Tenor\"\nV:2\nK:D\nV:1\nD8|\nV:2\nd8|\n").tunes().getFirst().tune();
        assertThat(Timeline.of(tune).note(0).pitch().midi()).isEqualTo(50);
        Tune again = AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune();
        assertThat(Timeline.of(again).note(0).pitch().midi()).isEqualTo(50);
        assertThat(OtherVoices.voices(again)).singleElement().satisfies(v -> assertThat(Timeline.of(v.tune()).note(0).pitch().midi()).isEqualTo(74));
    }

    @Test
    void aKeysClefMovesTheVoicesThatAreKeptAsWell() {
        Tune tune = AbcReader.read("X:1\nT:The Wet Quay\nM:4/4\nL:1/8\nK:D treble-8\nV:1\nD8|\nV:2\nd8|\n").tunes().getFirst().tune();
        assertThat(OtherVoices.voices(tune)).singleElement().satisfies(v -> assertThat(Timeline.of(v.tune()).note(0).pitch().midi()).isEqualTo(62));
    }

    @Test
    void signsSetUnderTheNotesStandOnThem() {
        Tune tune = tune("", "DFAd BAFA|DFAd B4|\ns: !pp! * \"^lift\" | \"G\" ** !fermata!\n");
        assertThat(music(tune)).isEqualTo("!pp!DF\"^lift\"Ad BAFA|\"G\"DFAHd B4|");
        assertThat(tune.head().fields()).isEmpty();
    }

    @Test
    void moreSignsThanNotesAreToldWithTheirLine() {
        assertThat(book("", "D8|\ns: !pp! !f!").findings()).singleElement().satisfies(f -> {
            assertThat(f.line()).isEqualTo(7);
            assertThat(f.what()).contains("more signs than notes");
        });
    }

    @Test
    void directionsForThePageAndCommentsStayWhereTheyAre() {
        String text = "X:1\nT:The Wet Quay\n%%scale 0.8\nM:4/4\nL:1/8\nK:D\nDFAd BAFA |DFAd BAFA |\n% the second part\n%%vskip 12\ndfaf bafa |\nw:la la la la\n%%sep\n\n";
        Tune tune = AbcReader.read(text).tunes().getFirst().tune();
        assertThat(AbcReader.read(text).findings()).isEmpty();
        assertThat(AbcWriter.write(tune)).isEqualTo(text);
        assertThat(Timeline.of(tune).notes().stream().filter(n -> n.note() instanceof Note).count()).isEqualTo(24);
    }

    @Test
    void aDirectionBeforeTheFirstNoteStaysBeforeIt() {
        Tune tune = tune("", "%%vskip 3\nD|D8|");
        assertThat(tune.head().fields()).singleElement().satisfies(f -> assertThat(f.after()).isZero());
        assertThat(music(tune)).isEqualTo("D|D8|");
    }

    @Test
    void textBetweenDirectionsIsKeptAndReadAgain() {
        Tune tune = tune("", "D8|\n%%begintext\nSlowly at first,\n\nthen |: as it comes.\n%%endtext\nd8|");
        assertThat(tune.head().fields()).extracting(f -> f.text()).isEqualTo(List.of("%text Slowly at first,", "%text", "%text then |: as it comes."));
    }
}
