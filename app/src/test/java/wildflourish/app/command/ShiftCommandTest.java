package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.sound.hearing.Recording;

/** A recording slowed and moved on the command line. */
class ShiftCommandTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path recording;

    @BeforeEach
    void aRecording() throws Exception {
        Path tune = Files.writeString(folder.resolve("one.abc"), "X:1\nT:One\nM:4/4\nL:1/8\nK:D\nD2FA d4|\n");
        recording = folder.resolve("one.wav");
        assertThat(run("convert", tune, recording, "--instrument", "whistle-d")).isZero();
    }

    private static int frames(Path file) {
        try (Recording read = Recording.open(file)) {
            float[][] block = new float[read.channels()][1 << 20];
            return read.read(block);
        }
    }

    @Test
    void halfTheTempoLastsTwiceAsLong() {
        Path slow = folder.resolve("slow.wav");
        assertThat(run("shift", recording, slow, "--tempo", "50%", "--semitones", "-2", "--cents", "12")).isZero();
        assertThat((double) frames(slow)).isCloseTo(2.0 * frames(recording), within(3.0));
        assertThat(run("shift", recording, slow)).isEqualTo(1);
        assertThat(err.toString()).contains("there is a file already", "--force");
        assertThat(run("shift", recording, recording, "--force")).isEqualTo(1);
        assertThat(err.toString()).contains("what it is made from is there itself");
    }

    @ParameterizedTest
    @CsvSource({"2, 10%, 0, 0, 25 to 200", "2, fast, 0, 0, like 75%", "2, 100%, 13, 0, 12 semitones", "2, 100%, 0, NaN, 12 semitones"})
    void aWrongCallIsTold(int status, String tempo, String semitones, String cents, String words) {
        assertThat(run("shift", recording, folder.resolve("out.wav"), "--tempo", tempo, "--semitones", semitones, "--cents", cents)).isEqualTo(status);
        assertThat(err.toString()).contains(words);
        assertThat(folder.resolve("out.wav")).doesNotExist();
    }

    @Test
    void whatIsNoRecordingIsTold() {
        assertThat(run("shift", folder.resolve("one.abc"), folder.resolve("out.wav"))).isEqualTo(1);
        assertThat(err.toString()).contains("one.abc: this is no recording that can be read: WAV, AIFF, FLAC and MP3 are");
        assertThat(run("shift", recording, folder.resolve("out.mp3"))).isEqualTo(2);
        assertThat(err.toString()).contains(".wav");
    }

    /** A WAV file of a second's tone, or of nothing. */
    private Path wave(int rate, int frames) throws java.io.IOException {
        byte[] samples = new byte[2 * frames];
        for (int i = 0; i < frames; i++) {
            short value = (short) (12_000 * Math.sin(2 * Math.PI * 587.33 * i / rate));
            samples[2 * i] = (byte) value;
            samples[2 * i + 1] = (byte) (value >> 8);
        }
        Path file = folder.resolve(rate + "-" + frames + ".wav");
        AudioFormat format = new AudioFormat(rate, 16, 1, true, false);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples), format, frames), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    @ParameterizedTest
    @ValueSource(ints = {4_000, 5_512, 8_000, 22_050, 44_100, 96_000, 192_000, 384_000, 768_000})
    void everyRateIsHeard(int rate) throws Exception {
        Path file = wave(rate, rate);
        assertThat(run("shift", file, folder.resolve("out.wav"), "--semitones", "1")).isZero();
        Path tune = Files.writeString(folder.resolve("d.abc"), "X:1\nT:One\nM:4/4\nL:1/8\nK:D\nd8|\n");
        assertThat(run("listen", file, "--tune", tune, "--instrument", "whistle-d")).as(err.toString()).isZero();
        assertThat(run("takedown", file, folder.resolve("down.abc"))).as(err.toString()).isLessThanOrEqualTo(1);
        assertThat(err.toString()).doesNotContain("went wrong");
    }

    @ParameterizedTest
    @ValueSource(ints = {1_000, 1_536_000})
    void aRateThatCannotBeHeardIsRefusedInWords(int rate) throws Exception {
        Path file = wave(rate, 2_000);
        assertThat(run("shift", file, folder.resolve("out.wav"))).isEqualTo(1);
        assertThat(err.toString()).contains("4000 to 768000 can");
    }

    @Test
    void aFileWithoutSoundIsTold() throws Exception {
        assertThat(run("shift", wave(48_000, 0), folder.resolve("out.wav"))).isEqualTo(1);
        assertThat(err.toString()).contains("48000-0.wav: there is no sound in it");
        assertThat(folder.resolve("out.wav")).doesNotExist();
    }
}
