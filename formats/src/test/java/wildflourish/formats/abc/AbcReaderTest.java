package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.TuneBook;

/** Reading, by section of the ABC standard 2.1 (December 2011). */
class AbcReaderTest {

    static Tune tune(String head, String body) {
        String fields = head.isEmpty() ? "" : head + "\n";
        TuneBook book = AbcReader.read("X:1\nT:Test\n" + fields + (head.contains("K:") ? "" : "K:C\n") + body + "\n");
        assertThat(book.findings()).noneMatch(f -> f.isError());
        assertThat(book.tunes()).hasSize(1);
        return book.tunes().getFirst().tune();
    }

    private static List<Note> notes(Tune tune) {
        return Timeline.of(tune).notes().stream().map(Timeline.Stand::note).toList();
    }

    private static String pitches(Tune tune) {
        return notes(tune).stream().map(n -> n.pitch().toString()).collect(Collectors.joining(" "));
    }

    private static List<Ratio> lengths(Tune tune) {
        return notes(tune).stream().map(Note::length).toList();
    }

    // 3.1 information fields

    @Test
    void fieldsOfTheHeadAreKept() {
        Tune tune = tune("T:Second title\nC:A. Composer\nR:jig\nO:Marram\nN:a note\nZ:me\nS:from memory\nB:a book\n"
                + "D:a record\nF:a file\nG:whistle\nH:a story\nA:an area\nM:6/8\nL:1/8\nQ:3/8=100\nK:G", "G3 A3|");
        assertThat(tune.head().titles()).containsExactly("Test", "Second title");
        assertThat(tune.head().composers()).containsExactly("A. Composer");
        assertThat(tune.head().rhythm()).isEqualTo("jig");
        assertThat(tune.head().tempo()).contains(Tempo.parse("3/8=100"));
        assertThat(tune.head().fields()).extracting(Field::letter)
                .containsExactly('O', 'N', 'Z', 'S', 'B', 'D', 'F', 'G', 'H', 'A');
    }

    /** 3.1.7: the unit is a quaver from three quarters upward, else a semiquaver. */
    @ParameterizedTest
    @CsvSource({"4/4,1/8", "3/4,1/8", "6/8,1/8", "2/4,1/16", "5/8,1/16", "C,1/8", "C|,1/8", "none,1/8"})
    void theUnitOfLengthFollowsTheMeter(String meter, String unit) {
        assertThat(notes(tune("M:" + meter, "C")).getFirst().length()).isEqualTo(Ratio.parse(unit));
    }

    @ParameterizedTest
    @CsvSource({"K:Edor,E,0,DORIAN", "K:Bb,B,-1,MAJOR", "K:F#m,F,1,MINOR", "K:Gmixolydian,G,0,MIXOLYDIAN",
        "K:A Phrygian,A,0,PHRYGIAN", "K:D maj,D,0,MAJOR", "K:C Lyd,C,0,LYDIAN", "K:Bloc,B,0,LOCRIAN",
        "K:Eb aeolian,E,-1,MINOR", "K:D clef=treble,D,0,MAJOR"})
    void keysWithTheirModes(String field, Step tonic, int alter, Mode mode) {
        var key = tune(field, "C").head().key();
        assertThat(key.tonic()).isEqualTo(tonic);
        assertThat(key.tonicAlter()).isEqualTo(alter);
        assertThat(key.mode()).isEqualTo(mode);
    }

    @Test
    void explicitAccidentalsOfTheKey() {
        assertThat(pitches(tune("K:D =c ^g", "cdfg"))).isEqualTo("C5 D5 F#5 G#5");
        assertThat(pitches(tune("K:D exp _b", "fbc"))).isEqualTo("F5 Bb5 C5");
        assertThat(pitches(tune("K:none", "fc"))).isEqualTo("F5 C5");
        assertThat(pitches(tune("K:Hp", "fcg"))).isEqualTo("F#5 C#5 G5");
    }

    @ParameterizedTest
    @CsvSource({"1/4=120,1/4=120", "3/8=50 \"Slowly\",3/8=50", "\"Allegro\" 1/4=130,1/4=130",
        "1/4 3/8 1/4 3/8=40,5/4=40"})
    void tempi(String field, String expected) {
        assertThat(tune("Q:" + field, "C").head().tempo()).contains(Tempo.parse(expected));
    }

    @Test
    void fieldsAreContinuedWithAPlus() {
        assertThat(tune("N:one\n+:two", "C").head().fields()).containsExactly(new Field('N', "one two"));
    }

    // 4.1 to 4.6 notes, lengths, broken rhythm, rests

    @Test
    void pitchesAndOctaves() {
        assertThat(pitches(tune("", "C,, C, C c c' c'' c,"))).isEqualTo("C2 C3 C4 C5 C6 C7 C4");
    }

    @Test
    void accidentalsLastToTheBarLineInEveryOctave() {
        assertThat(pitches(tune("", "^Ff F | F"))).isEqualTo("F#4 F#5 F#4 F4");
        assertThat(pitches(tune("K:G", "=F F ^^C __B | F"))).isEqualTo("F4 F4 C##4 Bbb4 F#4");
    }

    @Test
    void aTieCarriesItsAccidentalOverTheBarLine() {
        assertThat(pitches(tune("", "^F8-|F F F6"))).isEqualTo("F#4 F#4 F4 F4");
    }

    @Test
    void lengthsInAllSpellings() {
        assertThat(lengths(tune("L:1/8", "A2 A/2 A/ A// A3/2 A3/ A16"))).containsExactly(
                Ratio.of(1, 4), Ratio.of(1, 16), Ratio.of(1, 16), Ratio.of(1, 32), Ratio.of(3, 16), Ratio.of(3, 16),
                Ratio.of(2, 1));
    }

    @Test
    void brokenRhythmIsThreeToOne() {
        assertThat(lengths(tune("L:1/8", "A>B A<B A>>B A<<B"))).containsExactly(
                Ratio.of(3, 16), Ratio.of(1, 16), Ratio.of(1, 16), Ratio.of(3, 16),
                Ratio.of(7, 32), Ratio.of(1, 32), Ratio.of(1, 32), Ratio.of(7, 32));
    }

    @Test
    void restsOfAllKinds() {
        Tune tune = tune("M:3/4\nL:1/8", "z2 x2 z2|Z2|C6|");
        assertThat(tune.bars()).hasSize(4);
        assertThat(tune.bars().getFirst().elements()).filteredOn(e -> e instanceof Rest r && !r.visible()).hasSize(1);
        assertThat(tune.bars().get(1).elements()).containsExactly(
                new Rest(Ratio.of(3, 4), true, true, java.util.Optional.empty(), wildflourish.core.tune.Marks.NONE));
        assertThat(tune.bars().get(2).length()).isEqualTo(Ratio.of(3, 4));
    }

    // 4.8 to 4.10 bars, repeats, endings

    @Test
    void barLinesOfAllKinds() {
        Tune tune = tune("L:1/8", "|:C8|D8||E8::F8:|G8.|A8|]");
        assertThat(tune.opening().repeatsAfter()).isEqualTo(1);
        assertThat(tune.bars()).extracting(b -> b.closing().style()).containsExactly(
                BarLine.Style.THIN, BarLine.Style.DOUBLE, BarLine.Style.THIN, BarLine.Style.THIN, BarLine.Style.DOTTED,
                BarLine.Style.FINAL);
        assertThat(tune.bars().get(2).closing().repeatsBefore()).isEqualTo(1);
        assertThat(tune.bars().get(2).closing().repeatsAfter()).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "|:C8|1 D8:|2 E8|]; 0 1 0 2",
        "|:C8|[1 D8:|[2 E8|]; 0 1 0 2",
        "|:C8[1D8:|2E8||F8|]; 0 1 0 2 3",
        "|:C8|1,3 D8:|2 E8:|; 0 1 0 2 0 1",
        "|:C8|1-2 D8:|3 E8|]; 0 1 0 1 0 2",
        "|:C8:||:D8:|; 0 0 1 1",
        "|:C8:| |:D8:|; 0 0 1 1",
        "C8:|D8:|; 0 0 1 1"})
    void endingsArePlayedOut(String body, String order) {
        assertThat(PlayOrder.of(tune("L:1/8", body.replace("\\n", "\n"))).stream().map(String::valueOf)
                .collect(Collectors.joining(" "))).isEqualTo(order);
    }

    @Test
    void barsAreNumberedWithAPickupAsNought() {
        Tune tune = tune("M:4/4\nL:1/8", "|:D2|C8|C6:|\n|:D2|C8|C6:|");
        assertThat(tune.bars()).extracting(b -> b.number()).containsExactly(0, 1, 2, 2, 3, 4);
    }

    @Test
    void partsInHeadAndBody() {
        Tune tune = tune("P:ABA\nL:1/8", "P:A\nC8|D8|\nP:B\nE8|");
        assertThat(tune.bars().get(0).part()).contains("A");
        assertThat(tune.bars().get(2).part()).contains("B");
        assertThat(PlayOrder.of(tune)).containsExactly(0, 1, 2, 0, 1);
    }

    // 4.11 to 4.20 ties, slurs, graces, tuplets, decorations, chords

    @Test
    void tiesAndSlurs() {
        List<Note> notes = notes(tune("L:1/4", "(A B) c-c | (d(e)f)"));
        assertThat(notes.get(0).slursOpening()).isEqualTo(1);
        assertThat(notes.get(1).slursClosing()).isEqualTo(1);
        assertThat(notes.get(2).tied()).isTrue();
        assertThat(notes.get(3).tied()).isFalse();
        assertThat(notes.get(5).slursOpening()).isEqualTo(1);
        assertThat(notes.get(5).slursClosing()).isEqualTo(1);
        assertThat(notes.get(6).slursClosing()).isEqualTo(1);
    }

    @Test
    void graceNotesTakeNoTime() {
        Note note = notes(tune("L:1/8", "{gef}A2{/g}B2")).get(0);
        assertThat(note.marks().graces()).extracting(Pitch::toString).containsExactly("G5", "E5", "F5");
        assertThat(note.length()).isEqualTo(Ratio.of(1, 4));
        assertThat(notes(tune("L:1/8", "{gef}A2{/g}B2")).get(1).marks().slashed()).isTrue();
    }

    /** 4.13: defaults of the general form (p:q:r. */
    @ParameterizedTest
    @CsvSource({"4/4,(2AB,3/16", "4/4,(3ABc,1/12", "4/4,(4ABcd,3/32", "4/4,(5ABcde,1/20", "6/8,(5ABcde,3/40",
        "4/4,(6ABcdef,1/24", "4/4,(7ABcdefg,1/28", "9/8,(7ABcdefg,3/56", "4/4,(8ABcdefga,3/64", "4/4,(9ABcdefgab,1/36",
        "4/4,(3:4:4ABcd,1/6", "4/4,(3::2AB,1/12", "4/4,(3:2ABc,1/12"})
    void tupletsInTheGeneralForm(String meter, String body, String length) {
        assertThat(notes(tune("M:" + meter + "\nL:1/8", body)).getFirst().length()).isEqualTo(Ratio.parse(length));
    }

    @Test
    void aTupletEndsAfterItsNotesAndMayHoldRests() {
        Tune tune = tune("L:1/8", "(3AzB c");
        assertThat(lengths(tune)).containsExactly(Ratio.of(1, 12), Ratio.of(1, 12), Ratio.of(1, 8));
        assertThat(notes(tune).get(0).tuplet().orElseThrow().isFirst()).isTrue();
        assertThat(notes(tune).get(1).tuplet().orElseThrow().isLast()).isTrue();
        assertThat(notes(tune).get(2).tuplet()).isEmpty();
    }

    @Test
    void decorationsShortAndLong() {
        List<Note> notes = notes(tune("U:W=!wedge!\nL:1/4", ".A ~B !trill!c +fermata+d | TA uB WA"));
        assertThat(notes).extracting(n -> n.marks().decorations().getFirst()).containsExactly(
                "staccato", "roll", "trill", "fermata", "trill", "upbow", "wedge");
    }

    @Test
    void chordsSymbolsAndAnnotations() {
        List<Note> notes = notes(tune("L:1/8", "\"Am7\"A2 \"^above\"\"_below\"B2 [CEG]4"));
        assertThat(notes.get(0).marks().chord()).contains("Am7");
        assertThat(notes.get(1).marks().annotations()).containsExactly("^above", "_below");
        assertThat(notes.get(2).pitches()).extracting(Pitch::toString).containsExactly("C4", "E4", "G4");
        assertThat(notes.get(2).length()).isEqualTo(Ratio.of(1, 2));
    }

    @Test
    void chordsWithLengthsInside() {
        assertThat(lengths(tune("L:1/8", "[C2E2G2]2 [CE]/ A7/2"))).containsExactly(
                Ratio.of(1, 2), Ratio.of(1, 16), Ratio.of(7, 16));
    }

    // changes in the course of the tune

    @Test
    void changesOfKeyMeterUnitAndTempo() {
        Tune tune = tune("M:4/4\nL:1/8\nK:C", "F8|[K:G]F8|\nM:3/4\nF6|[L:1/4]F3|[Q:1/4=60]F3|");
        assertThat(pitches(tune)).isEqualTo("F4 F#4 F#4 F#4 F#4");
        assertThat(lengths(tune)).endsWith(Ratio.of(3, 4), Ratio.of(3, 4));
        assertThat(tune.bars().get(2).elements().getFirst()).isEqualTo(Change.to(Meter.of(3, 4)));
        assertThat(tune.bars().get(4).elements().getFirst()).isEqualTo(Change.to(Tempo.parse("1/4=60")));
    }

    // 6 and 8: lines, comments, text

    @Test
    void aBackslashJoinsLinesAndCommentsVanish() {
        Tune tune = tune("M:4/4\nL:1/8", "CDEF \\\nGABc| % a comment | with bars\n%% a directive\n% a line\nC8|");
        assertThat(tune.bars()).hasSize(2);
        assertThat(tune.bars().getFirst().elements()).hasSize(8);
        assertThat(tune.bars().getFirst().endsSystem()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '§', value = {"T:Caf\\'e§Café", "T:Fr&uuml;h§Früh", "T:\\u00c9ire§Éire",
        "T:100\\% wool§100% wool", "T:\\~nandu \\aa \\/o§ñandu å ø", "T:Fish &amp; chips§Fish & chips", "T:a\\\\b§a\\b"})
    void specialLettersInText(String field, String text) {
        TuneBook book = AbcReader.read("X:1\n" + field + "\nK:C\nC|\n");
        assertThat(book.tunes().getFirst().tune().title()).isEqualTo(text);
    }

    @Test
    void aBookHoldsManyTunesAndAHeadForAllOfThem() {
        TuneBook book = AbcReader.read("%abc-2.1\nM:3/4\nL:1/4\n\nX:1\nT:One\nK:C\nCDE|\n\nSome free text.\n\n"
                + "X:2\nT:Two\nM:2/4\nK:G\nFG|\n\n\nX:3\nT:Three\nK:D\nDEF|");
        assertThat(book.findings()).isEmpty();
        assertThat(book.tunes()).extracting(t -> t.tune().title()).containsExactly("One", "Two", "Three");
        assertThat(lengths(book.tunes().get(0).tune())).containsOnly(Ratio.of(1, 4));
        assertThat(book.tunes().get(1).tune().head().meter()).isEqualTo(Meter.of(2, 4));
        assertThat(book.tunes().get(2).tune().head().meter()).isEqualTo(Meter.of(3, 4));
        assertThat(book.tunes().get(1).line()).isEqualTo(12);
    }

    @Test
    void aTuneMayBeginRightAfterAnother() {
        assertThat(AbcReader.read("X:1\nT:a\nK:C\nC|\nX:2\nT:b\nK:C\nD|\n").tunes()).hasSize(2);
    }
}
