package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/** Tunes taken in by perfect ears: their notes, lengths, key and metre are those that were played. */
class ByEarTest {

    private static final String REEL = "|: D5:2 A4 B4 A4 F#4 A4 F#4 | G4 B4 A4 F#4 E4 F#4 E4 D4 | F#4:2 A4 F#4 D5 F#4 A4 F#4 | G4 F#4 E4 G4 F#4 D4 D4:2 :|"
            + " |: F#5:2 E5 F#5 D5 F#5 A5 F#5 | G5 F#5 E5 D5 C#5 A4 A4:2 | D5 C#5 B4 A4 B4 G4 E4 G4 | F#4 A4 E4 C#4 D4:4 :|";
    private static final String JIG = "|: G4 B4 D5 G5 F#5 E5 | D5 B4 G4 A4:3 | G4 B4 D5 E5 D5 C5 | B4 A4 F#4 G4:3 :| |: B4 D5 G5 B5 A5 G5 | A5 F#5 D5 E5:3 | C5 E5 A5 G5 E5 C5 | D5 A4 F#4 G4:3 :|";


    private static List<String> notes(Tune tune) {
        Arrangement bare = Arrangement.bare(tune, Instruments.known("none"));
        Performance performance = Realiser.perform(bare.version(0).hands(), Map.of(), bare.tempo(), bare.speeds());
        double unit = bare.tempo().millis(wildflourish.core.tune.Ratio.of(1, 48)).toDouble();
        return performance.melody().stream().map(s -> s.midi() + " " + Math.round(s.forMs() / unit)).toList();
    }

    /** As perfect ears hear it, a frame of 5 ms after another. */
    private static Heard heard(Tune tune) {
        Arrangement bare = Arrangement.bare(tune, Instruments.known("none"));
        return Ideal.of(Realiser.perform(bare.version(0).hands(), Map.of(), bare.tempo(), bare.speeds()), 5);
    }

    @Test
    void aReelIsTakenInWithItsRepeats() {
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), REEL);
        ByEar taken = ByEar.of(heard(tune), "Taken", Optional.of(TuneType.of(tune.head())), Optional.of(0)).orElseThrow();
        assertThat(notes(taken.tune())).isEqualTo(notes(tune));
        assertThat(taken.key()).isEqualTo(tune.head().key());
        assertThat(taken.meter()).as(taken.inWords().toString()).isEqualTo(tune.head().meter());
        assertThat(taken.unsure()).isZero();
    }

    @Test
    void aJigIsTakenInInThrees() {
        Tune tune = Tunes.of(Meter.of(6, 8), Tunes.g(), JIG);
        ByEar taken = ByEar.of(heard(tune), "Taken", Optional.of(TuneType.of(tune.head())), Optional.of(0)).orElseThrow();
        assertThat(notes(taken.tune())).isEqualTo(notes(tune));
    }

    /** Without its type, the metre and the length of a quaver are heard as well, and the octave is that of the stave. */
    @Test
    void whatNobodySaysIsGuessedAndTold() {
        Tune tune = Tunes.of(Meter.COMMON, Tunes.d(), REEL);
        Arrangement high = Arrangement.bare(tune, Instruments.known("whistle-d"));
        Heard heard = Ideal.of(Realiser.perform(high.version(0).hands(), Map.of(), high.tempo(), high.speeds()), 5);
        ByEar taken = ByEar.of(heard, "Taken", Optional.empty(), Optional.empty()).orElseThrow();
        assertThat(notes(taken.tune())).isEqualTo(notes(tune));
        assertThat(taken.tempo().millis(wildflourish.core.tune.Ratio.ONE).toDouble()).isCloseTo(high.tempo().millis(wildflourish.core.tune.Ratio.ONE).toDouble(), withinPercentage(3));
        assertThat(taken.inWords()).anyMatch(w -> w.contains("metre, 4/4"));
    }

    @Test
    void whereNothingSoundsThereIsNoTune() {
        Heard silence = new Heard(5, filled(Float.NaN), filled(-90), new float[400]);
        assertThat(ByEar.of(silence, "None", Optional.empty(), Optional.empty())).isEmpty();
    }

    private static float[] filled(float value) {
        float[] all = new float[400];
        java.util.Arrays.fill(all, value);
        return all;
    }

    /** A grace of 40 ms is no note; a new attack on the same pitch is one. */
    @Test
    void gracesAreLeftOutAndNotesAreNot() {
        Random random = new Random(3);
        float[] midi = new float[600];
        float[] level = filled(-20);
        float[] attack = new float[600];
        float[] loud = new float[600];
        System.arraycopy(level, 0, loud, 0, 400);
        java.util.Arrays.fill(loud, -20);
        for (int f = 0; f < 600; f++) {
            boolean grace = f % 60 >= 20 && f % 60 < 28;
            midi[f] = (f < 300 ? 69 : 71) + (grace ? 3 : 0) + (float) (0.1 * random.nextGaussian());
        }
        attack[150] = 1;
        List<Tone> tones = Tone.of(new Heard(5, midi, loud, attack), ByEar.weights());
        assertThat(tones).extracting(Tone::midi).containsExactly(69, 69, 71);
        assertThat(tones.get(1).fromMs()).isEqualTo(750);
        assertThat(tones.get(2).fromMs()).isBetween(1490.0, 1510.0);
    }
}
