package wildflourish.sound.voice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.sound.Ear;
import wildflourish.sound.Loudness;
import wildflourish.sound.Pieces;

/** No instrument of a mixed class drowns another: the same tune is as loud on each (ITU-R BS.1770-4), and peaks below full scale. */
class LoudnessTest {

    private static final double LUFS = -23;

    /** The standard's own check (ITU-R BS.2217): a sine of 997 Hz at −20 dB below full scale is at −23.0 LUFS in one channel. */
    @Test
    void aSineIsAsLoudAsTheStandardSays() {
        float[] sine = new float[10 * Ear.RATE];
        for (int i = 0; i < sine.length; i++) {
            sine[i] = (float) (0.1 * Math.sin(2 * Math.PI * 997 * i / Ear.RATE));
        }
        assertThat(Loudness.of(sine)).isCloseTo(-23.0, within(0.1));
    }

    @Test
    void everyInstrumentIsAsLoud() {
        for (Instrument instrument : Instruments.all()) {
            if (instrument.hasHands()) {
                float[] samples = Pieces.samples(Pieces.on(instrument.id(), "D3E F3A|B3A F2E2|d4 A3B|A2F2 E4|"));
                float peak = 0;
                for (float sample : samples) {
                    peak = Math.max(peak, Math.abs(sample));
                }
                assertThat(Loudness.of(samples)).as(instrument.id()).isCloseTo(LUFS, within(1.0));
                assertThat(peak).as(instrument.id()).isLessThan(0.9f);
            }
        }
    }
}
