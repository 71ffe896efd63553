package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Sound;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;

class PlayedOutTest {

    private static final Tempo TEMPO = Tempo.parse("1/4=120");
    private static final String REPEATED = "D5 E5 |: F#5:2 G5:2 A5:2 B5:2 | [1 A5:4 D5:2 E5:2 :| [2 A5:8 |";

    private static PlayedOut played(String music) {
        return PlayedOut.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), music)), TEMPO);
    }

    @Test
    void itAgreesWithWhatIsPerformed() {
        Situation situation = Tunes.whistle(REPEATED);
        Performance performance = Realiser.perform(situation, Map.of(), TEMPO, Speeds.level("expert"));
        PlayedOut out = PlayedOut.of(situation.tune(), TEMPO);
        assertThat(out.durationMs()).isCloseTo(performance.durationMs(), within(1e-6));
        Expected expected = Expected.of(performance, out, new PlayedOut.Span(Ratio.ZERO, out.length()), Lilt.STRAIGHT);
        assertThat(expected.onsets().stream().map(Expected.Onset::atMs).toList()).isEqualTo(
                performance.melody().stream().map(Sound::atMs).toList());
        assertThat(expected.onsets().get(2).pulse()).as("after two quavers of pickup, the first of a beat").isEqualTo(1);
    }

    @Test
    void barsComeInTheOrderHeard() {
        assertThat(played(REPEATED).bars()).extracting(PlayedOut.Heard::bar).containsExactly(0, 1, 2, 1, 3);
        assertThat(played(REPEATED).bars().getFirst().leadIn()).isEqualTo(Ratio.of(3, 4));
    }

    @Test
    void momentsAndPositionsAreEachOthersInverse() {
        PlayedOut out = played(REPEATED);
        for (double position = 0; position < out.length().toDouble(); position += 0.037) {
            assertThat(out.positionAt(out.msAt(position))).isCloseTo(position, within(1e-12));
        }
        assertThat(out.msAt(Ratio.of(1, 4))).isEqualTo(500);
    }

    @Test
    void beatsOfAPickupAreThoseThatItReaches() {
        List<PlayedOut.Beat> beats = played(REPEATED).beats();
        assertThat(beats.getFirst().strength()).as("the fourth beat").isEqualTo(1);
        assertThat(beats.get(1).atMs()).isEqualTo(500);
        assertThat(beats.get(1).strength()).isEqualTo(3);
    }

    @Test
    void aStretchIsFoundWhereItIsHeardFirstAndNeverAcrossARepeat() {
        PlayedOut out = played(REPEATED);
        assertThat(out.span(2, 6, Ratio.ZERO)).hasValue(new PlayedOut.Span(Ratio.of(1, 4), Ratio.of(5, 4)));
        assertThat(out.span(2, 6, Ratio.ONE)).as("the second time").hasValue(new PlayedOut.Span(Ratio.of(9, 4), Ratio.of(13, 4)));
        assertThat(out.span(6, 10, Ratio.ZERO)).as("first and second ending never follow one another").isEmpty();
        assertThat(out.span(3, 3, Ratio.ZERO)).isEmpty();
    }

    @Test
    void aLiltMovesPulsesAndNeverBeats() {
        PlayedOut out = played("D5 E5 F#5 G5 A5 B5 A5 G5 |");
        var dotted = Lilt.byId("dotted").over(out);
        for (PlayedOut.Beat beat : out.beats()) {
            assertThat(dotted.applyAsDouble(beat.atMs())).isCloseTo(beat.atMs(), within(1e-9));
        }
        // Two to one in a beat of 500 ms: the second quaver comes after two thirds of it.
        assertThat(dotted.applyAsDouble(250)).isCloseTo(1000 / 3.0, within(1e-9));
        assertThat(dotted.applyAsDouble(125)).as("in between in proportion").isCloseTo(500 / 3.0, within(1e-9));
        assertThat(Lilt.STRAIGHT.over(out).applyAsDouble(123.4)).isEqualTo(123.4);
    }
}
