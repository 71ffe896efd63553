package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;

class OrnamentMarkTest {

    private final Vocabulary whistle = Vocabulary.of(Family.OPEN_HOLE);

    @Test
    void everyOrnamentHasAMarkOfItsOwn() {
        Set<List<Shape>> marks = new HashSet<>();
        for (Ornament ornament : whistle.all()) {
            List<Shape> mark = OrnamentMark.at(0, 0, ornament);
            assertThat(mark).as(ornament.id()).isNotEmpty();
            assertThat(marks.add(mark)).as(ornament.id()).isTrue();
            Bounds bounds = Bounds.around(mark);
            assertThat(bounds.height()).isLessThan(1.6);
            assertThat(bounds.width()).isLessThan(OrnamentMark.width(ornament) + 0.8);
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
