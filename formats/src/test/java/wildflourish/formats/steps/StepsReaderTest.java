package wildflourish.formats.steps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.TuneBook;

class StepsReaderTest {

    private static TuneBook whistle(String text) {
        return StepsReader.read(text, Instruments.known("whistle-d"));
    }

    @Test
    void aStudentsListBecomesATune() {
        TuneBook book = whistle("""
                T:The Ferry Bell
                M:6/8
                % the first part
                xxx xxx gentle : 2; xxx xxo gentle
                xxx xoo gentle : 3
                | 2 x xxx ooo gentle
                xxx oox gentle : 1/2
                rest : 1/2
                xxo ooo gentle : 3 :|
                """.replace("xxx oox", "xxx ooo"));
        assertThat(book.findings()).isEmpty();
        assertThat(AbcWriter.write(book.tunes().getFirst().tune())).contains("T:The Ferry Bell", "M:6/8").contains("|:D2 E F3 |GGG/2z/2A3 :|");
        assertThat(book.tunes().getFirst().tune().head().key().spoken()).isEqualTo("A dorian");
    }

    @Test
    void whatCannotSoundIsToldByItsLineAndTheRestIsThere() {
        TuneBook book = whistle("xxx ooo gentle\nxox xxq\nxxx xxx : 0\nxxo ooo\n");
        assertThat(book.tunes().getFirst().tune().bars().getFirst().elements()).hasSize(2);
        assertThat(book.findings()).hasSize(2).allSatisfy(f -> assertThat(f.isError()).isTrue());
        assertThat(book.findings().getFirst().line()).isEqualTo(2);
        assertThat(book.findings().getFirst().what()).contains("sounds nothing on the D whistle");
        assertThat(whistle("\n\n").hasErrors()).isTrue();
    }

    static List<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands).toList();
    }

    /** Each instrument's chart, written as a list of steps, is its scale. */
    @ParameterizedTest
    @MethodSource("instruments")
    void theChartOfEveryInstrumentIsReadAsItIsWritten(Instrument instrument) {
        StringBuilder list = new StringBuilder("K:C\n");
        List<Integer> wanted = new ArrayList<>();
        for (Pitch pitch : instrument.layout().pitches()) {
            Optional<String> place = instrument.layout().places(pitch).stream().map(Place::text).filter(t -> sounds(instrument, t) == pitch.midi()).findFirst();
            if (place.isPresent()) {
                list.append(place.get()).append('\n');
                wanted.add(pitch.midi());
            }
        }
        assertThat(wanted).hasSizeGreaterThan(8);
        TuneBook book = StepsReader.read(list.toString(), instrument);
        assertThat(book.findings()).isEmpty();
        assertThat(Timeline.of(book.tunes().getFirst().tune()).notes()).extracting(n -> n.pitch().midi()).isEqualTo(wanted);
    }

    private static int sounds(Instrument instrument, String place) {
        try {
            return instrument.layout().sounds(place);
        } catch (IllegalArgumentException e) {
            return -1;
        }
    }
}
