package wildflourish.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.door.TuneFiles;

/** Every bare demo tune is heard to be the same after it was written as MIDI and read, at three tempi. */
class MidiOfTheDemoTest {

    @ParameterizedTest
    @ValueSource(ints = {60, 100, 130})
    void theBareTuneReadsBack(int percent) throws IOException {
        byte[] book;
        try (var in = MidiOfTheDemoTest.class.getResourceAsStream("/wildflourish/app/demo/marram-strand.abc")) {
            book = in.readAllBytes();
        }
        for (BookTune read : TuneFiles.read(book).tunes()) {
            Tempo tempo = TuneType.tempoOf(read.tune().head()).percent(percent);
            Arrangement bare = new Arrangement(read.tune(), Instruments.known("none"), tempo, Speeds.level(Speeds.USUAL), School.USUAL, Ladder.bare());
            Tune back = TuneFiles.read(Exports.bytes(bare, 0, Exports.Format.MIDI)).tunes().getFirst().tune();
            assertThat(heard(back)).as(read.tune().title()).isEqualTo(heard(read.tune()));
            assertThat(back.title()).isEqualTo(read.tune().title());
            assertThat(back.head().key().fifths()).isEqualTo(read.tune().head().key().fifths());
        }
    }

    /** When each note sounds, how long and how high, repeats played out. */
    private static List<String> heard(Tune tune) {
        List<String> heard = new ArrayList<>();
        Ratio at = Ratio.ZERO;
        Ratio held = Ratio.ZERO;
        for (int bar : PlayOrder.of(tune)) {
            for (Element element : tune.bars().get(bar).elements()) {
                if (element instanceof Note note) {
                    held = held.plus(note.length());
                    if (!note.tied()) {
                        heard.add(at.plus(note.length()).minus(held) + " for " + held + " " + note.pitch() + (note.marks().graces().isEmpty() ? "" : " after " + note.marks().graces()));
                        held = Ratio.ZERO;
                    }
                }
                at = at.plus(element.length());
            }
        }
        return heard;
    }
}
