package wildflourish.app.lesson;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Question;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.library.Meeting;

/** Lessons, workshops and jams, the latest first; the one in hand with who came, and what became of each line. */
final class RecordPane extends BorderPane {

    private static final Map<Meeting.Became, String> BECAME = Map.of(Meeting.Became.OPEN, "not said", Meeting.Became.DONE, "done", Meeting.Became.PARTLY, "in part", Meeting.Became.LEFT, "left for next time");

    private final LessonModel model;
    private final ListView<Meeting> meetings = new ListView<>();
    private final ListView<Meeting.Line> lines = new ListView<>();
    private final Label title = LessonView.heading("");
    private final Label told = Labels.wrapped("");
    private final FlowPane marks;
    private final Question question;
    private final MeetingForm form;
    private final Filling filling = new Filling();

    RecordPane(LessonModel model, List<Command> commands, Runnable after) {
        this.model = model;
        this.question = new Question("record-question", after);
        this.form = new MeetingForm(model, after);
        setId("lesson-record");
        meetings.setId("record-meetings");
        meetings.setAccessibleText("lessons, workshops and jams");
        meetings.setPlaceholder(Labels.quiet("Nothing is written down yet."));
        meetings.setCellFactory(l -> new MeetingCell());
        meetings.getSelectionModel().selectedItemProperty().addListener((o, a, now) -> filling.chosen(() -> {
            if (now != null) {
                model.selectMeeting(now.id());
            }
        }));
        lines.setId("record-lines");
        lines.setAccessibleText("what became of each line");
        lines.setPlaceholder(Labels.quiet("It was not planned line by line."));
        lines.setCellFactory(l -> new BecameCell());
        title.setId("record-title");
        told.setId("record-told");
        this.marks = CommandButton.row(commands, lines::requestFocus, List.of(Map.entry("record-done", "Done"), Map.entry("record-partly", "In part"), Map.entry("record-left", "Left for next time")));
        FlowPane deeds = CommandButton.row(commands, () -> { }, List.of(Map.entry("record-new", "Write one down"), Map.entry("record-remark", "Remark"), Map.entry("record-delete", "Delete it"),
                Map.entry("record-file", "Calendar or table…")));
        VBox middle = new VBox(8, meetings, form, question, deeds);
        middle.setPadding(new Insets(12));
        VBox.setVgrow(meetings, Priority.ALWAYS);
        VBox right = new VBox(8, title, told, lines, marks);
        right.setPadding(new Insets(12));
        right.setPrefWidth(360);
        right.setMinWidth(240);
        VBox.setVgrow(lines, Priority.ALWAYS);
        setCenter(middle);
        setRight(right);
    }

    void show(LessonState now) {
        filling.fill(() -> {
            if (!meetings.getItems().equals(now.meetings())) {
                meetings.getItems().setAll(now.meetings());
            }
            now.meeting(now.meeting()).ifPresent(m -> {
                if (!m.equals(meetings.getSelectionModel().getSelectedItem())) {
                    meetings.getSelectionModel().select(m);
                }
            });
            List<Meeting.Line> all = now.meeting(now.meeting()).map(Meeting::lines).orElse(List.of());
            if (!lines.getItems().equals(all)) {
                int at = lines.getSelectionModel().getSelectedIndex();
                lines.getItems().setAll(all);
                lines.getSelectionModel().select(Math.min(Math.max(0, at), all.size() - 1));
            }
            Shown.set(marks, !all.isEmpty());
        });
        title.setText(now.meeting(now.meeting()).map(m -> "%s, %s".formatted(wildflourish.core.finding.Sentence.capital(m.kind()), model.day(m.at()))).orElse(""));
        told.setText(now.meeting(now.meeting()).map(m -> {
            String who = now.book().people().stream().filter(p -> m.there().contains(p.id())).map(p -> p.student().name()).collect(Collectors.joining(", "));
            return "%d minutes. %s%s%s".formatted(m.minutes(), m.titles().isEmpty() ? "" : String.join(", ", m.titles()) + ". ", who.isEmpty() ? "Nobody is written down as there." : "There: " + who + ".",
                    m.remark().isEmpty() ? "" : " Remark: " + m.remark());
        }).orElse(""));
    }

    void focusList() {
        meetings.requestFocus();
    }

    /** The place of the line in hand; −1 for none. */
    int line() {
        return lines.getSelectionModel().getSelectedIndex();
    }

    /** Goes to the next line. */
    void next() {
        lines.getSelectionModel().select(Math.min(line() + 1, lines.getItems().size() - 1));
        lines.requestFocus();
    }

    void askNew() {
        form.open();
    }

    void askRemark() {
        model.state().get().meeting(model.state().get().meeting()).ifPresent(m -> question.ask("Your remark", m.remark(), model::remark));
    }

    void askDelete() {
        model.state().get().meeting(model.state().get().meeting()).ifPresent(m -> question.ask("Take this %s out of the record? Type yes".formatted(m.kind()), "", answer -> {
            if (answer.equalsIgnoreCase("yes")) {
                model.removeMeeting();
            }
        }));
    }

    private final class MeetingCell extends ListCell<Meeting> {

        private final Label words = Labels.wrapped("");

        MeetingCell() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Meeting meeting, boolean empty) {
            super.updateItem(meeting, empty);
            setGraphic(empty || meeting == null ? null : words);
            if (meeting != null && !empty) {
                String text = "%s · %s%s · %d there".formatted(model.day(meeting.at()), meeting.kind(), meeting.titles().isEmpty() ? "" : " · " + String.join(", ", meeting.titles()), meeting.there().size());
                words.setText(text);
                setAccessibleText(text);
            }
        }
    }

    private static final class BecameCell extends ListCell<Meeting.Line> {

        private final Label words = Labels.wrapped("");
        private final Label became = Labels.quiet("");
        private final VBox both = new VBox(0, words, became);

        BecameCell() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Meeting.Line line, boolean empty) {
            super.updateItem(line, empty);
            setGraphic(empty || line == null ? null : both);
            if (line != null && !empty) {
                words.setText("%s, %d min".formatted(line.words(), line.minutes()));
                became.setText(BECAME.get(line.became()));
                setAccessibleText("%s: %s".formatted(line.words(), BECAME.get(line.became())));
            }
        }
    }
}
