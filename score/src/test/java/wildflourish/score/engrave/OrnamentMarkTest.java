package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

class OrnamentMarkTest {

    private final Vocabulary whistle = Vocabulary.of(Family.known("open-hole"));

    /** Within what one instrument can play, no two marks look the same, whatever their colour. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
        "banjo-five-string", "anglo-cg"})
    void everyOrnamentHasAMarkOfItsOwn(String instrument) {
        Map<List<Shape>, String> seen = new HashMap<>();
        for (Ornament ornament : Vocabulary.of(Instruments.known(instrument)).all()) {
            List<Shape> mark = OrnamentMark.at(0, 0, ornament, Ink.MUSIC);
            assertThat(mark).as(ornament.id()).isNotEmpty();
            assertThat(seen.put(mark, ornament.id())).as(ornament.id()).isNull();
            Bounds bounds = Bounds.around(mark);
            assertThat(bounds.height()).as(ornament.id()).isLessThan(1.6);
            assertThat(bounds.width()).as(ornament.id()).isLessThan(OrnamentMark.width(ornament) + 0.8);
        }
    }

    @Test
    void familiesHaveTheirInk() {
        assertThat(OrnamentMark.ink(whistle.known("cut"))).isEqualTo(Ink.CLICK);
        assertThat(OrnamentMark.ink(whistle.known("landing-pop"))).isEqualTo(Ink.CLICK);
        assertThat(OrnamentMark.ink(whistle.known("long-roll"))).isEqualTo(Ink.ROLL);
        assertThat(OrnamentMark.ink(whistle.known("cran"))).isEqualTo(Ink.ROLL);
        assertThat(OrnamentMark.ink(whistle.known("slide"))).isEqualTo(Ink.GLIDE);
        assertThat(OrnamentMark.ink(whistle.known("tongued-triplet"))).isEqualTo(Ink.TONGUE);
        assertThat(OrnamentMark.ink(whistle.known("breath"))).isEqualTo(Ink.BREATH);
    }
}
