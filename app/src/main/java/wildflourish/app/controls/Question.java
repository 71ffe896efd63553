package wildflourish.app.controls;

import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** A row that asks for a few words and is away otherwise: Enter gives them, Escape leaves it. */
public final class Question extends HBox {

    private final Label asked = new Label();
    private final TextField answer = new TextField();
    private final Runnable after;
    private Consumer<String> then = a -> { };

    /**
     * A question.
     *
     * @param id of its field
     * @param after gives the keyboard back
     */
    public Question(String id, Runnable after) {
        super(6);
        this.after = after;
        setAlignment(Pos.CENTER_LEFT);
        asked.setLabelFor(answer);
        answer.setId(id);
        answer.setOnAction(e -> {
            leave();
            then.accept(answer.getText().strip());
        });
        answer.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                e.consume();
                leave();
            }
        });
        HBox.setHgrow(answer, Priority.ALWAYS);
        getChildren().addAll(asked, answer);
        Shown.set(this, false);
    }

    /** Asks; {@code next} is told what was typed. */
    public void ask(String words, String now, Consumer<String> next) {
        asked.setText(words);
        answer.setText(now);
        then = next;
        Shown.set(this, true);
        answer.requestFocus();
        answer.selectAll();
    }

    private void leave() {
        Shown.set(this, false);
        after.run();
    }
}
