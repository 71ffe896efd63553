package wildflourish.app.guide;

import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextFlow;

/** Something to do: its number, its words, and a button that does it. It says when it has been done. */
final class StepRow extends HBox {

    private final Page.Step step;
    private final Label number;
    private final Button doIt = new Button("Do it");
    private boolean done;

    StepRow(Page.Step step, TextFlow words, Consumer<StepRow> act) {
        super(8);
        this.step = step;
        number = new Label(String.valueOf(step.number()));
        number.getStyleClass().addAll("key", "step-number");
        number.setMinWidth(USE_PREF_SIZE);
        doIt.setId("guide-do-" + step.number());
        doIt.setAccessibleText("do step %d: %s".formatted(step.number(), step.inWords()));
        doIt.setOnAction(e -> act.accept(this));
        VBox right = new VBox(3, words);
        if (!step.keys().isEmpty()) {
            right.getChildren().add(doIt);
        }
        HBox.setHgrow(right, Priority.ALWAYS);
        setAlignment(Pos.TOP_LEFT);
        getStyleClass().add("guide-step");
        getChildren().addAll(number, right);
    }

    Page.Step step() {
        return step;
    }

    boolean isDone() {
        return done;
    }

    void setDone() {
        done = true;
        number.setText("done");
        getStyleClass().add("guide-step-done");
    }
}
