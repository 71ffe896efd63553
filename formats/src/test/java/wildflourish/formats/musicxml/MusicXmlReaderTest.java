package wildflourish.formats.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.TuneBook;

/** Scores as other programs write them (MusicXML 4.0, W3C Community Group Final Report, by element). */
class MusicXmlReaderTest {

    private static final String HEAD = """
            <?xml version="1.0" encoding="UTF-8" standalone="no"?>
            <!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.1 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
            """;
    private static final String LIST = "<part-list><score-part id=\"P1\"><part-name>Fiddle</part-name></score-part></part-list>";

    private static String note(String step, int octave, int duration, String more) {
        return "<note><pitch><step>%s</step><octave>%d</octave></pitch><duration>%d</duration><voice>1</voice>%s</note>".formatted(step, octave, duration, more);
    }

    private static TuneBook read(String body) {
        return MusicXmlReader.read((HEAD + body).getBytes(StandardCharsets.UTF_8));
    }

    private static TuneBook part(String measures) {
        return read("<score-partwise version=\"3.1\"><movement-title>The Quay  Steps</movement-title>" + LIST + "<part id=\"P1\">" + measures + "</part></score-partwise>");
    }

    private static String music(Tune tune) {
        return AbcWriter.write(tune).lines().skip(AbcWriter.write(tune).lines().takeWhile(l -> !l.startsWith("K:")).count() + 1)
                .reduce("", (a, b) -> a + b).strip();
    }

    private static String attributes(String key, String time) {
        return "<attributes><divisions>2</divisions>" + key + time + "<clef><sign>G</sign><line>2</line></clef></attributes>";
    }

    @Test
    void aPickupARepeatAndItsEndingsAreThoseOfTheScore() {
        String sixEight = "<time><beats>6</beats><beat-type>8</beat-type></time>";
        Tune tune = part("<measure number=\"0\" implicit=\"yes\">" + attributes("<key><fifths>1</fifths><mode>major</mode></key>", sixEight) + note("D", 5, 1, "") + "</measure>"
                + "<measure number=\"1\"><barline location=\"left\"><bar-style>heavy-light</bar-style><repeat direction=\"forward\"/></barline>"
                + note("B", 4, 3, "") + note("A", 4, 3, "") + "</measure>"
                + "<measure number=\"2\"><barline location=\"left\"><ending number=\"1\" type=\"start\"/></barline>" + note("G", 4, 6, "")
                + "<barline location=\"right\"><bar-style>light-heavy</bar-style><ending number=\"1\" type=\"stop\"/><repeat direction=\"backward\"/></barline></measure>"
                + "<measure number=\"3\"><barline location=\"left\"><ending number=\"2\" type=\"start\"/></barline>" + note("G", 4, 6, "")
                + "<barline location=\"right\"><bar-style>light-heavy</bar-style><ending number=\"2\" type=\"discontinue\"/></barline></measure>").tunes().getFirst().tune();
        assertThat(tune.title()).isEqualTo("The Quay Steps");
        assertThat(tune.head().meter()).isEqualTo(Meter.of(6, 8));
        assertThat(tune.bars().stream().map(Bar::number)).containsExactly(0, 1, 2, 3);
        assertThat(music(tune)).isEqualTo("d |:B3 A3 |[1 G6 :|[2 G6 |]");
    }

    @Test
    void aModeThatTheScoreDoesNotSayIsHeardFromTheNotes() {
        String two = "<key><fifths>2</fifths></key>";
        String common = "<time symbol=\"common\"><beats>4</beats><beat-type>4</beat-type></time>";
        Tune tune = part("<measure number=\"1\">" + attributes(two, common) + note("E", 4, 4, "") + note("B", 4, 2, "") + note("E", 4, 2, "") + "</measure><measure number=\"2\">"
                + note("B", 4, 2, "") + note("D", 5, 2, "") + note("E", 4, 4, "") + "</measure>").tunes().getFirst().tune();
        assertThat(tune.head().key()).isEqualTo(Key.of(Step.E, 0, Mode.DORIAN));
        assertThat(tune.head().meter()).isEqualTo(Meter.COMMON);
    }

    @Test
    void tripletsGracesChordsSlursTiesAndSymbolsComeIn() {
        String time = "<time><beats>2</beats><beat-type>4</beat-type></time>";
        String three = "<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>";
        String triplet = "<note><pitch><step>%s</step><octave>5</octave></pitch><duration>2</duration><voice>1</voice><type>eighth</type>" + three + "</note>";
        Tune tune = part("<measure number=\"1\"><attributes><divisions>6</divisions><key><fifths>2</fifths><mode>major</mode></key>" + time + "</attributes>"
                + "<harmony><root><root-step>B</root-step><root-alter>-1</root-alter></root><kind text=\"m7\">minor-seventh</kind></harmony>"
                + "<note><grace slash=\"yes\"/><pitch><step>E</step><octave>5</octave></pitch><voice>1</voice><type>eighth</type></note>"
                + triplet.formatted("D") + triplet.formatted("E") + triplet.formatted("D")
                + note("A", 4, 6, "<notations><slur type=\"start\" number=\"1\"/><ornaments><turn/></ornaments></notations>") + "</measure><measure number=\"2\">"
                + note("A", 4, 6, "<notations><slur type=\"stop\" number=\"1\"/><tied type=\"start\"/></notations>").replace("<notations>", "<tie type=\"start\"/><notations>")
                + note("A", 4, 6, "") + "<note><chord/><pitch><step>D</step><octave>4</octave></pitch><duration>6</duration><voice>1</voice></note></measure>").tunes().getFirst().tune();
        assertThat(music(tune)).isEqualTo("(3{/e}\"Bbm7\"d e d (!turn!A2 |A2-) [AD]2 |");
    }

    @Test
    void wordsStandUnderTheirNotes() {
        String time = "<time><beats>3</beats><beat-type>4</beat-type></time>";
        Tune tune = part("<measure number=\"1\">" + attributes("<key><fifths>0</fifths><mode>major</mode></key>", time)
                + note("C", 5, 2, "<lyric number=\"1\"><syllabic>begin</syllabic><text>low</text></lyric>")
                + note("D", 5, 2, "<lyric number=\"1\"><syllabic>end</syllabic><text>tide</text></lyric>")
                + note("E", 5, 2, "<lyric number=\"1\"><syllabic>single</syllabic><text>half-way</text></lyric>") + "</measure>").tunes().getFirst().tune();
        assertThat(AbcWriter.write(tune)).contains("w:low-tide half\\-way");
    }

    @Test
    void ofSeveralStavesTheFirstIsTheMelodyAndTheOthersAreKept() {
        String time = "<time><beats>2</beats><beat-type>4</beat-type></time>";
        TuneBook book = part("<measure number=\"1\"><attributes><divisions>1</divisions><key><fifths>-1</fifths><mode>major</mode></key>" + time
                + "<staves>2</staves></attributes>" + note("F", 5, 1, "<staff>1</staff>") + note("A", 5, 1, "<staff>1</staff>") + "<backup><duration>2</duration></backup>"
                + note("F", 3, 2, "<staff>2</staff>").replace("<voice>1</voice>", "<voice>5</voice>") + "</measure>");
        Tune tune = book.tunes().getFirst().tune();
        assertThat(music(tune)).contains("f2 a2 |").contains("F,4 |");
        assertThat(book.findings()).singleElement().satisfies(f -> assertThat(f.what()).contains("2 voices"));
        assertThat(OtherVoices.names(tune)).containsExactly("Fiddle stave 2 voice 5");
        Tune kept = AbcReader.read(AbcWriter.write(tune)).tunes().getFirst().tune();
        assertThat(AbcWriter.write(kept)).isEqualTo(AbcWriter.write(tune));
        Tune bass = OtherVoices.madeMelody(kept, 0).orElseThrow();
        assertThat(bass.bars().getFirst().elements()).hasSize(1);
        assertThat(OtherVoices.names(bass)).containsExactly("Fiddle voice 1");
        assertThat(AbcWriter.write(OtherVoices.madeMelody(bass, 0).orElseThrow()).lines().filter(l -> l.equals("f2 a2 |")).count()).isEqualTo(1);
    }

    @Test
    void theOtherVoicesOfATuneAreFurtherPartsOfItsScore() {
        Tune tune = AbcReader.read("X:1\nT:Two\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Fiddle\"\nd e f g |a4 |]\nV:2 name=\"Box\"\nD2 A,2 |D4 |]\n").tunes().getFirst().tune();
        TuneBook back = MusicXmlReader.read(MusicXmlWriter.write(tune));
        Tune read = back.tunes().getFirst().tune();
        assertThat(music(read)).startsWith("V:1 name=\"Fiddle\"d e f g |a4 |]");
        assertThat(OtherVoices.voices(read)).singleElement().satisfies(v -> {
            assertThat(v.name()).isEqualTo("Box");
            assertThat(v.tune().bars()).isEqualTo(OtherVoices.voices(tune).getFirst().tune().bars());
        });
    }

    @Test
    void aScoreByMeasuresIsReadAsWell() {
        String measure = "<measure number=\"%d\"><part id=\"P1\">%s</part></measure>";
        Tune tune = read("<score-timewise version=\"4.0\">" + LIST
                + measure.formatted(1, attributes("<key><fifths>1</fifths><mode>major</mode></key>", "<time><beats>2</beats><beat-type>4</beat-type></time>") + note("G", 4, 4, ""))
                + measure.formatted(2, note("A", 4, 2, "") + note("B", 4, 2, "")) + "</score-timewise>").tunes().getFirst().tune();
        assertThat(music(tune)).isEqualTo("G4 |A2 B2 |");
    }

    @Test
    void aScoreInUtf8ThatSaysItIsInUtf16IsReadAllTheSame() {
        String body = "<score-partwise version=\"3.1\"><movement-title>Cúl na hAille</movement-title>" + LIST + "<part id=\"P1\"><measure number=\"1\">" + attributes("", "") + note("D", 5, 2, "") + "</measure></part></score-partwise>";
        String said = HEAD.replace("UTF-8", "UTF-16") + body;
        assertThat(MusicXmlReader.read(("\ufeff" + said).getBytes(StandardCharsets.UTF_8)).tunes().getFirst().tune().title()).isEqualTo("Cúl na hAille");
        assertThat(MusicXmlReader.read(said.getBytes(StandardCharsets.UTF_16)).tunes().getFirst().tune().title()).isEqualTo("Cúl na hAille");
    }

    private static String on(int stave, String voice, String note) {
        return note.replace("<voice>1</voice>", "<voice>" + voice + "</voice>").replace("</note>", "<staff>" + stave + "</staff></note>");
    }

    private static List<String> voices(String measures) {
        Tune tune = part(measures).tunes().getFirst().tune();
        return java.util.stream.Stream.concat(java.util.stream.Stream.of(tune), OtherVoices.voices(tune).stream().map(OtherVoices.Voice::tune))
                .map(t -> AbcWriter.write(t).lines().dropWhile(l -> !l.startsWith("K:")).skip(1).dropWhile(l -> l.startsWith("V:")).takeWhile(l -> !l.isBlank() && !l.startsWith("V:")).reduce("", String::concat)).toList();
    }

    @Test
    void aScoreThatSaysNoMeterTakesThatOfMostOfItsBars() {
        String two = note("D", 5, 2, "") + note("E", 5, 2, "");
        Tune tune = part("<measure number=\"1\">" + attributes("", "") + two + "</measure><measure number=\"2\">" + two + "</measure><measure number=\"3\">" + note("D", 5, 2, "") + "</measure>")
                .tunes().getFirst().tune();
        assertThat(tune.head().meter()).isEqualTo(Meter.of(2, 4));
    }

    private static final String WALTZ = attributes("", "<time><beats>3</beats><beat-type>4</beat-type></time>");

    @Test
    void aVoiceThatWandersFromStaveToStaveIsOneVoiceWithItsChords() {
        String chord = on(2, "1", note("A", 3, 2, "")) + on(1, "1", note("E", 4, 2, "")).replace("<pitch>", "<chord/><pitch>");
        List<String> voices = voices("<measure number=\"1\">" + WALTZ + on(1, "1", note("D", 5, 6, "")) + "</measure><measure number=\"2\">" + chord + on(1, "1", note("B", 4, 4, "")) + "</measure>");
        assertThat(voices).containsExactly("d6 |[A,E]2 B4 |");
    }

    @Test
    void oneVoiceNumberOnTwoStavesAtOnceIsTwoVoices() {
        List<String> voices = voices("<measure number=\"1\">" + WALTZ + on(1, "1", note("D", 5, 6, "")) + "<backup><duration>6</duration></backup>" + on(2, "1", note("D", 3, 6, "")) + "</measure>");
        assertThat(voices).hasSize(2);
    }

    @Test
    void aChangeOfMeterStandsBeforeTheBarInWhichAVoiceIsSilent() {
        String two = "<attributes><time><beats>2</beats><beat-type>4</beat-type></time></attributes>";
        List<String> voices = voices("<measure number=\"1\">" + WALTZ + note("D", 5, 6, "") + "<backup><duration>6</duration></backup>" + on(1, "2", note("D", 4, 6, "")) + "</measure>"
                + "<measure number=\"2\">" + two + note("D", 5, 4, "") + "</measure>");
        assertThat(voices.get(1)).isEqualTo("D6 |[M:2/4]Z|");
    }

    @Test
    void aBarsRestThatIsNotAsLongAsTheMeterKeepsItsLength() {
        String rest = "<note><rest measure=\"yes\"/><duration>4</duration><voice>1</voice></note>";
        assertThat(voices("<measure number=\"1\">" + WALTZ + note("D", 5, 6, "") + "</measure><measure number=\"2\">" + rest + "</measure>")).containsExactly("d6 |z4|");
    }

    @Test
    void aSlurFromAGraceNoteLeavesNoEndWithoutABeginning() {
        String slur = "<notations><slur number=\"1\" type=\"%s\"/></notations>";
        String grace = "<note><grace/><pitch><step>E</step><octave>5</octave></pitch><voice>1</voice>" + slur.formatted("start") + "</note>";
        assertThat(voices("<measure number=\"1\">" + WALTZ + grace + note("D", 5, 6, slur.formatted("stop")) + "</measure>")).containsExactly("{e}d6 |");
    }

    @Test
    void wordsStandOverTheVoiceThatTheyAreWrittenForOrOverTheFirst() {
        String words = "<direction><direction-type><words>%s</words></direction-type>%s</direction>";
        List<String> voices = voices("<measure number=\"1\">" + WALTZ + words.formatted("sweetly", "") + note("D", 5, 6, "") + "<backup><duration>6</duration></backup>"
                + words.formatted("drone", "<voice>2</voice>") + on(1, "2", note("D", 4, 6, "")) + "</measure>");
        assertThat(voices).containsExactly("\"^sweetly\"d6 |", "\"^drone\"D6 |");
    }

    @Test
    void anArchiveIsReadByItsContainer() {
        Tune tune = AbcReader.read("X:1\nT:Weed Line\nM:6/8\nL:1/8\nK:Dmix\nA|:dcA G3|~A3 d2e:|\n").tunes().getFirst().tune();
        byte[] archive = MusicXmlWriter.compressed(tune);
        assertThat(MusicXmlReader.isOne(archive)).isTrue();
        assertThat(MusicXmlReader.read(archive).tunes()).singleElement().satisfies(t -> assertThat(t.tune().head()).isEqualTo(tune.head()));
        assertThat(archive).isEqualTo(MusicXmlWriter.compressed(tune));
    }

    @Test
    void whatIsWrittenIsToldApartByTheStandardsNames() {
        Tune tune = AbcReader.read("X:7\nT:A\nC:Us\nR:jig\nM:6/8\nL:1/8\nQ:3/8=118\nK:Edor\n\"Em\"(3EFG .E3 |!segno!uB6 |]\n").tunes().getFirst().tune();
        String xml = new String(MusicXmlWriter.write(tune), StandardCharsets.UTF_8);
        assertThat(xml).contains(" version=\"4.0\">", "<movement-title>A</movement-title>", "<fifths>2</fifths>", "<mode>dorian</mode>", "<beats>6</beats>",
                "<actual-notes>3</actual-notes>", "<beat-unit-dot/>", "<per-minute>118</per-minute>", "<staccato/>", "<up-bow/>", "<segno/>", "<root-step>E</root-step>",
                "<bar-style>light-heavy</bar-style>", "<creator type=\"composer\">Us</creator>");
        assertThat(List.of(tune)).isEqualTo(MusicXmlReader.read(MusicXmlWriter.write(tune)).tunes().stream().map(t -> t.tune()).toList());
    }

    private static wildflourish.core.tune.Tune abc(String music) {
        return wildflourish.formats.abc.AbcReader.read("X:1\nT:Kelp\nM:4/4\nL:1/8\nK:D\n" + music + "\n").tunes().getFirst().tune();
    }

    private static String written(String music) {
        return new String(MusicXmlWriter.write(abc(music)), java.nio.charset.StandardCharsets.UTF_8);
    }

    /** A part that is repeated and begins without a sign has one in the file, for readers that would go back to the beginning of the tune; here it comes back as it was. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(strings = {"D4 E4|F4 G4:|A4 B4|c4 d4:|", "D4 E4:|F4 G4:|A4 B4:|", "D4 E4|1 F4 G4:|2 A4 B4||c4 d4:|", "D4 E4||F4 G4|A4 B4::|"})
    void aRepeatWithoutASignIsWrittenAsItIsPlayed(String music) {
        String xml = written(music);
        assertThat(xml).contains("implied-repeat-", "direction=\"forward\"");
        TuneBook back = MusicXmlReader.read(xml.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(back.tunes().getFirst().tune().bars()).extracting(b -> b.closing()).isEqualTo(abc(music).bars().stream().map(b -> b.closing()).toList());
        assertThat(wildflourish.core.tune.PlayOrder.of(back.tunes().getFirst().tune())).isEqualTo(wildflourish.core.tune.PlayOrder.of(abc(music)));
        assertThat(written("|:D4 E4:|:F4 G4:|")).doesNotContain("implied-repeat-");
        assertThat(written("D4 E4:|")).as("the first goes back to the beginning in every reader").doesNotContain("implied-repeat-");
    }

    /** A jump finds its sign by its name. */
    @Test
    void signsThatAreJumpedToHaveTheNameThatTheJumpHas() {
        assertThat(written("D4 E4|!segno!F4 G4|A4 B4|c4 !D.S.!d4|")).contains("segno=\"segno\"", "dalsegno=\"segno\"");
        assertThat(written("!segno!D4 E4|F4 !dacoda!G4|c4 !D.S.!d4|!coda!e4 f4|")).contains("coda=\"coda\"", "tocoda=\"coda\"");
        String within = "|:D4 E4|!trill!F4 !segno!~G4:|A4 !D.S.alfine!.B4|";
        TuneBook back = MusicXmlReader.read(written(within).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(wildflourish.core.tune.PlayOrder.of(back.tunes().getFirst().tune())).isEqualTo(wildflourish.core.tune.PlayOrder.of(abc(within)));
    }
}
