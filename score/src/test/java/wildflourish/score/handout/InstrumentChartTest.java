package wildflourish.score.handout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.font.Outlines;

class InstrumentChartTest {

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static Drawing whole(Instrument instrument) {
        return new InstrumentChart(instrument, instrument.layout().pitches(), Optional.empty()).drawing();
    }

    private static List<String> words(Drawing drawing) {
        return drawing.shapes().stream().filter(s -> s instanceof Shape.Words).map(s -> ((Shape.Words) s).text()).toList();
    }

    /** Every note of the instrument stands on the chart, as often as there are ways to play it. */
    @ParameterizedTest
    @MethodSource("instruments")
    void everyNoteIsOnTheChartAndNothingLeavesThePage(Instrument instrument) {
        Drawing drawing = whole(instrument);
        long heads = drawing.shapes().stream()
                .filter(s -> s instanceof Shape.Glyph g && g.name().equals("noteheadBlack")).count();
        assertThat(heads).isGreaterThanOrEqualTo(instrument.layout().pitches().size());
        assertThat(drawing.shapes()).allSatisfy(s -> {
            assertThat(s.bounds().left()).isGreaterThanOrEqualTo(0);
            double right = s instanceof Shape.Words w && w.anchor() == Shape.Anchor.START
                    ? w.x() + Outlines.width(w.text(), w.face(), w.size()) : s.bounds().right();
            assertThat(right).isLessThanOrEqualTo(drawing.width() - 3);
            assertThat(s.bounds().bottom()).isLessThanOrEqualTo(drawing.height());
        });
        assertThat(drawing.shapes()).noneMatch(s -> s.ink() == Ink.MISSING);
    }

    @Test
    void aWindChartShowsEachFingeringAsItsHoles() {
        Instrument whistle = Instruments.known("whistle-d");
        Drawing drawing = new InstrumentChart(whistle, List.of(Pitch.parse("C5")), Optional.of("One Note")).drawing();
        int ways = whistle.layout().places(Pitch.parse("C5")).size();
        assertThat(drawing.shapes().stream().filter(s -> s instanceof Shape.Disc)).hasSize(6 * ways);
        assertThat(words(drawing)).contains("D whistle: the notes of One Note");
    }

    @Test
    void aBoxShowsBothNotesOfEveryButton() {
        Drawing drawing = whole(Instruments.known("melodeon-dg"));
        assertThat(words(drawing)).contains("F#4", "G4", "A3", "E6");
        assertThat(drawing.shapes().stream().filter(s -> s instanceof Shape.Disc d && !d.filled() && d.radius() > 1.5))
                .hasSize(21);
    }

    @Test
    void aPlaceIsAPictureOfItsOwn() {
        Instrument fiddle = Instruments.known("fiddle");
        Drawing drawing = new InstrumentChart(fiddle, List.of(Pitch.parse("A4")), Optional.empty()).drawing();
        assertThat(words(drawing)).contains("0", "4");
        assertThat(fiddle.layout().places(Pitch.parse("A4"))).anyMatch(p -> p instanceof Place.Stopped s && s.isOpen());
    }

    @Test
    void theChartPrints() {
        assertThat(new InstrumentChart(Instruments.known("english-48"),
                Instruments.known("english-48").layout().pitches(), Optional.empty()).pdf()).startsWith("%PDF".getBytes());
    }
}
