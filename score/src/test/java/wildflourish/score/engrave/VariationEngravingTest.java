package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Version;
import wildflourish.formats.abc.AbcReader;
import wildflourish.score.display.Shape;

/** A varied rung on the trellis: other notes, the same beats. */
class VariationEngravingTest {

    private static final String TUNE = "X:1\nT:T\nM:4/4\nL:1/8\nK:D\nA2|D2F2 A4|G2B2 AGFE|D8|\n";

    private static Version version(String instrument, Ladder ladder, int rung) {
        return Arrangement.bare(AbcReader.read(TUNE).tunes().getFirst().tune(), Instruments.known(instrument)).with(ladder).version(rung);
    }

    private static Ladder ladder() {
        Setting varied = Setting.BARE.with(2, "cut").with(new Variation(3, 4, "restate", Variation.parse("A4:1/8 G4:1/8 F#4:1/8 G4:1/8")))
                .with(new Variation(4, 6, "double", Variation.parse("G4:1/8 B4:1/8 G4:1/8 B4:1/8")));
        return new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("some", Setting.BARE.with(2, "cut")), new Rung("varied", varied)));
    }

    private static Engraving engraved(String instrument) {
        return ScoreEngraver.engrave(new ScoreRequest(version(instrument, ladder(), 2), Set.of(0, 2), true, true, 110));
    }

    private static double left(Engraving engraving, int rung, int note) {
        return engraving.of(rung, note).orElseThrow().area().left();
    }

    @Test
    void notesThatSoundTogetherStandUnderOneAnother() {
        Engraving engraving = engraved("fiddle");
        for (int note : List.of(0, 1, 2, 3, 4, 6, 7, 8, 9, 10)) {
            assertThat(left(engraving, 0, note)).as("note " + note).isEqualTo(left(engraving, 2, note), org.assertj.core.data.Offset.offset(1.8));
        }
        // The second note of the doubled pair stands between, where its time is.
        assertThat(left(engraving, 0, 5)).isGreaterThan(left(engraving, 0, 4)).isLessThan(left(engraving, 0, 6));
    }

    @Test
    void everyNoteOfAVariationLeadsBackToTheFirstThatItReplaces() {
        Engraving engraving = engraved("fiddle");
        assertThat(engraving.zones().stream().filter(z -> z.rung() == 2 && z.note() == 3)).hasSize(4);
        assertThat(engraving.zones().stream().filter(z -> z.rung() == 2 && z.note() == 5)).isEmpty();
        assertThat(engraving.zones().stream().filter(z -> z.rung() == 0 && z.note() == 5)).hasSize(1);
    }

    @Test
    void theKindStandsOverTheStretchAndAStrokeOnTheFoldedRung() {
        List<String> words = engraved("fiddle").drawing().shapes().stream().filter(Shape.Words.class::isInstance)
                .map(s -> ((Shape.Words) s).text()).toList();
        assertThat(words).contains("moving figure", "doubled figure");
        Engraving folded = ScoreEngraver.engrave(new ScoreRequest(version("fiddle", ladder(), 0), Set.of(0), true, true, 110));
        Engraving bare = ScoreEngraver.engrave(new ScoreRequest(version("fiddle",
                new Ladder(List.of(ladder().rung(0), ladder().rung(1), ladder().rung(1))), 0), Set.of(0), true, true, 110));
        assertThat(folded.drawing().shapes().size()).isGreaterThan(bare.drawing().shapes().size());
    }

    @Test
    void theStripShowsTheHandsOfTheNotesThatArePlayed() {
        int varied = strip("whistle-d", 2);
        int plain = strip("whistle-d", 0);
        assertThat(varied).isGreaterThan(plain);
        for (String instrument : List.of("fiddle", "tenor-banjo", "anglo-cg", "pipes-nine-note", "recorder-soprano-c")) {
            assertThat(engraved(instrument).drawing().shapes()).isNotEmpty();
        }
    }

    /** How many shapes the strip of a rung adds to the two staves. */
    private static int strip(String instrument, int rung) {
        return ScoreEngraver.engrave(new ScoreRequest(version(instrument, ladder(), rung), Set.of(0, 2), true, true, 110)).drawing().shapes().size()
                - ScoreEngraver.engrave(new ScoreRequest(version(instrument, ladder(), 0), Set.of(0, 2), true, false, 110)).drawing().shapes().size();
    }

    @Test
    void theBarsAreAsWideAsTheFullerVersionWants() {
        Engraving engraving = engraved("fiddle");
        List<Double> lefts = engraving.zones().stream().filter(z -> z.rung() == 2 && z.system() == 0).map(z -> z.area().left()).toList();
        for (int i = 1; i < lefts.size(); i++) {
            assertThat(lefts.get(i) - lefts.get(i - 1)).isGreaterThan(1.2);
        }
    }
}
