package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
}
