package wildflourish.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;
import wildflourish.app.lesson.LessonModel;
import wildflourish.app.lesson.LessonScreen;
import wildflourish.app.lesson.LessonState;
import wildflourish.core.lesson.Doing;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.library.Library;
import wildflourish.library.Meeting;

/** A lesson planned, held in the room and written down, in a real window. */
class LessonWindowTest extends WindowTest {

    private LessonModel lesson() {
        return model.screen(LessonScreen.class).model();
    }

    private LessonState now() {
        return lesson().state().get();
    }

    private LessonPlan plan() {
        return now().plan().orElseThrow();
    }

    private void enter() {
        open(true);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.L);
        until(() -> now().plan().isPresent());
    }

    private List<Meeting> meetings() {
        return keeper.ask(l -> l.people().meetings().read());
    }

    private CheckBox box(String column, String words) {
        return lookup(column).<VBox>query().getChildren().stream().map(CheckBox.class::cast).filter(b -> b.getText().endsWith(words)).findFirst().orElseThrow();
    }

    private void settled(java.util.function.Predicate<LessonPlan> plan) {
        until(() -> now().plan().filter(plan).isPresent());
    }

    @Test
    void thePlanFollowsWhoComesTheTunesAndTheTime() {
        enter();
        assertThat(now().comers()).hasSize(8);
        assertThat(plan().minutes()).isEqualTo(60);
        assertThat(lookup("#lesson-lines").<ListView<LessonPlan.Line>>query().getItems()).isEqualTo(plan().lines());
        clickOn(box("#lesson-who", "Jess Wrackline"));
        settled(p -> p.lines().stream().flatMap(l -> l.parts().stream()).noneMatch(part -> part.who().contains("Jess")));
        clickOn(box("#lesson-tunes", "Hens on the Slip"));
        settled(p -> p.left().stream().anyMatch(l -> l.contains("Hens")) || p.lines().stream().anyMatch(l -> l.tune().equals("Hens on the Slip")));
        interact(() -> lookup("#lesson-minutes").<javafx.scene.control.Spinner<Integer>>query().getValueFactory().setValue(25));
        settled(p -> p.minutes() == 25 && p.lines().getLast().to() <= 25);
        LessonPlan.Line phrase = plan().lines().stream().filter(l -> l.doing() == Doing.TOGETHER).findFirst().orElseThrow();
        interact(() -> lookup("#lesson-lines").<ListView<LessonPlan.Line>>query().getSelectionModel().select(phrase));
        assertThat(lookup("#lesson-told").queryParent().getChildrenUnmodifiable()).extracting(n -> ((Label) n).getText()).anyMatch(t -> t.startsWith("All together, "));
        interact(() -> lookup("#lesson-lines").query().requestFocus());
        push(KeyCode.DELETE);
        settled(p -> p.lines().stream().noneMatch(l -> l.id().equals(phrase.id())));
        push(KeyCode.A);
        settled(p -> p.lines().stream().anyMatch(l -> l.id().equals(phrase.id())));
    }

    /** Each line is kept as it is done, in letters that are read across the room; the next lesson goes on from there. */
    @Test
    void whatIsDoneInTheRoomIsKeptAtOnce() {
        enter();
        List<LessonPlan.Line> lines = plan().lines();
        String first = lines.stream().filter(l -> l.doing() == Doing.PHRASE).findFirst().orElseThrow().words();
        push(KeyCode.B);
        until(() -> now().mode() == LessonState.Mode.ROOM);
        assertThat(lookup("#room-until").<Label>query().getText()).matches("until \\d\\d:\\d\\d");
        assertThat(lookup("#room-words").<Label>query().getFont().getSize()).isGreaterThan(30);
        for (LessonPlan.Line line : lines) {
            assertThat(lookup("#room-words").<Label>query().getText()).isEqualTo(wildflourish.core.finding.Sentence.full(line.words()));
            if (line.words().equals(first)) {
                push(KeyCode.ENTER);
                break;
            }
            push(KeyCode.P);
        }
        push(KeyCode.ESCAPE);
        until(() -> now().mode() == LessonState.Mode.PLAN);
        // What another process reads of it while this window is open, or has been killed.
        keeper.finish();
        try (Library other = Library.open(libraryFile())) {
            Meeting held = other.people().meetings().read().getLast();
            assertThat(held.there()).hasSize(8);
            assertThat(held.lines()).hasSameSizeAs(lines);
            assertThat(held.lines().stream().filter(l -> l.became() == Meeting.Became.DONE)).singleElement().satisfies(l -> assertThat(l.words()).endsWith(first));
        }
        push(KeyCode.B);
        until(() -> now().mode() == LessonState.Mode.ROOM);
        clickOn("#lesson-end");
        until(() -> now().mode() == LessonState.Mode.RECORD);
        assertThat(lookup("#record-title").<Label>query().getText()).startsWith("Lesson, ");
        push(KeyCode.SHIFT, KeyCode.P);
        settled(p -> p.lines().stream().noneMatch(l -> l.words().equals(first)));
    }

    /** A lesson's lines, who came and a workshop to come are written down afterwards, corrected, and go into a calendar and a table. */
    @Test
    void theRecordIsKeptAndCorrected() throws Exception {
        enter();
        push(KeyCode.B);
        until(() -> now().held() != 0);
        clickOn("#lesson-end");
        until(() -> now().mode() == LessonState.Mode.RECORD);
        long id = now().meeting();
        interact(() -> lookup("#record-lines").<ListView<Meeting.Line>>query().getSelectionModel().select(1));
        interact(() -> lookup("#record-lines").query().requestFocus());
        push(KeyCode.I);
        until(() -> now().meeting(id).orElseThrow().lines().get(1).became() == Meeting.Became.PARTLY);
        clickOn(box("#lesson-who", "Tam Noustie"));
        until(() -> now().meeting(id).orElseThrow().there().size() == 7);
        push(KeyCode.N);
        interact(() -> lookup("#meeting-kind").<ComboBox<String>>query().setValue("workshop"));
        interact(() -> lookup("#meeting-when").<TextField>query().setText("next week"));
        clickOn("#meeting-keep");
        assertThat(lookup("#meeting-fault").<Label>query().getText()).isEqualTo("Write the time as in 2026-12-03 19:00.");
        interact(() -> lookup("#meeting-when").<TextField>query().setText("2031-05-02 19:30"));
        clickOn("#meeting-keep");
        until(() -> now().meetings().getFirst().kind().equals("workshop"));
        assertThat(meetings().getLast()).satisfies(m -> {
            assertThat(m.kind()).isEqualTo("workshop");
            assertThat(m.there()).as("it has not been yet").isEmpty();
            assertThat(m.titles()).containsExactly("The Lamp at Half Tide");
        });
        var calendar = folder.resolve("lessons.ics");
        interact(() -> lesson().writeRecord(calendar));
        until(() -> Files.isRegularFile(calendar));
        assertThat(Files.readString(calendar)).contains("BEGIN:VEVENT", "SUMMARY:workshop: The Lamp at Half Tide", "DTSTART:2031");
        var table = folder.resolve("record.csv");
        interact(() -> lesson().writeRecord(table));
        until(() -> Files.isRegularFile(table));
        assertThat(Files.readString(table)).startsWith("what,day,student,tune").contains("Magnus Holmrigg").contains("partly");
        clickOn("#record-delete");
        write("yes");
        push(KeyCode.ENTER);
        until(() -> now().meetings().stream().noneMatch(m -> m.kind().equals("workshop") && m.minutes() == 60));
        assertThat(meetings()).noneMatch(m -> m.at().isAfter(java.time.Instant.parse("2031-01-01T00:00:00Z")));
    }

    /** A lesson under way stays as it was begun, whatever is marked or asked for meanwhile; two ticks in a hurry are both kept. */
    @Test
    void aLessonUnderWayStaysAsItWasBegun() {
        enter();
        List<LessonPlan.Line> lines = plan().lines();
        push(KeyCode.B);
        until(() -> now().held() != 0);
        long id = now().held();
        for (int i = 0; i < 4; i++) {
            push(KeyCode.ENTER);
        }
        push(KeyCode.ESCAPE);
        assertThat(lookup("#lesson-who").query().isDisabled()).isTrue();
        push(KeyCode.R);
        interact(() -> lookup("#record-lines").<ListView<Meeting.Line>>query().getSelectionModel().select(5));
        push(KeyCode.D);
        interact(() -> {
            box("#lesson-who", "Tam Noustie").fire();
            box("#lesson-who", "Ina Skarf").fire();
        });
        until(() -> now().meeting(id).orElseThrow().there().size() == 6);
        push(KeyCode.SHIFT, KeyCode.P);
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.L);
        push(KeyCode.B);
        until(() -> now().mode() == LessonState.Mode.ROOM);
        until(() -> model.underWay().isEmpty());
        assertThat(plan().lines()).isEqualTo(lines);
        Meeting kept = meetings().stream().filter(m -> m.id() == id).findFirst().orElseThrow();
        assertThat(kept.there()).hasSize(6);
        assertThat(kept.lines()).extracting(Meeting.Line::became).startsWith(Meeting.Became.DONE, Meeting.Became.DONE, Meeting.Became.DONE, Meeting.Became.DONE, Meeting.Became.OPEN, Meeting.Became.DONE);
    }

    /** Without a class there is nothing to plan, and that is said. */
    @Test
    void withoutAClassItIsSaid() {
        open(false);
        push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.L);
        until(() -> lookup("#lesson-lines").tryQuery().isPresent());
        push(KeyCode.B);
        until(() -> model.message().get().contains("tick who comes") || model.message().get().contains("Tick who comes"));
        assertThat(((Label) lookup("#lesson-lines").<ListView<LessonPlan.Line>>query().getPlaceholder()).getText()).startsWith("Nobody is in the class yet");
    }
}
