package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was played, heard on the command line. */
class ListenCommandTest extends CommandLineTest {

    @TempDir
    Path folder;

    private Path tune;
    private Path recording;

    @BeforeEach
    void aRecording() throws Exception {
        tune = Files.writeString(folder.resolve("one.abc"), "X:1\nT:The Slip\nR:reel\nM:4/4\nL:1/8\nK:D\n|:D3E F3A|B3A F2E2|d4 g3f|e2a2 f4:|\n");
        recording = folder.resolve("one.wav");
        assertThat(run("convert", tune, recording, "--instrument", "whistle-d", "--rung", "2")).isZero();
    }

    @Test
    void everyNoteIsHeardWithWhatWasDoneOnIt() throws Exception {
        JsonNode heard = json("listen", recording, "--tune", tune, "--instrument", "whistle-d", "--rung", "2");
        assertThat(heard.get("key").asText()).isEqualTo("D major");
        assertThat(heard.get("tuningCents").asDouble()).isCloseTo(0, within(3.0));
        assertThat(heard.get("notes")).hasSize(28).allSatisfy(n -> {
            assertThat(n.get("onsetMs").isNumber()).isTrue();
            assertThat(n.get("cents").asDouble()).isBetween(-20.0, 20.0);
            assertThat(n.get("lateMs").asDouble()).isBetween(-40.0, 40.0);
        });
        JsonNode performed = json("perform", tune, "--instrument", "whistle-d", "--rung", "0");
        int events = 0;
        for (JsonNode note : heard.get("notes")) {
            while (!performed.get("events").get(events).get("role").asText().equals("melody")) {
                events++;
            }
            assertThat(note.get("onsetMs").asDouble()).isCloseTo(performed.get("events").get(events++).get("atMs").asDouble(), within(50.0));
        }
        int right = 0;
        for (JsonNode note : heard.get("notes")) {
            right += note.get("gesture").equals(note.get("meant")) ? 1 : 0;
        }
        assertThat(right).isGreaterThanOrEqualTo(26);
        assertThat(heard.get("evenness").get("variation").asDouble()).isLessThan(0.08);
    }

    /** Moved and slowed, it is still this tune: its key, its tempo, and its rung. */
    @Test
    void aMovedRecordingIsFollowed() throws Exception {
        Path moved = folder.resolve("moved.wav");
        assertThat(run("shift", recording, moved, "--tempo", "80%", "--semitones", "-2")).isZero();
        JsonNode heard = json("listen", moved, "--tune", tune, "--instrument", "whistle-d");
        assertThat(heard.get("key").asText()).isEqualTo("C major");
        assertThat(heard.get("semitones").asInt()).isEqualTo(-2);
        assertThat(heard.get("nearestRung").asInt()).isBetween(1, 3);
        double bare = json("perform", tune, "--instrument", "whistle-d").get("durationMs").asDouble();
        assertThat(heard.get("notes").get(27).get("onsetMs").asDouble()).isGreaterThan(bare);
    }

    @Test
    void anotherTuneIsNotFoundInIt() throws Exception {
        Path silence = folder.resolve("noise.wav");
        Path rests = Files.writeString(folder.resolve("rests.abc"), "X:1\nT:Rests\nM:4/4\nL:1/8\nK:D\nz8|z8|\n");
        assertThat(run("convert", rests, silence, "--instrument", "whistle-d")).isZero();
        assertThat(run("listen", silence, "--tune", tune, "--instrument", "whistle-d", "--rung", "0")).isEqualTo(1);
        assertThat(err.toString()).contains("nothing of “The Slip” is heard in it");
        assertThat(run("listen", tune, "--tune", tune)).isEqualTo(1);
        assertThat(err.toString()).contains("this is no recording that can be read");
        assertThat(run("listen", recording)).isEqualTo(2);
    }
}
