package wildflourish.app.lesson;

import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Numbers;
import wildflourish.app.controls.Shown;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.LessonRule;

/** A lesson, a workshop or a jam that was or that is to come, to be written down. Its tunes are those ticked; who came, those ticked for the plan. */
final class MeetingForm extends VBox {

    private final LessonModel model;
    private final Runnable after;
    private final ComboBox<String> kind = new ComboBox<>();
    private final TextField when = new TextField();
    private final Spinner<Integer> minutes = Numbers.spinner("meeting-minutes", 5, LessonRule.USUAL.longest(), 60, 5, "minutes of the meeting");
    private final TextField remark = new TextField();
    private final Label fault = Labels.wrapped("");

    MeetingForm(LessonModel model, Runnable after) {
        super(6);
        this.model = model;
        this.after = after;
        setId("meeting-form");
        kind.getItems().setAll("lesson", "workshop", "jam");
        when.setId("meeting-when");
        remark.setId("meeting-remark");
        fault.setId("meeting-fault");
        when.setOnAction(e -> keep());
        remark.setOnAction(e -> keep());
        Button keep = new Button("Write it down");
        keep.setId("meeting-keep");
        keep.setOnAction(e -> keep());
        Button cancel = new Button("Leave it");
        cancel.setId("meeting-cancel");
        cancel.setOnAction(e -> close());
        getChildren().addAll(new Label("With the tunes that are ticked; if it was, with those who came to the last plan."), Boxes.labelled("meeting-kind", "what it is", kind), Labels.quiet("when, as in 2026-12-03 19:00", when), when, Numbers.row("minutes", minutes),
                Labels.quiet("remark", remark), remark, fault, new FlowPane(8, 8, keep, cancel));
        ((Label) getChildren().getFirst()).setWrapText(true);
        Shown.set(this, false);
    }

    void open() {
        kind.setValue("lesson");
        when.setText(model.usualTime());
        minutes.getValueFactory().setValue(60);
        remark.setText("");
        fault.setText("");
        Shown.set(this, true);
        kind.requestFocus();
    }

    private void keep() {
        try {
            model.writeDown(kind.getValue(), when.getText(), minutes.getValue(), remark.getText());
            close();
        } catch (IllegalArgumentException e) {
            fault.setText(Sentence.full(String.valueOf(e.getMessage())));
        }
    }

    private void close() {
        Shown.set(this, false);
        after.run();
    }
}
