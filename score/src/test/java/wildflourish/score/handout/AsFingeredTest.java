package wildflourish.score.handout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.fit.Fingered;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.score.Scores;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Shape;

/** A part for one who reads what the fingers do: a B flat whistle beside a fiddle (common practice: C minor is E minor fingering). */
class AsFingeredTest {

    private static final SheetContents FINGERED = SheetContents.USUAL.with(SheetItem.AS_FINGERED, true);

    private static Arrangement on(Instrument instrument) {
        return Arrangement.bare(Scores.tune("M:3/4\nL:1/4\nK:Cm", "CEG|c2G|FED|C3|]"), instrument);
    }

    private static List<String> words(List<Drawing> pages) {
        return pages.stream().flatMap(d -> d.shapes().stream()).filter(Shape.Words.class::isInstance).map(s -> ((Shape.Words) s).text()).toList();
    }

    private static List<Shape> stave(List<Drawing> pages) {
        return pages.getFirst().shapes().stream().filter(s -> !(s instanceof Shape.Words)).toList();
    }

    /** The notes are those of the tune written in E minor for a D whistle, and the head says both keys. */
    @Test
    void thePartIsWrittenInTheFingeredKey() {
        Arrangement heard = on(Instruments.known("whistle-bb"));
        List<Drawing> pages = Handout.of(heard.version(0), FINGERED).pages();
        assertThat(String.join(" ", words(pages))).contains("in C minor, written as it is fingered, in E minor");
        Arrangement inE = Fingered.read(heard.version(0)).arrangement();
        assertThat(inE.tune().head().key().spoken()).isEqualTo("E minor");
        List<Drawing> byHand = Handout.of(Arrangement.bare(inE.tune(), Instruments.known("whistle-d")).version(0), SheetContents.USUAL).pages();
        assertThat(stave(pages)).isEqualTo(stave(byHand));
    }

    /** Without it the part is written as it sounds, with the fingered key beside; for a fiddle there is nothing to say. */
    @Test
    void otherwiseBothKeysAreNamed() {
        assertThat(String.join(" ", words(Handout.of(on(Instruments.known("whistle-bb")).version(0), SheetContents.USUAL).pages()))).contains("in C minor, E minor fingering");
        assertThat(String.join(" ", words(Handout.of(on(Instruments.known("fiddle")).version(0), FINGERED).pages()))).contains("in C minor · fiddle");
    }
}
