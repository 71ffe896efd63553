package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tempo;
import wildflourish.sound.Ear;
import wildflourish.sound.Pieces;
import wildflourish.sound.cue.Cueing;
import wildflourish.sound.transport.Piece;

/**
 * What our own voices play, with noise, in a room, out of tune and too fast, is found again: by the measure of the field (MIREX, note tracking), a note counts when its onset is
 * within 50 ms and its pitch within 50 cents.
 */
class HearingTest {

    private static final String MUSIC = "D3E F3A|B3A F2E2|d4 g3f|e2a2 f4|d3B A3F|G2E2 F2D2|E3A c3e|d4 D4|";
    private static final Map<Integer, List<String>> WIND = Map.of(0, List.of("cut"), 2, List.of("short-roll"), 4, List.of("tap"), 7, List.of("slide"), 8, List.of("long-roll"),
            12, List.of("cut"), 14, List.of("tonguing"), 17, List.of("tap"), 19, List.of("cut"), 22, List.of("tap"));
    private static final Map<Integer, List<String>> FIDDLE = Map.of(0, List.of("cut"), 2, List.of("touch"), 4, List.of("cut"), 7, List.of("slide"), 8, List.of("long-roll"),
            12, List.of("cut"), 17, List.of("touch"), 19, List.of("cut"), 24, List.of("slide"));
    /** Every note 20 ms early or late by chance, and the tempo 5 % up and down again. */
    private static final MadeUpStudent UNEVEN = new MadeUpStudent(20, 0.05, 0, 30, 11);
    /** Half a second before the music. */
    private static final double LEAD_MS = 500;

    private record Rendering(float[] samples, double cents, double tempo) {}

    private static Piece moved(Piece piece, DoubleUnaryOperator moments) {
        return new Piece(piece.version(), piece.performance(), piece.played(), piece.lilt(), Cueing.of(piece.situation(), piece.performance(), moments), piece.voice());
    }

    private static Rendering rendering(Piece piece, double snr, String harm) {
        float[] dry = Pieces.samples(piece);
        float[] samples = new float[dry.length + Ear.frame(LEAD_MS)];
        System.arraycopy(dry, 0, samples, Ear.frame(LEAD_MS), dry.length);
        double cents = 0;
        double tempo = 1;
        Random random = new Random(7);
        switch (harm) {
            case "room" -> {
                // A hundred echoes within 300 ms, ever weaker.
                float[] wet = samples.clone();
                for (int echo = 0; echo < 100; echo++) {
                    int delay = 300 + random.nextInt(14_000);
                    float gain = (float) (0.12 * Math.exp(-3.0 * delay / 14_000) * (random.nextBoolean() ? 1 : -1));
                    for (int i = delay; i < wet.length; i++) {
                        wet[i] += gain * samples[i - delay];
                    }
                }
                samples = wet;
            }
            case "sharp", "flat" -> {
                cents = harm.equals("sharp") ? 35 : -35;
                samples = ShiftTest.all(new Shift(1, cents).of(Samples.mono(samples, Ear.RATE)));
            }
            case "fast", "slow" -> {
                tempo = harm.equals("fast") ? 1.05 : 0.95;
                samples = ShiftTest.all(new Shift(tempo, 0).of(Samples.mono(samples, Ear.RATE)));
            }
            default -> { }
        }
        double power = 0;
        for (float sample : samples) {
            power += sample * sample / samples.length;
        }
        double noise = Math.sqrt(power / Math.pow(10, snr / 10));
        for (int i = 0; i < samples.length; i++) {
            samples[i] += (float) (noise * random.nextGaussian());
        }
        return new Rendering(samples, cents, tempo);
    }

    @ParameterizedTest
    @CsvSource({"whistle-d, 30, dry, 0.98, 0.92", "whistle-d, 20, dry, 0.97, 0.85", "whistle-d, 10, dry, 0.93, 0", "whistle-d, 30, room, 0.98, 0.85", "whistle-d, 30, sharp, 0.98, 0.85",
            "whistle-d, 30, flat, 0.98, 0.85", "whistle-d, 30, fast, 0.98, 0.8", "whistle-d, 30, slow, 0.98, 0.8", "flute-d, 30, dry, 0.98, 0.92", "recorder-alto-f, 30, dry, 0.98, 0.85",
            "fiddle, 30, dry, 0.98, 0.92", "fiddle, 20, dry, 0.97, 0.85", "fiddle, 30, room, 0.95, 0.7", "anglo-cg, 30, dry, 0.98, 0", "mandolin, 30, dry, 0.98, 0", "tenor-banjo, 30, dry, 0.98, 0",
            "pipes-bellows-d, 30, dry, 0.98, 0", "pipes-nine-note, 20, dry, 0.98, 0", "melodeon-dg, 30, dry, 0.98, 0", "whistle-d, 30, uneven, 0.98, 0.85", "fiddle, 30, uneven, 0.97, 0.8",
            "pipes-bellows-d, 30, uneven, 0.98, 0"})
    void whatWasPlayedIsHeard(String instrument, double snr, String harm, double onsets, double gestures) {
        Map<Integer, List<String>> ornaments = gestures == 0 ? Map.of() : instrument.equals("fiddle") ? FIDDLE : WIND;
        Arrangement arrangement = Pieces.arrangement(instrument, "M:4/4\nL:1/8\nK:D", MUSIC, "1/4=150", ornaments);
        Piece piece = Piece.of(arrangement, 1, Tempo.parse("1/4=150"), Lilt.STRAIGHT);
        DoubleUnaryOperator moments = harm.equals("uneven") ? UNEVEN.moments(piece.performance()) : DoubleUnaryOperator.identity();
        Rendering rendering = rendering(moved(piece, moments), snr, harm);
        HeardVersion heard = HeardVersion.of(arrangement.version(1), EarsTest.listen(rendering.samples(), Ear.RATE));
        int right = 0;
        int found = 0;
        Map<String, int[]> told = new HashMap<>();
        for (HeardVersion.Note note : heard.notes()) {
            double truth = (LEAD_MS + moments.applyAsDouble(note.wanted().atMs())) / rendering.tempo();
            found += note.onsetMs().isPresent() ? 1 : 0;
            right += note.onsetMs().filter(at -> Math.abs(at - truth) <= 50 && Math.abs(note.cents()) <= 50).isPresent() ? 1 : 0;
            told.computeIfAbsent(note.meant(), m -> new int[3])[0]++;
            told.computeIfAbsent(note.gesture(), m -> new int[3])[1]++;
            if (note.meant().equals(note.gesture())) {
                told.get(note.meant())[2]++;
            }
        }
        assertThat(2.0 * right / (found + heard.notes().size())).as("onsets and pitches").isGreaterThanOrEqualTo(onsets);
        assertThat(heard.semitones()).isZero();
        assertThat(heard.tuningCents()).isCloseTo(rendering.cents(), within(5.0));
        assertThat(heard.tempo()).isCloseTo(rendering.tempo(), within(harm.equals("uneven") ? 0.05 : 0.01));
        if (gestures > 0) {
            int[] sum = new int[3];
            told.forEach((gesture, counts) -> {
                if (!gesture.equals("none")) {
                    for (int i = 0; i < 3; i++) {
                        sum[i] += counts[i];
                    }
                }
            });
            assertThat(2.0 * sum[2] / (sum[0] + sum[1])).as("gestures; heard otherwise: %s", heard.notes().stream().filter(n -> !n.meant().equals(n.gesture())).toList())
                    .isGreaterThanOrEqualTo(gestures);
        }
    }
}
