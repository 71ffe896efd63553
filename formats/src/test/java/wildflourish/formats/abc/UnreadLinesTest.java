package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Tempo;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** What a document says that this program does not understand is told, kept word for word, and written back. */
@Isolated
class UnreadLinesTest {

    private static final String TUNE = "X:1\nT:The Tide Clock\nR:jig\nM:6/8\nL:1/8\n%sK:G\n|:D|G3 BAG|A3 cBA|B2d gfd|edB AFD:|\n";
    private static final String LADDER = "I:flourish instrument whistle-d\nI:flourish rung 0 bare\nI:flourish rung 1 more\n"
            + "I:flourish place 1 cut from 1\n";

    private static BookTune read(String instructions) {
        return AbcReader.read(TUNE.formatted(instructions)).tunes().getFirst();
    }

    private static List<String> findings(String instructions) {
        return AbcReader.read(TUNE.formatted(instructions)).findings().stream().map(f -> f.what()).toList();
    }

    @AfterEach
    void noInstrumentsOfOnesOwn() {
        Instruments.own(List.of());
    }

    @Test
    void whatANewerProgramWroteIsStillThereAfterAnEdit() {
        String newer = "I:flourish mood  dark   and light\nI:flourish place 2 moon-turn from 1\nI:flourish at glass-harp 3 rim 4\n"
                + "I:flourish elsewhere glass-harp rung 0 bare\n";
        assertThat(findings(LADDER + newer)).hasSize(4).anyMatch(f -> f.contains("'mood' is not known"))
                .anyMatch(f -> f.contains("moon-turn")).anyMatch(f -> f.contains("glass-harp"));
        Arrangement edited = read(LADDER + newer).arrangement().orElseThrow().with(Tempo.parse("3/8=77"));
        String written = AbcWriter.write(edited, 1);
        assertThat(written).contains("I:flourish mood  dark   and light\n").contains("I:flourish elsewhere whistle-d place 2 moon-turn from 1\n")
                .contains("I:flourish at glass-harp 3 rim 4\n").contains("I:flourish elsewhere glass-harp rung 0 bare\n");
        Arrangement again = AbcReader.read(written).tunes().getFirst().arrangement().orElseThrow();
        assertThat(again).isEqualTo(edited);
        assertThat(AbcWriter.write(again, 1)).isEqualTo(written);
    }

    @Test
    void theLadderOfAnInstrumentThatIsGoneIsThereAgainWhenTheInstrumentIs() {
        Instrument own = Instruments.parse("own", Instruments.write(Instruments.known("whistle-d"))
                .replace("\"whistle-d\"", "\"my-whistle\"").replace("\"D whistle\"", "\"my whistle\""));
        Instruments.own(List.of(own));
        Arrangement before = read(LADDER.replace("whistle-d", "my-whistle") + "I:flourish density 1 4 1\n").arrangement().orElseThrow();
        assertThat(before.ladder().setting(1).at(1)).containsExactly("cut");
        String document = AbcWriter.write(before, 0);

        Instruments.own(List.of());
        TuneBook gone = AbcReader.read(document);
        assertThat(gone.findings()).anyMatch(f -> f.what().contains("no instrument 'my-whistle'") && f.remedy().contains("kept"));
        Arrangement without = gone.tunes().getFirst().arrangement().orElseThrow();
        assertThat(without.instrument().hasHands()).isFalse();
        assertThat(without.ladder()).isEqualTo(Ladder.bare());
        String kept = AbcWriter.write(without.with(Tempo.parse("3/8=60")), 0);

        Instruments.own(List.of(own));
        Arrangement back = AbcReader.read(kept).tunes().getFirst().arrangement().orElseThrow();
        assertThat(back.ladderOn(own)).contains(before.ladder());
        assertThat(back.unread()).isEmpty();
    }

    @Test
    void aLadderWhoseRungsAreNotNamedIsKeptWithTheTune() {
        BookTune tune = read("I:flourish instrument whistle-d\nI:flourish rung 3 high\nI:flourish place 1 cut from 3\n");
        assertThat(tune.arrangement()).isEmpty();
        assertThat(AbcWriter.write(tune.tune(), tune.unread())).contains("I:flourish rung 3 high\n").contains("I:flourish place 1 cut from 3\n");
    }

    @Test
    void anInstrumentThatIsGoneIsRememberedThoughItsLadderHadNoRungs() {
        String tune = "X:1\nT:Gone\nM:4/4\nL:1/8\nI:flourish instrument kazoo\nI:flourish tempo 1/2=96\nK:D\nFAdf afdA|d8|]\n";
        Arrangement without = AbcReader.read(tune).tunes().getFirst().arrangement().orElseThrow();

        assertThat(without.unread()).containsExactly("elsewhere kazoo rung 0 bare");
        assertThat(AbcReader.read(AbcWriter.write(without, 0)).tunes().getFirst().arrangement()).contains(without);
    }
}
