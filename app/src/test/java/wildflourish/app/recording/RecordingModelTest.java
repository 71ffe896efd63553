package wildflourish.app.recording;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.app.listening.HandMoved;
import wildflourish.app.trellis.Opened;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.AtOnce;
import wildflourish.app.work.Recordings;
import wildflourish.core.hearing.Comparison;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.MadeUpStudent;

/** Recordings of the open tune without a window, the microphone being a made-up student. */
class RecordingModelTest {

    /** Plays everything as it is written. */
    private static final MadeUpStudent STEADY = new MadeUpStudent(5, 0, 0, 40, 3);

    @TempDir
    private Path folder;

    private final List<String> said = new ArrayList<>();
    private Optional<Audio> microphone = Optional.empty();
    private TrellisModel trellis;
    private RecordingModel model;

    @BeforeEach
    void open() {
        trellis = Opened.tune("X:1\nT:Test\nR:reel\nM:4/4\nL:1/8\nQ:1/2=80\nK:D\nd2af d2af|gfed B2A2|d2af dfaf|gfed d4|\n", "whistle-d");
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("cuts", new Setting(new TreeMap<>(Map.of(0, List.of("cut"), 3, List.of("cut"), 10, List.of("cut")))))));
        Arrangement arrangement = trellis.arrangement().with(ladder);
        trellis.settle("two rungs", arrangement);
        model = new RecordingModel(trellis, new HandMoved(), new Recordings(folder), Owners.Keeping.NONE, () -> microphone, AtOnce.background(said::add), said::add);
        model.setShown(true);
    }

    private void record(int rung) {
        microphone = Optional.of(STEADY.play(trellis.arrangement().version(rung)));
        // The work is done at once, and ends with what comes in.
        model.record();
    }

    @Test
    void whatComesInByTheMicrophoneIsKeptAndListenedTo() throws java.io.IOException {
        record(1);
        RecordingState.Listened listened = model.state().get().listened().orElseThrow();
        assertThat(listened.file()).exists();
        assertThat(listened.file().getFileName().toString()).startsWith("recorded ").endsWith(".wav");
        assertThat(listened.version().rung()).isEqualTo(1);
        assertThat(listened.account().spoken().came()).isEqualTo(3);
        assertThat(said).anyMatch(w -> w.startsWith("recording; R ends it"));
        model.throwAway();
        try (var left = Files.list(listened.file().getParent())) {
            assertThat(left).isEmpty();
        }
    }

    @Test
    void withoutAMicrophoneItIsSaidWhatToDo() {
        model.record();
        assertThat(said).last().asString().startsWith("no microphone can be listened to");
        assertThat(model.state().get().files()).isEmpty();
    }

    /** Where one recording has cuts and the other has none, they differ, and both ways round. */
    @Test
    void twoRecordingsAreComparedNoteByNote() {
        record(1);
        record(0);
        List<Path> files = model.state().get().files();
        assertThat(files).hasSize(2);
        model.choose(files.get(0));
        model.beside(Optional.of(files.get(1)));
        Comparison comparison = model.state().get().listened().orElseThrow().beside().orElseThrow().comparison();
        assertThat(comparison.differences()).isEqualTo(3);
        assertThat(comparison.differs(3)).isTrue();
        assertThat(comparison.differs(4)).isFalse();
        assertThat(comparison.inWords(3, trellis.now().hands().vocabulary()).orElseThrow()).contains("the bare note").contains("cut");
        assertThat(comparison.inWords(trellis.arrangement().tempo())).first().asString().startsWith("3 of ").contains("played otherwise");
        model.stepToRemark(-1);
        model.beside(Optional.empty());
        assertThat(model.state().get().listened().orElseThrow().beside()).isEmpty();
    }
}
