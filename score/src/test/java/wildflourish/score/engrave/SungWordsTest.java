package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.score.Scores;
import wildflourish.score.display.Shape;

/** Words to sing stand under the middle of their notes, with hyphens between syllables and lines where they are held (the textbooks). */
class SungWordsTest {

    private static final String HEAD = "M:4/4\nL:1/4\nK:C";
    private static final String BODY = "CDEF|GABc|\nw:lan-tern low tide__ strength-ened\nw:two verses under one\ncBAG|C4|\nw:all night long she turns";

    private static Shape.Words syllable(Engraving engraving, String text) {
        return CollisionsTest.words(engraving, List.of(text)).getFirst();
    }

    private static List<Shape> heads(Engraving engraving) {
        return engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Glyph g && g.name().startsWith("notehead")).toList();
    }

    @Test
    void syllablesStandUnderTheMiddleOfTheirHeadsAndVersesBelowOneAnother() {
        Engraving engraving = Scores.bare(HEAD, BODY, 112);
        List<Shape> heads = heads(engraving);
        for (int i = 0; i < 3; i++) {
            Shape.Words words = syllable(engraving, List.of("lan", "tern", "low").get(i));
            assertThat(words.x()).isCloseTo((heads.get(i).bounds().left() + heads.get(i).bounds().right()) / 2, within(0.02));
            assertThat(words.bounds().top()).isGreaterThan(heads.get(0).bounds().bottom());
        }
        assertThat(syllable(engraving, "two").y()).isGreaterThan(syllable(engraving, "lan").y() + 1.5);
        assertThat(syllable(engraving, "two").x()).isEqualTo(syllable(engraving, "lan").x());
    }

    @Test
    void aHyphenStandsBetweenTwoSyllablesAndALineUnderWhatIsHeld() {
        Engraving engraving = Scores.bare(HEAD, BODY, 112);
        Shape.Words lan = syllable(engraving, "lan");
        Shape.Words tide = syllable(engraving, "tide");
        List<Shape.Line> beside = engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Line l && l.y1() == l.y2()
                && l.y1() <= lan.y() && l.y1() > lan.y() - 1).map(s -> (Shape.Line) s).toList();
        Shape.Line hyphen = beside.getFirst();
        assertThat((hyphen.x1() + hyphen.x2()) / 2).isCloseTo((lan.bounds().right() + syllable(engraving, "tern").bounds().left()) / 2, within(0.01));
        assertThat(beside).anySatisfy(line -> {
            assertThat(line.x1()).isCloseTo(tide.bounds().right(), within(0.5));
            assertThat(line.x2()).isCloseTo(heads(engraving).get(5).bounds().right(), within(0.05));
        });
    }

    @Test
    void longWordsPushTheirNotesApart() {
        Engraving engraving = Scores.bare("M:4/4\nL:1/16\nK:C", "CDEFGABc CDEFGABc|\nw:through strength breathed scratched straight twelfths squelched", 60);
        List<Shape.Words> words = CollisionsTest.words(engraving, List.of("through", "strength", "breathed", "scratched", "straight", "twelfths", "squelched"));
        assertThat(words).hasSize(7);
        for (int i = 1; i < words.size(); i++) {
            assertThat(words.get(i - 1).bounds().right()).isLessThan(words.get(i).bounds().left());
        }
    }

    @Test
    void wordsStandUnderTheLowestOpenRungOnlyAndFollowItsVariations() {
        var tune = Scores.tune(HEAD, BODY);
        Setting varied = Setting.BARE.with(new Variation(1, 2, "double", Variation.parse("D4:1/8 E4:1/8")));
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("varied", varied)));
        Arrangement arrangement = Arrangement.bare(tune, Instruments.known("fiddle")).with(ladder);
        Engraving both = ScoreEngraver.engrave(new ScoreRequest(arrangement.version(1), Set.of(0, 1), false, false, 112));
        assertThat(CollisionsTest.words(both, List.of("tern"))).hasSize(1);
        Engraving upper = ScoreEngraver.engrave(new ScoreRequest(arrangement.version(1), Set.of(1), false, false, 112));
        List<Shape> heads = heads(upper);
        // The first of the two notes in its place keeps the syllable; the next syllable stands under the note after both.
        assertThat(syllable(upper, "tern").x()).isCloseTo(heads.get(1).bounds().left() + 0.59, within(0.02));
        assertThat(syllable(upper, "low").x()).isCloseTo(heads.get(3).bounds().left() + 0.59, within(0.02));
    }
}
