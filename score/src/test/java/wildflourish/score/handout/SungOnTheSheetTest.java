package wildflourish.score.handout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Tune;
import wildflourish.score.Scores;
import wildflourish.score.display.Shape;

/** The verses that stand behind a tune are printed behind it, a line a line. */
class SungOnTheSheetTest {

    private static List<String> words(SheetContents contents) {
        Tune tune = Scores.tune("M:3/4\nL:1/4\nK:D", "DFA|d2A|FED|D3|]");
        Tune sung = tune.withHead(tune.head().withFields(List.of(new Field('W', "1. The lamp is lit upon the stair"), new Field('W', "and all the boats are in."),
                new Field('W', ""), new Field('W', "2. The tide goes out"))));
        return Handout.of(Arrangement.bare(sung, Instruments.known("whistle-d")).version(0), contents).pages().stream().flatMap(d -> d.shapes().stream())
                .filter(Shape.Words.class::isInstance).map(s -> ((Shape.Words) s).text()).toList();
    }

    @Test
    void versesStandBehindTheMusic() {
        assertThat(words(SheetContents.USUAL)).containsSubsequence("The words", "1. The lamp is lit upon the stair", "and all the boats are in.", "2. The tide goes out");
    }

    @Test
    void aPageOfStepsHasNone() {
        assertThat(words(SheetContents.BY_STEPS)).doesNotContain("The words");
    }
}
