package wildflourish.score.engrave;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.score.Scores;
import wildflourish.score.display.Shape;

/** Endings of a system stand at one height, that of the highest: textbook practice. */
class EndingsTest {

    /** The horizontal lines over a stave, which are those of endings. */
    private static List<Shape.Line> brackets(String body) {
        var engraving = Scores.bare("M:4/4\nL:1/8\nK:C", body, 120);
        double top = engraving.drawing().shapes().stream().filter(Shape.Line.class::isInstance).map(Shape.Line.class::cast)
                .filter(l -> l.y1() == l.y2() && l.x2() - l.x1() > 60).mapToDouble(Shape.Line::y1).min().orElseThrow();
        return engraving.drawing().shapes().stream().filter(Shape.Line.class::isInstance).map(Shape.Line.class::cast)
                .filter(l -> l.y1() == l.y2() && l.y1() < top - 0.5 && l.x2() - l.x1() > 5).toList();
    }

    @Test
    void aLowFirstEndingRisesToAHighSecondOne() {
        List<Shape.Line> lines = brackets("|:CDEF GABc|1 C4 C4:|2 c'4 e'4|]");
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0).y1()).isEqualTo(lines.get(1).y1());
        List<Shape.Line> low = brackets("|:CDEF GABc|1 C4 C4:|2 C4 E4|]");
        assertThat(low.get(0).y1()).isEqualTo(low.get(1).y1());
    }

    @Test
    void aHighNoteStillLiftsThem() {
        double plain = height("|:CDEF GABc|1 C4 C4:|2 C4 E4|]");
        assertThat(height("|:CDEF GABc|1 C4 C4:|2 c'4 e'4|]")).isGreaterThan(plain);
    }

    private static double height(String body) {
        return Scores.bare("M:4/4\nL:1/8\nK:C", body, 120).drawing().height();
    }
}
