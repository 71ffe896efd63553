package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.app.recording.RecordingScreen;
import wildflourish.app.recording.RecordingState;
import wildflourish.app.writing.WritingScreen;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Version;
import wildflourish.sound.hearing.MadeUpStudent;

/** A recording of the open tune, in a real window. */
class RecordingWindowTest extends WindowTest {

    private RecordingState now() {
        return model.screen(RecordingScreen.class).model().state().get();
    }

    private List<Path> kept() throws IOException {
        Path there = folder.resolve("library-recordings");
        if (!Files.isDirectory(there)) {
            return List.of();
        }
        try (Stream<Path> all = Files.walk(there)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    private List<String> words(String id) {
        return lookup("#" + id + " .label").queryAllAs(Label.class).stream().map(Label::getText).toList();
    }

    /** What a made-up student leaves out is told on the note and in the whole; the recording is heard slower and around and around; and it is thrown away for good. */
    @Test
    void whatWasPlayedIsToldNoteForNoteAndHeardAgain() throws IOException {
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E);
        assertThat(lookup("#recording-empty").<Label>query().getText()).startsWith("There is no recording of this tune yet.");
        push(KeyCode.SPACE);
        until(() -> model.message().get().startsWith("Bring in a recording first"));
        Version meant = model.trellis().arrangement().version(model.trellis().rung());
        push(KeyCode.M);
        until(() -> now().listened().isPresent());
        assertThat(kept()).hasSize(1);
        RecordingState.Listened listened = now().listened().orElseThrow();
        assertThat(listened.version().rung()).isEqualTo(meant.rung());
        assertThat(words("recording-account")).first().asString().startsWith("It is in D major at minim = ");
        // The truth is known: what the student left out, and what they did.
        var done = MadeUpStudent.USUAL.ornaments(meant);
        long right = listened.played().notes().stream().filter(n -> done.getOrDefault(n.wanted().note(), List.<Ornament>of()).isEmpty()
                == n.gesture().equals("none")).count();
        assertThat((double) right / listened.played().notes().size()).isGreaterThan(0.9);
        push(KeyCode.SHIFT, KeyCode.RIGHT);
        HeardVersion.Note hand = now().inHand().orElseThrow();
        assertThat(words("recording-said")).isNotEmpty().doesNotContain("As it was meant.");
        assertThat(lookup("#recording-title").<Label>query().getText()).isEqualTo("bar " + hand.wanted().bar());
        // The second time through, the same note.
        push(KeyCode.T);
        assertThat(now().inHand().orElseThrow().wanted()).matches(w -> w.note() == hand.wanted().note() && w.pass() == 2);
        push(KeyCode.T);
        write("----------");
        assertThat(now().how().percent()).isEqualTo(50);
        push(KeyCode.P);
        push(KeyCode.L);
        assertThat(now().how()).matches(h -> h.extent() == RecordingState.Extent.BAR && h.again());
        push(KeyCode.SPACE);
        until(() -> now().playing() && now().nowMs() > hand.onsetMs().orElseThrow() + 100);
        double begun = now().nowMs();
        assertThat(lookup("#play").<javafx.scene.control.Button>query().getText()).as("what the foot's button does now").contains("Stop");
        until(() -> now().nowMs() < begun);
        push(KeyCode.SPACE);
        until(() -> !now().playing());
        assertThat(lookup("#play").<javafx.scene.control.Button>query().getText()).contains("Play");
        assertThat(now().listened().flatMap(l -> l.played().at(begun))).map(n -> n.wanted().bar()).contains(hand.wanted().bar());
        // Taken down: the ladder leads up to what was played, and undo gives it back.
        push(KeyCode.D);
        until(() -> model.trellis().arrangement().ladder().rung(model.trellis().rung()).name().equals("as played"));
        assertThat(model.trellis().arrangement().ladder().setting(model.trellis().rung()).size()).isBetween(done.size() * 8 / 10, meant.setting().size());
        push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> model.trellis().arrangement().ladder().equals(meant.arrangement().ladder()));
        // And as a new tune, by ear.
        Path recording = kept().getFirst();
        interact(() -> model.screen(WritingScreen.class).commands().stream().filter(c -> c.id().equals("by-ear")).findFirst().orElseThrow().run().accept(""));
        interact(() -> lookup("#path").<TextField>query().setText(recording.toString()));
        push(KeyCode.ENTER);
        until(() -> isShown(WritingScreen.ID) && model.screen(WritingScreen.class).model().typed().contains("K:D"));
        assertThat(model.message().get()).contains("notes were heard, in D major");
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E);
        push(KeyCode.DELETE);
        write("yes\n");
        until(() -> now().chosen().isEmpty());
        assertThat(kept()).isEmpty();
    }

    /** What is no recording is told, and nothing is kept of it. */
    @Test
    void whatIsNoRecordingIsTold() throws IOException {
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E);
        Path text = Files.writeString(folder.resolve("words.wav"), "these are words");
        push(KeyCode.B);
        interact(() -> lookup("#path").<TextField>query().setText(text.toString()));
        push(KeyCode.ENTER);
        until(() -> model.message().get().contains("this is no recording that can be read"));
        assertThat(kept()).isEmpty();
        assertThat(now().files()).isEmpty();
    }
}
