package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

class ReliefTest {

    private static final Speeds FLUENT = Speeds.level("fluent");

    private static Optional<Relief> relief(Situation situation, int count, String... ids) {
        return Relief.of(situation, 0, new Setting(new TreeMap<>(Map.of(0, List.of(ids)))), Tempo.parse("1/4=" + count),
                FLUENT);
    }

    @Test
    void aCleanNoteNeedsNone() {
        assertThat(relief(Tunes.whistle("G4:2 A4"), 100, "short-roll")).isEmpty();
        assertThat(relief(Tunes.whistle("G4:2 A4"), 100)).isEmpty();
    }

    /** A quaver at crotchet = 270 lasts 111 ms; a pulse of the roll wants 120, the cut on its crotchet has 222. */
    @Test
    void aRollThatIsTooFastBecomesACut() {
        Relief relief = relief(Tunes.whistle("G4:2 A4"), 270, "short-roll").orElseThrow();
        assertThat(relief.first().id()).isEqualTo("short-roll");
        assertThat(relief.simpler().orElseThrow().id()).isEqualTo("cut");
        assertThat(relief.after()).isInstanceOf(Verdict.Clean.class);
        assertThat(relief.inWords()).isEqualTo("take a cut for the short roll, then clean up to crotchet = 500");
    }

    /** Slide 85, stroke 65: 150 ms where the treble's first stroke has 136 at crotchet = 110; without the slide it is clean. */
    @Test
    void ofAStackThatPartGoesFirstWhichFreesTheRest() {
        Relief relief = relief(Tunes.on("fiddle", "B4:2 A4"), 110, "slide", "drone", "treble").orElseThrow();
        assertThat(relief.first().id()).isEqualTo("slide");
        assertThat(relief.simpler()).isEmpty();
        assertThat(relief.after()).isInstanceOf(Verdict.Clean.class);
        assertThat(relief.inWords()).startsWith("give up the slide first");
    }
}
