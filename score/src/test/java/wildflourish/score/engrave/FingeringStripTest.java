package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.score.Scores;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

class FingeringStripTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static Engraving strip(Instrument instrument, Aids aids, String notes) {
        Version version = Arrangement.bare(Scores.tune("M:4/4\nL:1/8\nK:D", notes), instrument).version(0);
        return ScoreEngraver.engrave(new ScoreRequest(version, Set.of(0), false, true, aids, 100));
    }

    private static List<String> words(Engraving engraving) {
        return engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Words)
                .map(s -> ((Shape.Words) s).text()).toList();
    }

    /** The pictures of neighbouring quavers do not run into each other, on any instrument. */
    @ParameterizedTest
    @MethodSource("instruments")
    void neighboursKeepTheirDistance(Instrument instrument) {
        Engraving engraving = strip(instrument, Aids.NONE, "GABc dcBA|G2 A2 B2 c2|");
        List<Bounds> counters = engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Disc d && d.y() > 6)
                .map(Shape::bounds).toList();
        assertThat(counters).isNotEmpty();
        for (Bounds a : counters) {
            for (Bounds b : counters) {
                double middle = Math.abs((a.left() + a.right()) / 2 - (b.left() + b.right()) / 2);
                boolean sameRow = Math.abs(a.top() - b.top()) < 0.2;
                if (sameRow && middle > 0.2) {
                    assertThat(middle).isGreaterThanOrEqualTo((a.width() + b.width()) / 2 - 0.05);
                }
            }
        }
    }

    @Test
    void theFiddleShowsFingersWedgesAndBows() {
        Engraving engraving = strip(Instruments.known("fiddle"), Aids.NONE, "DEFG ABcd|");
        assertThat(words(engraving)).contains("E", "A", "D", "G", "0", "1", "2", "3", "bow");
        assertThat(engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Glyph g && g.name().startsWith("strings"))).hasSize(8);
        assertThat(engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Polygon p && p.points().size() == 3)).hasSize(2);
    }

    @Test
    void theBoxShowsOneBarForEachStretchOfTheBellows() {
        Engraving engraving = strip(Instruments.known("melodeon-dg"), Aids.NONE, "D2F2 A2d2|E2G2 B2c2|");
        assertThat(words(engraving)).contains("bellows", "finger", "3", "4", "5", "6");
        long arrows = engraving.drawing().shapes().stream()
                .filter(s -> s instanceof Shape.Polygon p && p.points().size() == 3).count();
        assertThat(arrows).isEqualTo(4);
    }

    @Test
    void breathAndAirAreMarked() {
        Engraving breath = strip(Instruments.known("flute-d"), new Aids(Set.of(1), Set.of(3), Set.of(), true), "DEFG|");
        assertThat(breath.drawing().shapes().stream().filter(s -> s.ink() == Ink.BREATH && s instanceof Shape.Glyph))
                .hasSize(2);
        Engraving air = strip(Instruments.known("anglo-cg"), new Aids(Set.of(), Set.of(), Set.of(2), true), "DEFG|");
        assertThat(words(air)).contains("air");
    }

    @Test
    void aNoteThatIsNotThereIsCrossed() {
        Engraving engraving = strip(Instruments.known("pipes-nine-note"), Aids.NONE, "GAFc|");
        assertThat(engraving.drawing().shapes().stream().filter(s -> s.ink() == Ink.MISSING)).hasSize(2);
    }
}
