package wildflourish.sound.voice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.ChartEdits;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Sound;
import wildflourish.sound.Ear;
import wildflourish.sound.Pieces;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Piece;

/** What is heard, measured from the samples. */
class VoicesTest {

    private static final String SCALE = "D2E2 G2A2 B2d2 e2G2|A4 z4|";

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "whistle-low-d", "flute-d", "bamboo-flute-c", "recorder-soprano-c", "recorder-alto-f", "pipes-bellows-d",
            "fiddle", "mandolin", "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48"})
    void everySustainedNoteIsInTuneWithEqualTemperament(String instrument) {
        // ISO 16:1975: A4 = 440 Hz.
        Piece piece = Pieces.on(instrument, SCALE);
        float[] samples = Pieces.samples(piece);
        for (Sound note : piece.performance().melody()) {
            double expected = 440 * Math.pow(2, (note.midi() - 69) / 12.0);
            double heard = Ear.hertz(samples, note.atMs() + 60, note.atMs() + note.forMs() - 30, expected);
            assertThat(Ear.cents(heard, note.midi())).as("%s, MIDI %d", instrument, note.midi()).isCloseTo(0, within(3.0));
        }
    }

    @Test
    void twoReedsThatBeatLieAroundTheNoteTheyStandFor() {
        // Eleven cents apart they beat about once in 0.4 seconds at A4: over some beats their middle is the note.
        Piece piece = Pieces.on("accordion-bc", "A8|-A8|A8-|A8|");
        float[] samples = Pieces.samples(piece);
        double heard = Ear.hertz(samples, 2100, 2100 + 1790, 440);
        assertThat(Math.abs(Ear.cents(heard, 69))).isLessThan(6.0);
        double[] envelope = Ear.envelope(java.util.Arrays.copyOfRange(samples, Ear.frame(300), Ear.frame(1900)), 8);
        double most = java.util.Arrays.stream(envelope).max().orElseThrow();
        double least = java.util.Arrays.stream(envelope, 10, envelope.length - 10).min().orElseThrow();
        assertThat(least).as("they beat").isLessThan(0.6 * most);
    }

    @Test
    void nineNotePipesSoundTheirOwnNotesOverTheDrones() {
        Piece piece = Pieces.on("pipes-nine-note", "M:4/4\nL:1/8\nK:A", "A4 c4|e4 a4|", "1/4=100", Map.of());
        float[] samples = Pieces.samples(piece);
        for (Sound note : piece.performance().melody()) {
            double expected = 440 * Math.pow(2, (note.midi() - 69) / 12.0);
            double heard = Ear.hertz(samples, note.atMs() + 100, note.atMs() + note.forMs() - 80, expected);
            assertThat(Ear.cents(heard, note.midi())).isCloseTo(0, within(3.0));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "bamboo-flute-c", "recorder-soprano-c", "pipes-bellows-d", "pipes-nine-note", "fiddle", "mandolin",
            "tenor-banjo", "banjo-five-string", "anglo-cg", "english-48", "accordion-bc", "melodeon-dg"})
    void allVoicesAreEquallyLoud(String instrument) {
        // EBU R 128 aims at −23 LUFS, measured as ITU-R BS.1770 has it.
        float[] samples = Pieces.samples(Pieces.on(instrument, "A2B2 d2B2 A2B2 d2e2|A4 z4|"));
        assertThat(Ear.loudness(samples, 0, 4000)).isCloseTo(-23, within(2.0));
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "flute-d", "pipes-bellows-d", "fiddle", "mandolin", "tenor-banjo", "anglo-cg", "melodeon-dg"})
    void eachNoteAfterARestBeginsWhereThePerformanceHasIt(String instrument) {
        Piece piece = Pieces.on(instrument, "A2 z2 d2 z2|B2 z2 e2 z2|");
        float[] samples = Pieces.samples(piece);
        for (Sound note : piece.performance().melody()) {
            double before = Ear.level(samples, note.atMs() - 30, note.atMs() - 2);
            // Measured against the note itself: strings ring on into a rest, pipes have drones.
            double[] envelope = Ear.envelope(java.util.Arrays.copyOfRange(samples, Ear.frame(note.atMs()), Ear.frame(note.atMs() + 60)), 3);
            double loud = Ear.level(samples, note.atMs() + 20, note.atMs() + 80) * Math.sqrt(2);
            int risen = 0;
            while (envelope[risen] < 0.25 * loud + before) {
                risen++;
            }
            assertThat(risen).as("%s: milliseconds after %s", instrument, note.atMs()).isLessThanOrEqualTo(5);
            assertThat(before).as("silence, or ringing, or drones, before it").isLessThan(0.62 * loud);
        }
    }

    @Test
    void aCutBendsTheSoundWhereATonguedNoteStartsAnew() {
        // The same two notes, once parted by a cut and once by the tongue.
        float[] cut = Pieces.samples(Pieces.on("whistle-d", "A4 A4|", Map.of(1, List.of("cut"))));
        float[] tongued = Pieces.samples(Pieces.on("whistle-d", "A4 A4|", Map.of()));
        assertThat(least(cut, 960, 1080)).as("the air goes on").isGreaterThan(0.5);
        assertThat(least(tongued, 960, 1080)).as("the tongue stops it").isLessThan(0.2);
        double click = Ear.hertz(cut, 1004, 1028, 560);
        assertThat(click).as("the pitch goes up for the click").isGreaterThan(480);
    }

    /** The lowest point of the envelope against the loudness of the first note. */
    private static double least(float[] samples, int fromMs, int toMs) {
        double[] envelope = Ear.envelope(samples, 4);
        return java.util.Arrays.stream(envelope, fromMs, toMs).min().orElseThrow() / envelope[500];
    }

    @Test
    void aTapDipsWithoutANewStart() {
        Piece piece = Pieces.on("whistle-d", "A4 A4|", Map.of(1, List.of("tap")));
        assertThat(piece.performance().sounds()).anyMatch(s -> s.role().equals("tap"));
        assertThat(least(Pieces.samples(piece), 960, 1080)).isGreaterThan(0.5);
    }

    @Test
    void aSlideRisesAndNeverTurnsBack() {
        Piece piece = Pieces.on("fiddle", "z4 B4|", Map.of(0, List.of("slide")));
        Sound slide = piece.performance().sounds().stream().filter(s -> s.role().equals("slide")).findFirst().orElseThrow();
        float[] samples = Pieces.samples(piece);
        double before = 0;
        double first = 0;
        for (double at = slide.atMs() + 14; at + 14 < slide.atMs() + slide.forMs(); at += 8) {
            double heard = Ear.hertz(samples, at - 14, at + 14, before == 0 ? 475 : before);
            first = first == 0 ? heard : first;
            assertThat(heard).isGreaterThanOrEqualTo(before * 0.9995);
            before = heard;
        }
        assertThat(before).isGreaterThan(first * 1.02);
    }

    @Test
    void aBowChangeIsHeardAndASlurIsNot() {
        float[] changed = Pieces.samples(Pieces.on("fiddle", "e4 f4|", Map.of()));
        float[] slurred = Pieces.samples(Pieces.on("fiddle", "e4 f4|", Map.of(1, List.of("slur"))));
        assertThat(least(changed, 985, 1010)).isLessThan(0.55);
        assertThat(least(slurred, 985, 1010)).isGreaterThan(least(changed, 985, 1010) + 0.2);
    }

    @Test
    void aTrebleIsThreeStrokes() {
        Piece piece = Pieces.on("fiddle", "e2 f2 z4|", Map.of(0, List.of("treble")));
        long strokes = piece.cues().cues().stream().filter(c -> c.kind() == wildflourish.sound.cue.Cue.Kind.ATTACK && c.atMs() < 450).count();
        assertThat(strokes).isEqualTo(3);
        float[] samples = Pieces.samples(piece);
        double[] envelope = Ear.envelope(samples, 5);
        List<Double> starts = piece.cues().cues().stream().filter(c -> c.kind() == wildflourish.sound.cue.Cue.Kind.ATTACK && c.atMs() < 450)
                .map(wildflourish.sound.cue.Cue::atMs).toList();
        for (double start : starts.subList(1, 3)) {
            int at = (int) Math.round(start);
            double dip = java.util.Arrays.stream(envelope, at - 9, at + 3).min().orElseThrow();
            assertThat(dip).as("the bow turns at %d ms", at).isLessThan(0.62 * envelope[at + 30]);
        }
    }

    @Test
    void aHammeredNoteIsSofterThanAStruckOne() {
        Piece struck = Pieces.on("mandolin", "e2 f2 z4|", Map.of());
        Piece hammered = Pieces.on("mandolin", "e2 f2 z4|", Map.of(1, List.of("hammer-on")));
        assertThat(hammered.performance().sounds()).anyMatch(s -> s.role().equals("hammer-on"));
        double hard = Ear.level(Pieces.samples(struck), 500, 560);
        double soft = Ear.level(Pieces.samples(hammered), 600, 660);
        assertThat(soft).isLessThan(0.8 * hard);
        assertThat(soft).as("but it sounds").isGreaterThan(0.05 * hard);
    }

    @Test
    void theBellowsBreatheWhereTheyTurn() {
        // On the C/G box G4 is pushed on the left and A4 pulled: the fingering plan says where it turns.
        Piece piece = Pieces.on("melodeon-dg", "M:4/4\nL:1/8\nK:D", "d4 e4|f4 g4|", "1/4=120", Map.of());
        List<Double> turns = piece.cues().cues().stream().filter(c -> c.kind() == wildflourish.sound.cue.Cue.Kind.TURN).map(wildflourish.sound.cue.Cue::atMs).toList();
        assertThat(turns).isNotEmpty();
        float[] samples = Pieces.samples(piece);
        double[] envelope = Ear.envelope(samples, 4);
        int at = (int) Math.round(turns.getFirst());
        double dip = java.util.Arrays.stream(envelope, at, at + 22).min().orElseThrow();
        assertThat(dip).isLessThan(0.45 * envelope[at - 60]);
    }

    @Test
    void twoStringsRingTogether() {
        Piece piece = Pieces.on("fiddle", "e8|", Map.of(0, List.of("drone")));
        int drone = piece.performance().sounds().stream().filter(s -> s.role().equals("drone")).findFirst().orElseThrow().midi();
        float[] both = Pieces.samples(piece);
        float[] alone = Pieces.samples(Pieces.on("fiddle", "e8|", Map.of()));
        double hertz = 440 * Math.pow(2, (drone - 69) / 12.0);
        assertThat(strength(both, hertz)).isGreaterThan(6 * strength(alone, hertz));
    }

    /** How much of one frequency there is, by correlation with it (Goertzel). */
    private static double strength(float[] samples, double hertz) {
        double re = 0;
        double im = 0;
        for (int i = Ear.frame(300); i < Ear.frame(1700); i++) {
            double window = Math.sin(Math.PI * (i - Ear.frame(300)) / Ear.frame(1400));
            re += window * samples[i] * Math.cos(2 * Math.PI * hertz * i / Ear.RATE);
            im += window * samples[i] * Math.sin(2 * Math.PI * hertz * i / Ear.RATE);
        }
        return Math.hypot(re, im);
    }

    @Test
    void nineNotePipesNeverStop() {
        Piece piece = Pieces.on("pipes-nine-note", "M:4/4\nL:1/8\nK:A", "A2A2 c2c2|e2 z2 e2a2|", "1/4=100", Map.of());
        double[] envelope = Ear.envelope(Pieces.samples(piece), 12);
        double usual = envelope[300];
        for (int ms = 60; ms < piece.performance().durationMs() - 20; ms++) {
            assertThat(envelope[ms]).as("at %d ms", ms).isGreaterThan(0.35 * usual);
        }
        assertThat(piece.cues().cues().stream().filter(c -> c.kind() == wildflourish.sound.cue.Cue.Kind.STOP).count()).isEqualTo(1);
    }

    @Test
    void vibratoWavesAndThenIsStill() {
        Piece piece = Pieces.on("fiddle", "d8|", Map.of(0, List.of("vibrato")));
        float[] samples = Pieces.samples(piece);
        double low = Double.MAX_VALUE;
        double high = 0;
        for (double at = 400; at < 1500; at += 20) {
            double heard = Ear.hertz(samples, at - 15, at + 15, 587.33);
            low = Math.min(low, heard);
            high = Math.max(high, heard);
        }
        assertThat(1200 * Math.log(high / low) / Math.log(2)).isBetween(10.0, 45.0);
    }

    @Test
    void everyInstrumentHasAVoiceOfItsFamilyAndEveryVoiceItsSource() {
        Instruments.all().stream().filter(i -> i.hasHands()).forEach(i -> assertThat(VoiceData.all().stream()
                .anyMatch(v -> v == VoiceData.of(i) && v.id().equals(i.voice()))).as(i.id()).isTrue());
        assertThat(VoiceData.of(Instruments.known("fiddle")).kind()).isEqualTo(VoiceData.Kind.BOWED_STRING);
        assertThat(VoiceData.of(Instruments.known("melodeon-dg")).twoCents()).isPositive();
        assertThat(VoiceData.of(Instruments.known("anglo-cg")).twoCents()).isZero();
        assertThat(VoiceData.all()).allMatch(v -> !v.source().isBlank());
    }

    /** An instrument of one's own sounds as the one it was made after; a document from before instruments had voices as its family. */
    @Test
    void anOwnInstrumentSoundsAsWhatItWasMadeAfter() {
        for (Instrument instrument : Instruments.all()) {
            if (instrument.hasHands()) {
                Instrument own = ChartEdits.another(instrument, "Of The Pier", java.util.Optional.empty()).instrument().orElseThrow();
                assertThat(VoiceData.of(own)).as(instrument.id()).isEqualTo(VoiceData.of(instrument));
                Instrument kept = Instruments.parse("kept", Instruments.write(own));
                assertThat(VoiceData.of(kept)).isEqualTo(VoiceData.of(instrument));
                Instrument older = Instruments.parse("older", Instruments.write(own).replaceFirst("\"voice\"\\s*:\\s*\"[^\"]*\",?", ""));
                assertThat(VoiceData.of(older).kind()).as(instrument.id()).isEqualTo(VoiceData.of(instrument).kind());
            }
        }
    }

    @Test
    void noSampleIsOverFullScaleHoweverMuchSounds() {
        Piece piece = Pieces.on("mandolin", "[Adfa]2[Adfa]2 [Adfa]2[Adfa]2|[Adfa]8|", Map.of(4, List.of("tremolo")));
        float[] samples = Pieces.samples(piece, Backing.NONE.withMetronome(true).with(Backing.Under.DRONE));
        for (float sample : samples) {
            assertThat(Math.abs(sample)).isLessThan(1f);
        }
    }
}
