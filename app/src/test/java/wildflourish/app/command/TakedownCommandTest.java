package wildflourish.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;

/** A tune taken in by ear on the command line. */
class TakedownCommandTest extends CommandLineTest {

    private static final String ABC = "X:1\nT:The Slip\nR:reel\nM:4/4\nL:1/8\nK:D\n|:DEFA B2AF|GFEF D2A2|d2fd gfed|cABc d4:|\n|:f2ag fdAd|e2gf edce|d2BG A2FD|EFGE D4:|\n";

    @TempDir
    Path folder;

    private Path recording;

    @BeforeEach
    void aRecording() throws Exception {
        Path tune = Files.writeString(folder.resolve("one.abc"), ABC);
        recording = folder.resolve("one.wav");
        assertThat(run("convert", tune, recording, "--instrument", "whistle-d", "--rung", "0")).isZero();
    }

    private static List<String> notes(Tune tune) {
        return Timeline.of(tune).notes().stream().map(s -> s.note().pitches() + " " + s.note().length()).toList();
    }

    @Test
    void aTuneIsTakenDownNoteForNote() throws Exception {
        Path out = folder.resolve("out.abc");
        assertThat(run("takedown", recording, out, "--type", "reel", "--instrument", "whistle-d", "--title", "Heard")).isZero();
        Tune taken = AbcReader.read(Files.readString(out)).tunes().getFirst().tune();
        Tune tune = AbcReader.read(ABC).tunes().getFirst().tune();
        assertThat(notes(taken)).isEqualTo(notes(tune));
        assertThat(taken.title()).isEqualTo("Heard");
        assertThat(taken.head().key()).isEqualTo(tune.head().key());
        assertThat(err.toString()).contains("notes were heard, in D major").contains("The key was found from the notes:");
        assertThat(run("takedown", recording, out)).as("what is there is not written over").isNotZero();
    }

    @Test
    void whatCannotBeTakenDownIsRefused() throws Exception {
        assertThat(run("takedown", recording, folder.resolve("out.wav"))).isNotZero();
        assertThat(err.toString()).contains("does not end in .abc");
        assertThat(run("takedown", recording, folder.resolve("out.abc"), "--type", "minuet")).isNotZero();
        assertThat(err.toString()).contains("there is no type 'minuet'; there are reel");
        Path none = Files.writeString(folder.resolve("none.wav"), "words");
        assertThat(run("takedown", none, folder.resolve("out.abc"))).isNotZero();
        assertThat(err.toString()).contains("this is no recording that can be read");
        assertThat(folder.resolve("out.abc")).doesNotExist();
    }
}
