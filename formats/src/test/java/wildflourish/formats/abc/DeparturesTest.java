package wildflourish.formats.abc;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import wildflourish.core.growth.Departures;
import wildflourish.core.growth.Grower;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Tempo;

/** What an earlier edition was otherwise, in words. */
class DeparturesTest {

    private static Arrangement grown(String instrument) {
        Arrangement bare = Arrangement.bare(AbcReader.read("X:1\nT:Slack Water\nR:jig\nM:6/8\nL:1/8\nQ:3/8=100\nK:D\n"
                + "|:DFA d2A|Bcd AFD|GFG EFG|AFD D3:|\n").tunes().getFirst().tune(), Instruments.known(instrument));
        return bare.with(Grower.of(bare, java.util.List.of()).grow().ladder());
    }

    @Test
    void theSameDepartsInNothing() {
        assertThat(Departures.of(grown("whistle-d"), grown("whistle-d"), 3)).isEmpty();
    }

    @Test
    void tempoInstrumentAndNotesAreNamed() {
        Arrangement now = grown("whistle-d");
        assertThat(Departures.of(now, now.with(Tempo.parse("3/8=80")), 3)).containsExactly("tempo dotted crotchet = 80");
        assertThat(Departures.of(now, grown("fiddle"), 0)).contains("on the fiddle");
        int note = now.ladder().setting(5).byNote().keySet().iterator().next();
        Ladder ladder = now.ladder();
        for (String id : now.ladder().setting(5).at(note)) {
            ladder = ladder.lift(5, note, id);
        }
        assertThat(Departures.of(now, now.with(ladder), 5)).first().asString().startsWith("without ");
        assertThat(Departures.of(now.with(ladder), now, 5)).first().asString().startsWith("with ");
        assertThat(Departures.of(now, now.with(ladder), 0)).containsExactly("other rungs differ, or their names");
    }
}
