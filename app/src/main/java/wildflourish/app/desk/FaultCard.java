package wildflourish.app.desk;

import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;

/** What to send when something went wrong: it is read, and changed, before it goes anywhere. */
final class FaultCard extends VBox {

    private static final int COLUMNS = 74;
    private static final int ROWS = 20;
    private static final double WIDTH = 600;

    private final TextArea text = new TextArea();

    /**
     * A card.
     *
     * @param say tells the teacher
     * @param write asks where the text is to be written
     */
    FaultCard(Consumer<String> say, Consumer<String> write) {
        super(8);
        setId("fault-card");
        getStyleClass().add("card");
        text.setId("fault-text");
        text.setAccessibleText("what helps to find the fault; change it as you like");
        text.setPrefColumnCount(COLUMNS);
        text.setPrefRowCount(ROWS);
        text.setWrapText(true);
        Button copy = new Button("Copy it");
        copy.setId("fault-copy");
        copy.setOnAction(e -> {
            Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, text.getText()));
            say.accept("copied: paste it into a letter");
        });
        Button file = new Button("Write it to a file…");
        file.setId("fault-write");
        file.setOnAction(e -> write.accept(text.getText()));
        Label what = Labels.wrapped("This goes, as it stands here, to whoever looks after the program, if you send it; the program sends nothing. Names of students and tunes are covered: look whether any is left, and say in the first lines what you did.");
        // No wider than the text below it, on as many lines as that takes.
        what.setPrefWidth(WIDTH);
        what.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(Labels.heading("Something went wrong"), what, text, new HBox(8, copy, file));
    }

    /** Fills it. */
    FaultCard with(String report) {
        text.setText(report);
        text.positionCaret(report.indexOf('\n') + 1);
        return this;
    }

    /** What takes the keyboard. */
    Node first() {
        return text;
    }
}
