package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.growth.Grower;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;

/** Notes that stand in for those that an instrument has not got, decorated, come back from a file on every rung that is shown. */
class StandInsTest {

    private static final String LOW = "X:1\nT:The Low Road Round\nR:reel\nM:4/4\nL:1/8\nK:G\n|:DG|B,2DG B,GDB,|A,B,CD E2FG|B2dB ABGE|D2CB, G,2:|\n|:ga|b2gb a2fa|gedB (3ABA GE|DB,G,A, B,CDE|D2CB, G,2:|\n";

    private static Arrangement grown(String instrument) {
        Tune tune = AbcReader.read(LOW).tunes().getFirst().tune();
        Arrangement bare = Arrangement.bare(tune, Instruments.known(instrument));
        return bare.with(Grower.of(bare, List.of()).grow().ladder());
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "whistle-f", "flute-d", "recorder-alto-f", "pipes-bellows-d", "pipes-nine-note", "tenor-banjo", "melodeon-dg"})
    void whatStandsInComesBack(String instrument) {
        Arrangement grown = grown(instrument);
        for (int shown = 0; shown < grown.ladder().size(); shown++) {
            String text = AbcWriter.write(grown, shown);
            assertThat(AbcReader.read(text).tunes().getFirst().arrangement().orElseThrow()).as("%s, rung %d shown", instrument, shown).isEqualTo(grown);
        }
    }

    @Test
    void somethingStandsIn() {
        assertThat(grown("whistle-d").ladder().setting(0).standIns()).isNotEmpty();
        assertThat(grown("whistle-d").ladder().setting(5).byNote().keySet()).anyMatch(n -> grown("whistle-d").ladder().setting(5).variationAt(n).isPresent());
    }
}
