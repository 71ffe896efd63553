package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.setting.Arrangement;
import wildflourish.score.Scores;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

/** Nothing on a stave touches what it does not belong to: no two boxes overlap but those of a note's own parts. */
class CollisionsTest {

    private static final String HARD = "M:4/4\nL:1/8\nQ:1/4=90\nK:D";

    /** Slurs over leaps and beams, ties into slurs, graces under beams, tuplets, chords side by side, endings over high notes, words. */
    private static final List<String> BODIES = List.of(
            "|:\"D\"(D2 f)d (A{g}fec)|\"Em7\"(3EFG \"F#m7b5\"(3ABc (d4-|d2) \"Bb/D\"c\"Gmaj7\"B (ABc)d|1 \"A7sus4\"e8:|2 \"D\"!fermata!f'4 !trill!d4|]",
            "P:A\n(DFAd f2) !roll!A{c}B|{gfg}a2 {b}a{e}f (g{b}f) (e{d}c)|[Q:1/4=60]!segno!\"^slowly and with no hurry\"d2 \"^wait\"e2 \"_here\"f2 .g.a|(d'2 c'2 b2 a2|g2 f2) (e2 d2)|]",
            "(G2 B2 d2 g2|b2 d'2 b2 g2|D2 A,2 D2 F2)|(3(GAB) (3(cde) (3.f.g.a !upbow!b2-|b2 ^a^^f __e=e ^d^c|.B2 .G2 !breath!.E2 z2|]",
            "\"G\"D2 G2 B2 d2|\"Am\"c3 B \"D7\"A2 F2|\nw:Low lies the lan-tern the tide runs a-\n\"G\"G2 B2 \"C\"e2 d2|\"D7\"(c2 A2) \"G\"G4|]\nw:way_ strength-ened by morn-ing__\nw:Up~on the sea~wall through the long win-ter",
            "[M:6/8]\"Am\"{g}a{d}A{e}A {g}a{d}AB|{g}c>d{e}d ({g}e3|{gef}e2)A (cBA)|1 {g}B>c{d}B G3:|2 \"^last\"!downbow!A6|]");

    private static List<Drawn> pages = List.of();

    private static synchronized Stream<Drawn> pages() {
        if (pages.isEmpty()) {
            pages = drawn();
        }
        return pages.stream();
    }

    private static List<Drawn> drawn() {
        List<Drawn> all = new ArrayList<>();
        for (int i = 0; i < BODIES.size(); i++) {
            for (double width : new double[] {62, 112}) {
                all.add(new Drawn("hard tune " + i + " at " + width, Scores.bare(HARD, BODIES.get(i), width)));
            }
        }
        for (String instrument : List.of("whistle-d", "fiddle", "pipes-nine-note", "pipes-bellows-d", "tenor-banjo")) {
            for (Arrangement arrangement : Scores.demoOn(instrument)) {
                Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(arrangement.version(4), Set.of(0, 4), true, false, 112));
                all.add(new Drawn(arrangement.tune().head().title() + " on " + instrument, engraving));
            }
        }
        return all;
    }

    private record Drawn(String name, Engraving engraving) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static boolean isSign(Shape shape) {
        return shape instanceof Shape.Words || shape instanceof Shape.Glyph g && (g.name().startsWith("ornament")
                || g.name().startsWith("fermata") || g.name().startsWith("strings") || g.name().startsWith("breath")
                || g.name().equals("segno") || g.name().equals("coda") || g.name().startsWith("artic")
                || g.name().startsWith("tuplet"));
    }

    private static boolean isMark(Shape shape) {
        // The little marks of a folded rung are drawings of their own.
        return shape instanceof Shape.Glyph || shape instanceof Shape.Words || shape instanceof Shape.Polygon
                || shape instanceof Shape.Bow b && b.x2() - b.x1() > 1.4 || shape instanceof Shape.Line l && l.ink() == Ink.MUSIC;
    }

    private static List<Bounds> shrunk(Shape shape) {
        return shape.boxes().stream().map(b -> b.grown(-Math.min(0.05, b.width() / 3), -Math.min(0.05, b.height() / 3))).toList();
    }

    private static boolean touch(List<Bounds> a, List<Bounds> b) {
        return a.stream().anyMatch(x -> b.stream().anyMatch(x::overlaps));
    }

    private static boolean near(Shape a, Shape b) {
        return a.bounds().overlaps(b.bounds());
    }

    private static boolean sameTuplet(Shape a, Shape b) {
        return a instanceof Shape.Glyph g && b instanceof Shape.Glyph h && g.name().startsWith("tuplet") && h.name().startsWith("tuplet");
    }

    @ParameterizedTest
    @MethodSource("pages")
    void signsAndWordsTouchNothing(Drawn drawn) {
        List<Shape> marks = drawn.engraving.drawing().shapes().stream().filter(CollisionsTest::isMark).toList();
        List<String> wrong = new ArrayList<>();
        for (Shape sign : marks) {
            if (isSign(sign)) {
                marks.stream().filter(m -> m != sign && near(m, sign) && !sameTuplet(m, sign) && touch(shrunk(m), shrunk(sign)))
                        .forEach(m -> wrong.add(sign + " touches " + m));
            }
        }
        assertThat(wrong).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("pages")
    void tiesAndSlursTouchNothingBetweenTheirEnds(Drawn drawn) {
        List<Shape> marks = drawn.engraving.drawing().shapes().stream().filter(CollisionsTest::isMark)
                .filter(m -> !(m instanceof Shape.Line l && l.x1() == l.x2() && l.thickness() >= 0.16)).toList();
        List<String> wrong = new ArrayList<>();
        for (Shape shape : marks) {
            if (shape instanceof Shape.Bow bow) {
                List<Bounds> inner = shrunk(bow).subList(1, 15);
                marks.stream().filter(m -> m != bow && near(m, bow)).filter(m -> m instanceof Shape.Bow other
                                ? touch(inner.subList(2, 12), shrunk(other).subList(3, 13)) : touch(inner, shrunk(m)))
                        .forEach(m -> wrong.add(bow + " touches " + m));
            }
        }
        assertThat(wrong).isEmpty();
    }

    /** Heads, accidentals, flags and rests of different notes, small notes and the beams of large ones. */
    @ParameterizedTest
    @MethodSource("pages")
    void notesTouchNoOtherNotes(Drawn drawn) {
        List<Shape> marks = drawn.engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Polygon && s.ink() == Ink.MUSIC
                || s instanceof Shape.Glyph g && (g.name().startsWith("notehead") || g.name().startsWith("accidental")
                        || g.name().startsWith("rest") || g.name().startsWith("flag") || g.name().startsWith("augmentation"))).toList();
        List<String> wrong = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            for (int k = i + 1; k < marks.size(); k++) {
                Shape a = marks.get(i);
                Shape b = marks.get(k);
                boolean beams = a instanceof Shape.Polygon && b instanceof Shape.Polygon;
                if (!beams && !ownFlag(a, b) && near(a, b) && touch(shrunk(a), shrunk(b))) {
                    wrong.add(a + " touches " + b);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    /** The flag of a note, whose stem it hangs from, beside its own head. */
    private static boolean ownFlag(Shape a, Shape b) {
        return a instanceof Shape.Glyph head && head.name().startsWith("notehead") && b instanceof Shape.Glyph flag && flag.name().startsWith("flag")
                && head.scale() == flag.scale() && flag.x() - head.x() < 1.2 && flag.x() >= head.x();
    }

    @Test
    void chordSymbolsOfASystemStandAtOneHeightAboveTheHighestNote() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/8\nK:C", "\"C\"C4 \"F\"f'4|\"G7\"{c'}G4 \"Bb\"C4|]", 112);
        List<Shape.Words> chords = words(engraving, List.of("C", "F", "G7", "B♭"));
        assertThat(chords).hasSize(4).extracting(Shape.Words::y).containsOnly(chords.getFirst().y());
        double highest = engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Glyph g && g.name().startsWith("notehead"))
                .mapToDouble(s -> s.bounds().top()).min().orElseThrow();
        assertThat(chords.getFirst().bounds().bottom()).isLessThan(highest);
    }

    @Test
    void chordSymbolsStandOnceASystemWhereSeveralRungsAreOpen() {
        Arrangement arrangement = Scores.demoOn("whistle-d").get(4);
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(arrangement.version(4), Set.of(0, 2, 4), true, false, 112));
        long written = arrangement.situation().tune().notes().stream().filter(n -> n.note().marks().chord().isPresent()).count();
        assertThat(engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Words w && w.size() == ChordSymbols.SIZE)).hasSize((int) written);
    }

    static List<Shape.Words> words(Engraving engraving, List<String> texts) {
        return engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Words w && texts.contains(w.text()))
                .map(s -> (Shape.Words) s).toList();
    }
}
