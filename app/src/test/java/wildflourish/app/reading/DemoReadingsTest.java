package wildflourish.app.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.reading.Traps;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.book.BookTune;

/** Every demo tune as a teacher reads it from the page; the readings were made by hand. */
class DemoReadingsTest {

    /** One tune's reading as written down by hand. */
    record ByHand(String head, List<String> phrases, List<String> traps) {
        @Override
        public String toString() {
            return head;
        }
    }

    private static String resource(String name) {
        try (InputStream in = DemoReadingsTest.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    static Stream<ByHand> readings() {
        List<ByHand> all = new ArrayList<>();
        for (String line : resource("demo-readings.txt").split("\n")) {
            if (line.startsWith("tune ")) {
                all.add(new ByHand(line.substring(5), new ArrayList<>(), new ArrayList<>()));
            } else if (line.startsWith("trap ")) {
                all.getLast().traps().add(line.substring(5));
            } else if (!line.startsWith("#")) {
                all.getLast().phrases().add(line);
            }
        }
        return all.stream();
    }

    private static Timeline tune(int number) {
        List<BookTune> tunes = AbcReader.read(resource("/wildflourish/app/demo/marram-strand.abc")).tunes();
        return Timeline.of(tunes.stream().map(BookTune::tune).filter(t -> t.head().number() == number).findFirst().orElseThrow());
    }

    @ParameterizedTest
    @MethodSource("readings")
    void isReadAsByHand(ByHand byHand) {
        String[] head = byHand.head().split("\\s*\\|\\s*");
        Timeline timeline = tune(Integer.parseInt(head[0]));
        Reading reading = Reading.of(timeline);
        String missing = reading.tonality().missing().isEmpty() ? "-"
                : String.join(" ", reading.tonality().missing().stream().map(String::valueOf).toList());
        String outside = reading.tonality().outside().isEmpty() ? "-"
                : String.join(" ", reading.tonality().outside().keySet()).replace(" sharp", "#");
        assertThat(List.of(head[0], reading.type(), reading.form(), reading.tonality().key().orElseThrow().spoken(),
                String.valueOf(reading.tonality().degrees().size()), missing, outside)).containsExactly(head);
        List<Passage> found = reading.passages().stream().filter(p -> !p.phrase().again()).toList();
        List<String> told = IntStream.range(0, found.size()).mapToObj(i -> {
            Passage passage = found.get(i);
            Phrase phrase = passage.phrase();
            String like = passage.sameAs().map(s -> " " + passage.likeness().kind().id() + " "
                    + reading.passages().get(s).phrase().name()).orElse("");
            boolean open = i < byHand.phrases().size() && byHand.phrases().get(i).endsWith("?");
            return "%s %d-%d%s".formatted(phrase.name(), reading.firstBar(phrase), reading.lastBar(phrase),
                    open ? " ?" : like);
        }).toList();
        assertThat(told).containsExactlyElementsOf(byHand.phrases());
        Situation nobody = Situation.of(timeline, Instruments.known("none"), School.USUAL);
        assertThat(Traps.of(reading, nobody).stream()
                .map(t -> timeline.note(t.note()).barNumber() + " " + t.kind())).containsExactlyElementsOf(byHand.traps());
    }
}
