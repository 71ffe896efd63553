package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.finding.Finding;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rounds;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.Thorough;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** Reading what was written gives the same tune. */
class AbcWriterTest {

    private static void comesBack(Tune tune) {
        String text = AbcWriter.write(tune);
        Tune again = AbcReader.read(text).tunes().getFirst().tune();
        assertThat(again.head()).as(text).isEqualTo(tune.head());
        assertThat(again.opening()).as(text).isEqualTo(tune.opening());
        assertThat(again.bars()).as(text).hasSameSizeAs(tune.bars());
        for (int b = 0; b < tune.bars().size(); b++) {
            assertThat(again.bars().get(b)).as("bar %d of %s", b, text).isEqualTo(tune.bars().get(b));
        }
    }

    @Test
    void theReferenceTunesComeBack() throws Exception {
        List<BookTune> tunes = AbcReader.read(Abc2MidiTest.resource("reference.abc")).tunes();
        assertThat(tunes).hasSize(17).allSatisfy(t -> comesBack(t.tune()));
        TuneBook book = AbcReader.read(AbcWriter.book(tunes.stream().map(BookTune::tune).toList()));
        assertThat(book.tunes()).hasSize(17);
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "K:D =c ^g\ncdfg|", "K:C exp ^f\nfc|", "K:none\nfc|", "K:F#m\nfgc|", "K:Ebdor\nABc|",
        "K:G\n{/c}B2 {BcA}.~!slide!G2 \"Am\"\"^hi\"A4|", "K:C\n(3ABc (5:4:6ABcdef (2AB|", "K:C\n(A(B)c) d-d [CEG]-[CEG]|",
        "K:C\n|:A8|1 B8:|2 c8||\nP:B\nd8::e8:|", "K:C\nZ|z2 x2 z4|X2|", "K:C\n[M:3/4]A6|[K:Dmin]A6|[Q:1/4=66.5]A6|",
        "M:none\nK:C\nABC|", "M:(2+2+3)/8\nK:C\nABcdefg|", "M:C|\nL:1/4\nK:C\nABcd|", "K:C\n^F8-|F8|^F=F F6|",
        "P:ABA\nK:C\nP:A\nC8|\nP:B\nD8|", "K:C\nA8.|B8[|c8|]", "N:a % b \\ c & d\nK:C\nA|"})
    void whatTheNotationCanSayComesBack(String text) {
        TuneBook book = AbcReader.read("X:7\nT:Test\nC:Me\nR:reel\nZ:them\n" + text + "\nw:la la\n");
        comesBack(book.tunes().getFirst().tune());
    }

    /** Random tunes of notes, accidentals, lengths, ties, repeats and endings. */
    @Property(tries = 400)
    void randomTunesComeBack(@ForAll long seed) {
        Random random = new Random(seed);
        StringBuilder body = new StringBuilder();
        String[] accidentals = {"", "", "", "^", "_", "=", "^^", "__"};
        String[] lengths = {"", "2", "3", "/2", "3/2", "4", "7/4"};
        String[] lines = {"|", "||", ":|", "|:", "::", "|1 ", ":|2 ", "|\n", "::|", "[|", ".|"};
        for (int bar = 0; bar < 6; bar++) {
            for (int n = 1 + random.nextInt(6); n > 0; n--) {
                if (random.nextInt(8) == 0) {
                    body.append("(3");
                }
                body.append(random.nextInt(10) == 0 ? "{g^ab}" : "").append(random.nextInt(10) == 0 ? "(" : "");
                body.append(accidentals[random.nextInt(accidentals.length)]).append((char) ('A' + random.nextInt(7)));
                body.append(random.nextInt(4) == 0 ? "," : "").append(lengths[random.nextInt(lengths.length)]);
                body.append(random.nextInt(8) == 0 ? "-" : "").append(random.nextInt(10) == 0 ? ")" : "");
                body.append(random.nextInt(4) == 0 ? " " : "");
            }
            body.append(lines[random.nextInt(lines.length)]);
        }
        String keys = List.of("C", "D", "Gm", "F#", "Bbmix", "Edor ^g").get(random.nextInt(6));
        comesBack(AbcReader.read("X:1\nT:Random\nM:4/4\nL:1/8\nK:" + keys + "\n" + body + "c|\n")
                .tunes().getFirst().tune());
    }

    private static final String JIG = "X:2\nT:Test jig\nR:jig\nM:6/8\nL:1/8\nQ:3/8=100\nK:G\n"
            + "|:D|G3 BAG|A3 cBA|B2d gfd|edB AFD|\nG3 BAG|{g}A3 c2e|~dBG AFD|AGF G2:|\n";

    private static Arrangement arrangement() {
        Tune tune = AbcReader.read(JIG).tunes().getFirst().tune();
        Tempo tempo = Tempo.parse("3/8=96");
        Speeds speeds = Speeds.level("expert");
        School school = School.USUAL.with("roll", "leaning");
        Situation situation = Situation.of(Timeline.of(tune), Instruments.known("whistle-d"), school);
        return new Arrangement(tune, situation.instrument(), tempo, speeds, school,
                new Grower(situation, tempo, speeds, Taste.of(situation.instrument())).grow().ladder());
    }

    @Test
    void aLadderComesBackWithoutLossWhicheverRungIsShown() {
        Arrangement arrangement = arrangement();
        for (int rung = 0; rung < arrangement.ladder().size(); rung++) {
            TuneBook book = AbcReader.read(AbcWriter.write(arrangement, rung));
            assertThat(book.findings()).isEmpty();
            assertThat(book.tunes().getFirst().arrangement()).contains(arrangement);
            assertThat(book.tunes().getFirst().tune()).isEqualTo(arrangement.tune());
        }
    }

    /** Every ornament of every family, on any notes, in any school: the spelled file reads back as the same arrangement. */
    @ParameterizedTest
    @ValueSource(strings = {"flute-d", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
        "banjo-five-string", "anglo-cg", "english-48", "melodeon-dg", "accordion-csd"})
    void everyFamilysLadderComesBackWithoutLoss(String instrument) {
        Random random = new Random(instrument.hashCode());
        Tune tune = AbcReader.read(JIG).tunes().getFirst().tune();
        Vocabulary vocabulary = Vocabulary.of(Instruments.known(instrument));
        for (int round = 0; round < Thorough.of(4, 12); round++) {
            School school = round % 2 == 0 ? School.USUAL : School.USUAL.with("roll-sign", "small-notes").with("grace", "before");
            Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", Setting.BARE)));
            for (int note = 0; note < Timeline.of(tune).size(); note++) {
                Ornament one = vocabulary.all().get(random.nextInt(vocabulary.all().size()));
                ladder = ladder.place(1, note, one, vocabulary);
            }
            Speeds speeds = Speeds.level("fluent").with(Move.SLIDE, new Speeds.Span(70, 130 + round)).with(Speeds.LUNGFUL, String.valueOf(5 + round));
            Arrangement arrangement = new Arrangement(tune, Instruments.known(instrument), Tempo.parse("3/8=80"), speeds,
                    school, ladder).keeping("whistle-d", arrangement().ladder());
            for (int rung = 0; rung < 2; rung++) {
                String text = AbcWriter.write(arrangement, rung);
                TuneBook book = AbcReader.read(text);
                assertThat(book.findings()).as(text).isEmpty();
                assertThat(book.tunes().getFirst().arrangement()).as(text).contains(arrangement);
            }
        }
    }

    @Test
    void doubleStopsAreChordsThatOthersRead() {
        Tune tune = AbcReader.read("X:1\nT:A\nM:4/4\nL:1/4\nK:D\nBABc|\n").tunes().getFirst().tune();
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full",
                Setting.BARE.with(0, "drone").with(0, "treble").with(1, "chord").with(1, "slide"))));
        Arrangement fiddle = new Arrangement(tune, Instruments.known("fiddle"), Tempo.parse("1/4=60"),
                Speeds.level("fluent"), School.USUAL, ladder);
        String text = AbcWriter.write(fiddle, 1);
        assertThat(text).contains("[BD]");
        assertThat(AbcReader.read(text).tunes().getFirst().arrangement()).contains(fiddle);
    }

    /** Other software sees ordinary ABC: the instruction fields are I: lines and the signs standard ones. */
    @Test
    void otherReadersSeeOrdinaryNotation() {
        String text = AbcWriter.write(arrangement(), 5);
        String others = text.lines().filter(l -> !l.startsWith("I:")).reduce("", (a, b) -> a + b + "\n");
        TuneBook book = AbcReader.read(others);
        assertThat(book.findings()).isEmpty();
        assertThat(book.tunes().getFirst().arrangement()).isEmpty();
        assertThat(text).contains("~").contains("{");
        Timeline plain = arrangement().version(5).varied().tune();
        Timeline seen = Timeline.of(book.tunes().getFirst().tune());
        assertThat(seen.notes()).extracting(Timeline.Stand::pitch, Timeline.Stand::onset).isEqualTo(
                plain.notes().stream().map(s -> org.assertj.core.groups.Tuple.tuple(s.pitch(), s.onset())).toList());
    }

    @Test
    void signsThatSomeoneChangedElsewhereAreKeptAndReported() {
        String text = AbcWriter.write(arrangement(), 4).replaceFirst("\\{A\\}", "{B}");
        TuneBook book = AbcReader.read(text);
        assertThat(book.hasErrors()).isFalse();
        assertThat(book.findings()).anyMatch(f -> f.what().contains("are not those of its ladder"));
        assertThat(book.tunes()).hasSize(1);
    }

    @Test
    void brokenInstructionsLoseNothingOfTheTune() {
        String text = JIG.replace("K:G", "I:flourish rung 0 bare\nI:flourish rung 1 more\nI:flourish place 900 cut from 1\n"
                + "I:flourish place 1 yodel from 1\nI:flourish nonsense\nI:flourish place x\nI:flourish level wizard\nK:G");
        TuneBook book = AbcReader.read(text);
        assertThat(book.hasErrors()).isFalse();
        assertThat(book.findings()).hasSize(5);
        assertThat(book.tunes().getFirst().tune()).isEqualTo(AbcReader.read(JIG).tunes().getFirst().tune());
        TuneBook unnamed = AbcReader.read(JIG.replace("K:G", "I:flourish place 1 cut from 1\nK:G"));
        assertThat(unnamed.tunes().getFirst().arrangement()).isEmpty();
    }

    private static Arrangement settled() {
        Arrangement grown = arrangement();
        Ladder ladder = grown.ladder().renamed(2, "50 % & more").dense(4, Optional.of(new Density(6, 2)))
                .vary(1, new Variation(1, 2, "restate", Variation.parse("G4:1/8 A4:1/8 G4:1/8")))
                .vary(3, new Variation(9, 11, "lick:the_low_road", Variation.parse("B4:1/8 G4:1/8 B4:1/8")))
                .vary(5, new Variation(20, 21, "fill", Variation.parse("G4:1/4 G4:1/8")));
        Rounds rounds = new Rounds(List.of(List.of(new Rounds.Pass(0), new Rounds.Pass(4, Optional.of("octave-up")))),
                Rounds.Intro.POTATOES, Rounds.Tag.CLOSING, Optional.of(17L));
        return grown.with(ladder)
                .with(PhraseMarks.NONE.moving(8, 9).joining(17).naming(9, Optional.of("the climb")).remarking(9, Optional.of("50 % slower & light")))
                .with(Wishes.NONE.locking(3, true).forbidding(5, "cut", true).freely(true)).with(rounds);
    }

    @Test
    void whatATeacherSettlesComesBackWithoutLossWhicheverRungIsShown() {
        Arrangement settled = settled();
        for (int rung = 0; rung < settled.ladder().size(); rung++) {
            String text = AbcWriter.write(settled, rung);
            TuneBook book = AbcReader.read(text);
            assertThat(book.findings()).as(text).isEmpty();
            assertThat(book.tunes().getFirst().arrangement()).as(text).contains(settled);
        }
    }

    /** A variation stands on the notes for every reader: it is ordinary music. */
    @Test
    void otherReadersSeeTheVariedNotes() {
        String text = AbcWriter.write(settled(), 1);
        String others = text.lines().filter(l -> !l.startsWith("I:")).reduce("", (a, b) -> a + b + "\n");
        Timeline seen = Timeline.of(AbcReader.read(others).tunes().getFirst().tune());
        assertThat(seen.notes().subList(1, 4)).extracting(s -> s.pitch().toString()).containsExactly("G4", "A4", "G4");
        assertThat(seen.tune().bars()).hasSameSizeAs(settled().tune().bars());
    }

    @Test
    void variationsThatHaveNoRoomAreReportedAndLeftOut() {
        String text = JIG.replace("K:G", "I:flourish rung 0 bare\nI:flourish rung 1 more\nI:flourish vary 900 901 fill from 1 G4:1/8\n"
                + "I:flourish vary 1 2 yodel from 1 G4:3/8\nI:flourish vary 1 2 fill from 1 G4\nI:flourish time 0,x\n"
                + "I:flourish vary 2 3 fill from 1 G4:7/8\nI:flourish phrase 3 sings\nI:flourish intro trumpets\nK:G");
        TuneBook book = AbcReader.read(text);
        assertThat(book.hasErrors()).isFalse();
        assertThat(book.findings()).hasSize(7);
        assertThat(book.tunes().getFirst().arrangement().orElseThrow().ladder().setting(1).isVaried()).isFalse();
    }

    @Test
    void wordsStandUnderTheirLineOfMusic() {
        String text = "X:1\nT:words\nM:4/4\nL:1/8\nK:D\nDEFG ABcd|\nw:one two three four five six se-ven\nw:sec-ond verse\nABcd DEFG|\n"
                + "w:eight nine ten el-e-ven twelve\nW:behind it all\n\n";
        assertThat(AbcWriter.write(AbcReader.read(text).tunes().getFirst().tune())).isEqualTo(text);
    }

    @Test
    void wordsUnderALineThatEndsWithinABarAreToldAndKeptBehindIt() {
        TuneBook book = AbcReader.read("X:1\nT:words\nM:4/4\nL:1/8\nK:D\nDEFG\nw:one two\nABcd|e8|\nw:three\n");
        assertThat(book.findings()).extracting(Finding::what).anyMatch(w -> w.contains("within a bar"));
        String written = AbcWriter.write(book.tunes().getFirst().tune());
        assertThat(written).contains("DEFG ABcd|\\\nw:one two\ne8|\nw:three\n");
        assertThat(AbcReader.read(written).tunes().getFirst().tune()).isEqualTo(book.tunes().getFirst().tune());
    }
}
