package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/** A version that somebody else plays is taken down from what perfect ears hear of it, and the ladder leads up to it. */
class PlayersVersionTest {

    private static final Tune TUNE = Tunes.of(Meter.of(4, 4), Tunes.d(), "|: D5:3 E5 F#5:3 A5 | B5:3 A5 F#5:2 E5:2 | D5:4 G5:3 F#5 | E5:2 A5:2 F#5:4 :|");
    private static final Map<Integer, List<String>> PLAYED = Map.of(2, List.of("long-roll"), 6, List.of("cut"), 8, List.of("cut"));

    private static Setting setting(Map<Integer, List<String>> ornaments) {
        return new Setting(new TreeMap<>(ornaments));
    }

    private static Arrangement with(Rung... rungs) {
        return Arrangement.bare(TUNE, Instruments.known("whistle-d")).with(Tempo.parse("1/4=100")).with(new Ladder(List.of(rungs)));
    }

    private static Heard heard() {
        Version theirs = with(new Rung("bare", Setting.BARE), new Rung("theirs", setting(PLAYED))).version(1);
        return Ideal.of(Expectations.perform(theirs, theirs.played().placed()), 5);
    }

    @Test
    void whatIsHeardOnEachNoteIsTheSetting() {
        Version bare = with(new Rung("bare", Setting.BARE)).version(0);
        assertThat(PlayersVersion.setting(bare, HeardVersion.of(bare, heard()))).isEqualTo(setting(PLAYED));
    }

    /** The rungs below keep what the player plays too; what differs no more falls away. */
    @Test
    void theLadderLeadsUpToIt() {
        Version ours = with(new Rung("bare", Setting.BARE), new Rung("first", setting(Map.of(4, List.of("cut")))),
                new Rung("more", setting(Map.of(4, List.of("cut"), 6, List.of("cut")))), new Rung("full", setting(Map.of(4, List.of("cut"), 6, List.of("cut"), 11, List.of("cut"))))).version(3);
        Ladder ladder = PlayersVersion.ladder(ours, HeardVersion.of(ours, heard()), "as played");
        assertThat(ladder.rungs()).extracting(Rung::name).containsExactly("bare", "more", "as played");
        assertThat(ladder.setting(1)).isEqualTo(setting(Map.of(6, List.of("cut"))));
        assertThat(ladder.setting(2)).isEqualTo(setting(PLAYED));
    }

    @Test
    void theWholeIsCounted() {
        Version full = with(new Rung("bare", Setting.BARE), new Rung("full", setting(Map.of(2, List.of("long-roll"), 4, List.of("cut"), 6, List.of("cut"))))).version(1);
        HeardVersion played = HeardVersion.of(full, heard());
        Account account = Account.of(full, played);
        // Each note comes twice.
        assertThat(account.spoken().meant()).isEqualTo(6);
        assertThat(account.spoken().came()).isEqualTo(4);
        assertThat(account.silent()).isEqualTo(Map.of("cut", 2));
        assertThat(account.inWords()).contains("It is in D major at crotchet = 100, in tune with A = 440.", "28 of 28 notes were heard; the gaps between them vary by 0 %.",
                "4 of 6 ornaments spoke.", "Most often missing: cut (twice).");
    }
}
