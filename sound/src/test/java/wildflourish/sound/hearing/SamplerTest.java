package wildflourish.sound.hearing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.hearing.Heard;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.setting.Version;
import wildflourish.sound.Pieces;

/**
 * What an independent sampler played (FluidSynth with the sound font FluidR3 GM by F. Wen, both free; tools/record-sampler.py made the files), each note early or late by chance: by the
 * measure of the field (MIREX, note tracking), a note counts when its onset is within 50 ms and its pitch within 50 cents.
 */
class SamplerTest {

    private static final String MUSIC = "D3E F3A|B3A F2E2|d4 g3f|e2a2 f4|d3B A3F|G2E2 F2D2|E3A c3e|d4 D4|";

    private static final Map<String, Score> SCORES = new HashMap<>();

    @TempDir
    private Path folder;

    private InputStream resource(String name) {
        return java.util.Objects.requireNonNull(SamplerTest.class.getResourceAsStream("/wildflourish/sound/sampler/" + name), name);
    }

    private record Truth(double ms, int midi) {}

    private List<Truth> truth(String instrument) throws IOException {
        try (InputStream in = resource(instrument + ".tsv")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().map(l -> l.split("\t")).map(l -> new Truth(Double.parseDouble(l[0]), Integer.parseInt(l[1]))).toList();
        }
    }

    private float[] samples(String instrument) throws IOException {
        Path file = Files.createTempFile(folder, instrument, ".flac");
        try (InputStream in = resource(instrument + ".flac")) {
            Files.copy(in, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        }
        try (Audio audio = new Resampled(Recording.open(file), 16_000.0 / Ears.RATE)) {
            float[][] all = new float[1][20 * Ears.RATE];
            return Arrays.copyOf(all[0], audio.read(all));
        }
    }

    private record Score(int right, int pitched, int found, int all) {

        double notes() {
            return 2.0 * right / (all + found);
        }

        double pitches() {
            return (double) pitched / all;
        }

        Score with(Score other) {
            return new Score(right + other.right, pitched + other.pitched, found + other.found, all + other.all);
        }
    }

    private Score score(String instrument) throws IOException {
        if (!SCORES.containsKey(instrument)) {
            SCORES.put(instrument, listen(instrument));
        }
        return SCORES.get(instrument);
    }

    private Score listen(String instrument) throws IOException {
        List<Truth> truth = truth(instrument);
        Heard heard = Ears.listen(Samples.mono(samples(instrument), Ears.RATE), s -> { }, () -> false);
        Version bare = Pieces.arrangement(instrument, "M:4/4\nL:1/8\nK:D", MUSIC, "1/4=150", Map.of()).version(0);
        HeardVersion played = HeardVersion.of(bare, heard);
        assertThat(played.semitones()).isZero();
        Score score = new Score(0, 0, 0, truth.size());
        for (HeardVersion.Note note : played.notes()) {
            Truth made = truth.get(note.wanted().note());
            assertThat(note.wanted().midi()).isEqualTo(made.midi());
            boolean found = note.onsetMs().isPresent();
            boolean pitched = found && Math.abs(note.cents()) <= 50;
            boolean near = note.onsetMs().filter(ms -> Math.abs(ms - made.ms()) <= 50).isPresent();
            score = score.with(new Score(near && pitched ? 1 : 0, pitched ? 1 : 0, found ? 1 : 0, 0));
        }
        return score;
    }

    /** The bow of this fiddle swells for a tenth of a second while the note before still rings: some of its notes are taken for later than 50 ms. */
    @ParameterizedTest
    @CsvSource({"whistle-d, 0.98, 1", "flute-d, 0.92, 1", "recorder-soprano-c, 0.98, 1", "fiddle, 0.8, 1", "accordion-bc, 0.98, 1", "tenor-banjo, 0.95, 0.96", "mandolin, 0.98, 1"})
    void whatAnotherSynthesiserPlaysIsHeard(String instrument, double notes, double pitches) throws IOException {
        Score score = score(instrument);
        assertThat(score.notes()).isGreaterThanOrEqualTo(notes);
        assertThat(score.pitches()).isGreaterThanOrEqualTo(pitches);
    }

    @Test
    void ofAllOfThemNineteenNotesOfTwentyAreHeard() throws IOException {
        Score all = new Score(0, 0, 0, 0);
        for (String instrument : List.of("whistle-d", "flute-d", "recorder-soprano-c", "fiddle", "accordion-bc", "tenor-banjo", "mandolin")) {
            all = all.with(score(instrument));
        }
        assertThat(all.notes()).isGreaterThanOrEqualTo(0.95);
        assertThat(all.pitches()).isGreaterThanOrEqualTo(0.99);
    }
}
