package wildflourish.sound.transport;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.sound.Pieces;
import wildflourish.sound.voice.Voice;
import wildflourish.sound.wave.Wav;

/** The room is measured as rooms are: a knock, and how its energy dies away. */
class ReverberationTest {

    /** Backward integration (M. R. Schroeder, J. Acoust. Soc. Am. 37, 1965), from −5 to −35 dB, as ISO 3382-2 has it. */
    @Test
    void aKnockDiesAwayInTheTimeThatIsSaid() {
        float[] wet = new float[Voice.RATE];
        float[] knock = new float[Voice.RATE];
        knock[0] = 1;
        new Reverberation().add(knock, wet, 0, knock.length);
        double[] left = new double[wet.length + 1];
        for (int i = wet.length - 1; i >= 0; i--) {
            left[i] = left[i + 1] + wet[i] * wet[i];
        }
        double seconds = 2.0 * (below(left, -35) - below(left, -5)) / Voice.RATE;
        // High sounds go sooner, and a knock has as many of them as of low ones.
        assertThat(seconds).isBetween(0.6 * Reverberation.SECONDS, 1.02 * Reverberation.SECONDS);
        assertThat(left[Reverberation.RINGS]).isLessThan(left[0] * 1e-6);
        assertThat(Math.sqrt(left[0])).as("it stays behind the knock").isBetween(0.1, 0.4);
    }

    private static int below(double[] left, double db) {
        int i = 0;
        while (left[i] > left[0] * Math.pow(10, db / 10)) {
            i++;
        }
        return i;
    }

    /** Blocks of any size sound alike, and what comes back does not come back at once. */
    @Test
    void blocksOfAnySizeSoundAlike() {
        float[] dry = new float[20_000];
        for (int i = 0; i < 2_000; i++) {
            dry[i] = (float) Math.sin(0.1 * i);
        }
        float[] whole = new float[dry.length];
        new Reverberation().add(dry, whole, 0, dry.length);
        float[] pieces = new float[dry.length];
        Reverberation room = new Reverberation();
        for (int at = 0; at < dry.length; at += 625) {
            room.add(java.util.Arrays.copyOfRange(dry, at, at + 625), pieces, at, 625);
        }
        assertThat(pieces).isEqualTo(whole);
        for (int i = 0; i < 1_000; i++) {
            assertThat(whole[i]).isZero();
        }
    }

    /** In a room a tune is hardly louder, rings on behind its end, and is over in the end. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "tenor-banjo", "anglo-cg"})
    void aTuneRingsOnAndIsOver(String instrument) {
        Piece piece = Pieces.on(instrument, "A2 d2 f2 a2|");
        List<Leg> legs = List.of(Leg.heard(piece, piece.whole()));
        float[] dry = Wav.samples(Course.of(Itinerary.once(legs, Backing.NONE)));
        float[] wet = Wav.samples(Course.of(Itinerary.once(legs, Backing.USUAL)));
        float[] walls = wet.clone();
        for (int i = 0; i < walls.length; i++) {
            walls[i] -= dry[i];
        }
        assertThat(10 * Math.log10(power(wet) / power(dry))).isBetween(-1.2, 1.2);
        assertThat(10 * Math.log10(power(walls) / power(dry))).as("what comes back, beside what comes straight").isBetween(-17.0, -5.0);
        Playback playback = new Playback(Course.of(Itinerary.once(legs, Backing.USUAL)));
        float[] block = new float[Voice.RATE];
        int seconds = 0;
        while (!playback.isDone()) {
            java.util.Arrays.fill(block, 0);
            playback.render(block, 0, block.length);
            seconds++;
            assertThat(seconds).isLessThan(20);
        }
        for (int i = Voice.RATE - 100; i < Voice.RATE; i++) {
            assertThat(Math.abs(block[i])).as("silent when it is over").isLessThan(2e-3f);
        }
    }

    private static double power(float[] samples) {
        double power = 0;
        for (float sample : samples) {
            power += sample * sample;
        }
        return power;
    }
}
