package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.door.TuneFiles;
import wildflourish.formats.musicxml.MusicXmlReader;
import wildflourish.formats.musicxml.MusicXmlWriter;

/** Every demo tune on every rung is valid MusicXML 4.0 and the same after it was written and read. */
class MusicXmlOfTheDemoTest {

    @Test
    void everyRungReadsBackEqual() throws IOException {
        byte[] book;
        try (var in = MusicXmlOfTheDemoTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            book = in.readAllBytes();
        }
        String[] hands = {"whistle-d", "fiddle", "pipes-bellows-d", "accordion-bc", "recorder-alto-f", "tenor-banjo"};
        List<BookTune> tunes = TuneFiles.read(book).tunes();
        for (BookTune read : tunes) {
            Arrangement arrangement = read.arrangement().orElseGet(() -> Documents.grown(read, Instruments.known(hands[tunes.indexOf(read) % hands.length])));
            for (int rung = 0; rung < arrangement.ladder().size(); rung++) {
                Version version = arrangement.version(rung);
                Tune page = Spelling.spelled(version.hands(), version.varied().setting());
                byte[] written = MusicXmlWriter.write(page);
                assertThat(MusicXmlSchema.faults(written)).as(page.title() + " on rung " + rung).isEmpty();
                TuneBook back = MusicXmlReader.read(written);
                assertThat(back.findings()).isEmpty();
                assertThat(AbcWriter.write(asDrawn(back.tunes().getFirst().tune()))).as(page.title() + " on rung " + rung).isEqualTo(AbcWriter.write(asDrawn(page)));
            }
        }
    }

    @Test
    void aScoreThatTheSchemaForbidsWouldBeFound() throws IOException {
        String score = new String(MusicXmlWriter.write(TuneFiles.read("X:1\nT:The Lamp Stair\nM:2/4\nL:1/8\nK:D\nDF Ad|]\n".getBytes(StandardCharsets.UTF_8)).tunes().getFirst().tune()), StandardCharsets.UTF_8);
        assertThat(MusicXmlSchema.faults(score.replaceFirst("<step>D</step>", "<step>H</step>").getBytes(StandardCharsets.UTF_8))).anyMatch(f -> f.contains("'H'"));
    }

    /** The tune with the spaces only that end a beam, and the signs of a note in one order: otherwise nothing of them is to be seen. */
    private static Tune asDrawn(Tune tune) {
        List<Bar> bars = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>(bar.elements());
            for (int i = 0; i < elements.size(); i++) {
                if (elements.get(i) instanceof Note note) {
                    boolean beams = isShort(note) && i + 1 < elements.size() && elements.get(i + 1) instanceof Note next && isShort(next);
                    List<String> signs = note.marks().decorations().stream().sorted().toList();
                    elements.set(i, note.withGapAfter(!beams || note.gapAfter()).withMarks(note.marks().withDecorations(signs)));
                }
            }
            bars.add(bar.withElements(elements));
        }
        return tune.withBars(bars);
    }

    private static boolean isShort(Note note) {
        return note.writtenLength().isLess(Ratio.of(1, 4));
    }
}
