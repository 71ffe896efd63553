package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.MeterFinder;
import wildflourish.core.writing.Played;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.door.TuneFiles;

/** The meter of every demo tune is heard from its notes alone, played a little unevenly. */
class MeterOfTheDemoTest {

    static Stream<Tune> tunes() throws IOException {
        try (var in = MeterOfTheDemoTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            return TuneFiles.read(in.readAllBytes()).tunes().stream().map(BookTune::tune).filter(t -> !t.head().meter().isFree());
        }
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void itIsHeard(Tune tune) {
        Random random = new Random(11);
        Timeline line = Timeline.of(tune);
        double first = line.note(0).onset().toDouble();
        List<Played> notes = line.notes().stream().filter(n -> !n.heldOver()).map(n -> {
            double at = n.onset().toDouble() - first + random.nextGaussian() * 0.004;
            return new Played(Math.max(0, at), at + n.note().length().toDouble(), n.pitch().midi());
        }).toList();
        Meter said = tune.head().meter();
        // One bar of 12/8 is heard as two of 6/8, two bars of 2/4 as one of 4/4.
        Meter heard = said.equals(Meter.of(12, 8)) ? Meter.of(6, 8) : said.barLength().equals(Ratio.of(1, 2)) || said.barLength().equals(Ratio.ONE) ? Meter.of(4, 4) : said;
        assertThat(MeterFinder.find(notes)).as(tune.title()).isEqualTo(heard);
    }
}
