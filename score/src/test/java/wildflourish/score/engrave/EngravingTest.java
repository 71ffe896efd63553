package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Varied;
import wildflourish.core.tune.Ratio;
import wildflourish.score.Scores;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.MusicFont;

/** The engraving against the SMuFL 1.4 metadata of the font and against the textbooks' rules. */
class EngravingTest {

    private static List<Shape.Glyph> glyphs(Engraving engraving, String name) {
        return engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Glyph g && g.name().startsWith(name)).map(s -> (Shape.Glyph) s).toList();
    }

    private static List<Shape.Line> stems(Engraving engraving) {
        double thickness = MusicFont.standard("stemThickness");
        return engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Line l && l.x1() == l.x2() && l.thickness() == thickness)
                .map(s -> (Shape.Line) s).toList();
    }

    private static final String PLAIN = "M:4/4\nL:1/4\nK:C";

    static Stream<Arrangement> demo() {
        return Scores.demo().stream();
    }

    @ParameterizedTest
    @MethodSource("demo")
    void everyGlyphUsedIsInTheFontsMeasurements(Arrangement arrangement) {
        Engraving engraving = Scores.trellis(arrangement, Set.of(0, 5), 112);
        assertThat(engraving.drawing().shapes()).filteredOn(s -> s instanceof Shape.Glyph)
                .allSatisfy(s -> assertThat(MusicFont.names()).contains(((Shape.Glyph) s).name()));
    }

    @Test
    void stemsAttachWhereTheAnchorsSay() {
        Engraving engraving = Scores.bare(PLAIN, "G c2 d|", 60);
        List<Shape.Glyph> heads = glyphs(engraving, "notehead");
        List<Shape.Line> stems = stems(engraving);
        assertThat(stems).hasSize(3);
        double half = MusicFont.standard("stemThickness") / 2;
        // G4 below the middle line: stem up, from the right edge of the head.
        assertThat(stems.get(0).x1()).isCloseTo(
                heads.get(0).x() + MusicFont.anchor("noteheadBlack", "stemUpSE", 0) - half, within(1e-9));
        assertThat(stems.get(0).y2()).isLessThan(heads.get(0).y());
        // C5 above it: stem down, from the left edge.
        assertThat(stems.get(1).x1()).isCloseTo(
                heads.get(1).x() + MusicFont.anchor("noteheadHalf", "stemDownNW", 0) + half, within(1e-9));
        assertThat(stems.get(1).y2()).isGreaterThan(heads.get(1).y());
    }

    /** Textbook: a stem is an octave long, three and a half spaces, and reaches the middle line from ledger notes. */
    @Test
    void stemsAreAnOctaveLongAndReachTheMiddleLine() {
        Engraving engraving = Scores.bare(PLAIN, "G C, d'|", 60);
        List<Shape.Glyph> heads = glyphs(engraving, "notehead");
        List<Shape.Line> stems = stems(engraving);
        double middle = heads.get(0).y() - 1;
        assertThat(heads.get(0).y() - stems.get(0).y2()).isCloseTo(3.5, within(1e-9));
        assertThat(stems.get(1).y2()).isCloseTo(middle, within(1e-9));
        assertThat(stems.get(2).y2()).isCloseTo(middle, within(1e-9));
    }

    @Test
    void ledgerLinesStandThroughAndBelowTheHead() {
        Engraving engraving = Scores.bare(PLAIN, "C A, a|", 60);
        List<Shape.Glyph> heads = glyphs(engraving, "notehead");
        double thickness = MusicFont.standard("legerLineThickness");
        List<Shape.Line> ledgers = engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Line l && l.y1() == l.y2() && l.thickness() == thickness
                        && l.ink() == Ink.MUSIC && l.x2() - l.x1() < 3).map(s -> (Shape.Line) s).toList();
        // Middle C one, A below it two, high A one.
        assertThat(ledgers).hasSize(4);
        assertThat(ledgers.get(0).y1()).isCloseTo(heads.get(0).y(), within(1e-9));
        double beyond = MusicFont.standard("legerLineExtension");
        assertThat(ledgers.get(0).x1()).isCloseTo(heads.get(0).x() - beyond, within(1e-9));
        assertThat(ledgers.get(0).x2()).isCloseTo(
                heads.get(0).x() + MusicFont.width("noteheadBlack") + beyond, within(1e-9));
    }

    @Test
    void dotsStandInSpaces() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "G3 A3 B3|", 60);
        List<Shape.Glyph> heads = glyphs(engraving, "noteheadBlack");
        for (Shape.Glyph dot : glyphs(engraving, "augmentationDot")) {
            double fromTop = dot.y() - (heads.get(2).y() - 2);
            assertThat(Math.abs(fromTop * 2 % 2)).isCloseTo(1, within(1e-6));
        }
        assertThat(glyphs(engraving, "augmentationDot")).hasSize(3);
    }

    @ParameterizedTest
    @CsvSource({"A8,noteheadWhole,0", "A4,noteheadHalf,0", "A2,noteheadBlack,0", "A,noteheadBlack,1"})
    void lengthsHaveTheirHeadsAndFlags(String note, String head, int flags) {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", note + "|", 60);
        assertThat(glyphs(engraving, "notehead")).extracting(Shape.Glyph::name).containsExactly(head);
        assertThat(glyphs(engraving, "flag")).hasSize(flags);
    }

    @Test
    void restsHaveTheirSigns() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "z4 z2 z z/2 z/4 z/4|Z|", 80);
        assertThat(glyphs(engraving, "rest")).extracting(Shape.Glyph::name).containsExactly(
                "restHalf", "restQuarter", "rest8th", "rest16th", "rest32nd", "rest32nd", "restWhole");
    }

    @Test
    void keySignaturesFollowTheirOrder() {
        assertThat(glyphs(Scores.bare("L:1/4\nK:A", "A|", 60), "accidentalSharp")).hasSize(3)
                .isSortedAccordingTo((a, b) -> Double.compare(a.x(), b.x()));
        assertThat(glyphs(Scores.bare("L:1/4\nK:Eb", "E|", 60), "accidentalFlat")).hasSize(3);
        assertThat(glyphs(Scores.bare("L:1/4\nK:C", "C|", 60), "accidental")).isEmpty();
    }

    @Test
    void accidentalsAreShownOnceABarAndCancelled() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/4\nK:G", "^C C =C =F|F ^C2 C|", 80);
        assertThat(glyphs(engraving, "accidental")).extracting(Shape.Glyph::name).filteredOn(n -> true)
                .containsExactly("accidentalSharp", "accidentalSharp", "accidentalNatural", "accidentalNatural",
                        "accidentalSharp");
    }

    @Test
    void meterSignsStandOnTheFirstSystemOnly() {
        String body = "CDEFGABc|".repeat(12);
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", body, 70);
        assertThat(engraving.systems().size()).isGreaterThan(3);
        assertThat(glyphs(engraving, "timeSig4")).hasSize(2);
        assertThat(glyphs(engraving, "gClef")).hasSize(engraving.systems().size());
        assertThat(glyphs(Scores.bare("M:C|\nL:1/8\nK:C", "C8|", 60), "timeSigCutCommon")).hasSize(1);
    }

    @Test
    void repeatsHaveTheirDotsAndEndingsTheirNumbers() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "|:C8|1 D8:|2 E8|]", 80);
        assertThat(glyphs(engraving, "repeatDot")).hasSize(4);
        assertThat(engraving.drawing().shapes()).filteredOn(s -> s instanceof Shape.Words)
                .extracting(s -> ((Shape.Words) s).text()).contains("1.", "2.");
    }

    @Test
    void tiesSlursAndTupletsAreDrawn() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "(AB) c2-c2 (3def|", 80);
        assertThat(engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Bow)).hasSize(2);
        assertThat(glyphs(engraving, "tuplet3")).hasSize(1);
    }

    @Test
    void aTieOverTheEndOfASystemIsDrawnOnBoth() {
        String body = "cDEFGABc-|".repeat(9) + "c8|]";
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", body, 50);
        long bows = engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Bow).count();
        assertThat(engraving.systems().size()).isGreaterThan(2);
        assertThat(bows).isEqualTo(9 + engraving.systems().size() - 1);
        assertThat(engraving.drawing().shapes()).filteredOn(s -> s instanceof Shape.Bow)
                .allSatisfy(s -> assertThat(((Shape.Bow) s).x2()).isGreaterThan(((Shape.Bow) s).x1()));
    }

    /** Spacing grows with duration and never inverts. */
    @Test
    void longerNotesTakeMoreRoom() {
        double before = 0;
        for (int sixteenths = 1; sixteenths <= 32; sixteenths++) {
            double spring = Columns.spring(Ratio.of(sixteenths, 16));
            assertThat(spring).isGreaterThan(before);
            before = spring;
        }
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "C8|C4 C4|C2 C2 C C C C|", 110);
        List<Double> widths = new ArrayList<>();
        List<Shape.Glyph> heads = glyphs(engraving, "notehead");
        widths.add(heads.get(4).x() - heads.get(3).x());
        widths.add(heads.get(6).x() - heads.get(5).x());
        assertThat(widths.get(0)).isGreaterThan(widths.get(1));
    }

    @ParameterizedTest
    @MethodSource("demo")
    void headsOfOneRungNeverTouch(Arrangement arrangement) {
        Engraving engraving = Scores.trellis(arrangement, Set.of(0), 112);
        List<Shape.Glyph> heads = glyphs(engraving, "notehead");
        for (int i = 1; i < heads.size(); i++) {
            assertThat(heads.get(i).bounds().overlaps(heads.get(i - 1).bounds())).isFalse();
        }
    }

    /** No two boxes of heads, accidentals, dots, clefs, meters and rests overlap in any demo tune, however ornamented. */
    @ParameterizedTest
    @MethodSource("demo")
    void signsOnTheStaveDoNotOverlap(Arrangement arrangement) {
        Engraving engraving = Scores.trellis(arrangement, Set.of(0, 5), 112);
        List<Shape.Glyph> signs = engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Glyph g && (g.name().startsWith("notehead")
                        || g.name().startsWith("accidental") || g.name().startsWith("augmentationDot")
                        || g.name().startsWith("timeSig") || g.name().equals("gClef") || g.name().startsWith("rest")))
                .map(s -> (Shape.Glyph) s).toList();
        for (int i = 0; i < signs.size(); i++) {
            for (int k = i + 1; k < signs.size(); k++) {
                Bounds a = shrunk(signs.get(i).bounds());
                assertThat(a.overlaps(shrunk(signs.get(k).bounds())))
                        .as("%s at %s and %s at %s", signs.get(i).name(), a, signs.get(k).name(), signs.get(k).bounds())
                        .isFalse();
            }
        }
    }

    private static Bounds shrunk(Bounds b) {
        return new Bounds(b.left() + 0.05, b.top() + 0.05, b.right() - 0.05, b.bottom() - 0.05);
    }

    @ParameterizedTest
    @MethodSource("demo")
    void everythingStaysOnThePageAtEveryWidth(Arrangement arrangement) {
        for (double width : new double[] {60, 80, 112, 160}) {
            Engraving engraving = Scores.trellis(arrangement, Set.of(0, 4), width);
            Bounds all = Bounds.around(engraving.drawing().shapes());
            assertThat(all.left()).as("width %s", width).isGreaterThanOrEqualTo(-0.5);
            assertThat(all.right()).as("width %s", width).isLessThanOrEqualTo(width + 0.5);
            assertThat(all.top()).isGreaterThanOrEqualTo(-0.5);
            assertThat(all.bottom()).isLessThanOrEqualTo(engraving.drawing().height());
        }
    }

    /** Several rungs are aligned beat under beat: each note has the same x on every rung of its system. */
    @ParameterizedTest
    @MethodSource("demo")
    void rungsStandBeatUnderBeat(Arrangement arrangement) {
        Engraving engraving = Scores.trellis(arrangement, Set.of(0, 3), 112);
        int notes = arrangement.situation().tune().size();
        // A rung that is open shows the notes of its variations; a folded one its marks over the plain notes.
        Varied open = Varied.of(arrangement.situation().tune(), arrangement.ladder().setting(3));
        assertThat(engraving.zones()).hasSize(notes * (arrangement.ladder().size() - 1) + open.tune().size());
        for (int note = 0; note < notes; note++) {
            Bounds ground = engraving.of(0, note).orElseThrow().area();
            double above = ground.top();
            for (int rung = 1; rung < arrangement.ladder().size(); rung++) {
                Bounds area = engraving.of(rung, note).orElseThrow().area();
                // The room before a head holds the graces of the staves it is spaced with: a varied rung has its own.
                if (rung != 3 || !arrangement.ladder().setting(rung).isVaried()) {
                    assertThat(area.left()).isEqualTo(ground.left());
                    assertThat(area.right()).isEqualTo(ground.right());
                } else if (arrangement.ladder().setting(rung).variationAt(note).isEmpty()) {
                    assertThat(Math.min(area.right(), ground.right()) - Math.max(area.left(), ground.left())).isGreaterThan(1.2);
                }
                assertThat(area.bottom()).isLessThanOrEqualTo(above + 1e-9);
                above = area.top();
            }
        }
    }

    @Test
    void aPointFindsItsNote() {
        Arrangement arrangement = Scores.demo().getFirst();
        Engraving engraving = Scores.trellis(arrangement, Set.of(0, 4), 112);
        for (Engraving.Zone zone : engraving.zones()) {
            Bounds a = zone.area();
            assertThat(engraving.at((a.left() + a.right()) / 2, (a.top() + a.bottom()) / 2)).contains(zone);
        }
        assertThat(engraving.at(-5, -5)).isEmpty();
        assertThat(engraving.of(99, 0)).isEmpty();
    }

    @Test
    void foldedRungsShowAMarkForEachOrnamentAndOpenOnesTheirSigns() {
        Arrangement arrangement = Scores.demo().get(1);
        Engraving folded = Scores.trellis(arrangement, Set.of(0), 112);
        Engraving open = Scores.trellis(arrangement, Set.of(0, 4), 112);
        assertThat(glyphs(folded, "ornamentTurn")).isEmpty();
        assertThat(glyphs(open, "ornamentTurn")).isNotEmpty();
        assertThat(folded.drawing().shapes()).anyMatch(s -> s.ink() == Ink.ROLL);
    }

    @Test
    void theStripCrossesOutWhatTheWhistleLacks() {
        Arrangement grown = Scores.demo().get(6);
        assertThat(crosses(grown)).as("what is grown is put right").isZero();
        Arrangement lowTune = grown.with(new Ladder(grown.ladder().rungs().stream().map(r -> r.with(Setting.BARE)).toList()));
        assertThat(lowTune.situation().plan().missing()).isNotEmpty();
        assertThat(crosses(lowTune)).isEqualTo(2L * lowTune.situation().plan().missing().size());
    }

    private static long crosses(Arrangement arrangement) {
        return Scores.trellis(arrangement, Set.of(0), 112).drawing().shapes().stream().filter(s -> s.ink() == Ink.MISSING).count();
    }

    @Test
    void theStripShowsSixHolesForEachNote() {
        Arrangement arrangement = Scores.arranged(Scores.tune("M:4/4\nL:1/4\nK:D", "DEFG|"));
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(arrangement.version(0), Set.of(0), false, true, 80));
        List<Shape.Disc> holes = engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Disc).map(s -> (Shape.Disc) s).toList();
        assertThat(holes).hasSize(24);
        // D closes six, E five, F sharp four, G three.
        assertThat(holes.stream().filter(Shape.Disc::filled)).hasSize(6 + 5 + 4 + 3);
    }

    @Test
    void anEmptyOrTinyTuneIsStillDrawn() {
        assertThat(Scores.bare(PLAIN, "z|", 40).systems()).hasSize(1);
        assertThat(Scores.bare("M:none\nL:1/8\nK:none", "ABC|", 40).systems()).hasSize(1);
    }
}
