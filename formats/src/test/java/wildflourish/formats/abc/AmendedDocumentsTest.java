package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Amendment;
import wildflourish.formats.book.BookTune;

/** A tune of any type put right on any instrument is a document like any other: written and read back equal. */
class AmendedDocumentsTest {

    private static final List<String> TUNES = List.of(
            "R:reel\nM:4/4\nL:1/8\nK:G\n|:G2BG dGBd|edBd gedB|(3ABA GA BAGE|D2EG A4:|\n",
            "R:jig\nM:6/8\nL:1/8\nK:Edor\n|:E2B BAF|~E3 GFE|B2d e2f|gfe dBA:|\nw:one two three four five six sev-en\n",
            "R:waltz\nM:3/4\nL:1/8\nK:D\nFG|\"D\"A4 d2|\"G\"B3A G2|1 \"A\"E4 FG:|2 \"D\"D6|]\n",
            "R:slip jig\nM:9/8\nL:1/8\nK:Am\nA2e e2d BGB|A3 c3 e2d|\n",
            "R:slow air\nM:3/4\nL:1/8\nK:Gm\nd2-|d2 c>B A2|{c}B4 G2|D6|]\n");

    static Stream<Instrument> instruments() {
        return Instruments.all().stream().filter(Instrument::hasHands);
    }

    private static Tune tune(String text) {
        return AbcReader.read("X:1\nT:Put right\n" + text).tunes().getFirst().tune();
    }

    @ParameterizedTest
    @MethodSource("instruments")
    void whatFollowsAnEditIsWrittenAndReadBackEqual(Instrument instrument) {
        Random random = new Random(instrument.id().hashCode());
        for (int tune = 0; tune < 2; tune++) {
            String text = TUNES.get(random.nextInt(TUNES.size()));
            Arrangement bare = Arrangement.bare(tune(text), instrument);
            Arrangement before = bare.with(new Grower(bare.situation(), bare.tempo(), bare.speeds(), Taste.of(bare.situation())).grow().ladder());
            for (int turn = 0; turn < 2; turn++) {
                Tune changed = tune(edited(text, random));
                Amendment amendment = Amendment.of(before, changed);
                assertThat(amendment.arrangement().tune()).isEqualTo(changed);
                BookTune back = AbcReader.read(AbcWriter.write(amendment.arrangement(), 0)).tunes().getFirst();
                assertThat(back.arrangement()).as("%s: %s", instrument.id(), text).contains(amendment.arrangement());
                assertThat(amendment.left()).allSatisfy(l -> assertThat(l.why()).isNotBlank());
            }
        }
    }

    /** Another letter, one more note or one fewer somewhere in the music. */
    private static String edited(String text, Random random) {
        int music = text.indexOf('\n', text.indexOf("K:")) + 1;
        int at;
        do {
            at = music + random.nextInt(text.length() - music);
        } while ("ABDEGabdeg".indexOf(text.charAt(at)) < 0 || text.indexOf("w:") > 0 && at > text.indexOf("w:") || text.lastIndexOf('"', at) >= 0
                && text.substring(music, at).chars().filter(c -> c == '"').count() % 2 == 1);
        String letter = String.valueOf("ABDEGabdeg".charAt(random.nextInt(10)));
        return switch (random.nextInt(3)) {
            case 0 -> text.substring(0, at) + letter + text.substring(at + 1);
            case 1 -> text.substring(0, at) + letter + text.substring(at);
            default -> text.substring(0, at) + "z" + text.substring(at + 1);
        };
    }
}
