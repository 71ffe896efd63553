package wildflourish.app.desk;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;

/** Asks for a file inside the window: type or browse, Enter to go on, Escape to leave. */
final class PathBar extends HBox {

    private final Label label = new Label();
    private final TextField field = new TextField();
    private Consumer<Path> then = p -> { };
    private Runnable left = () -> { };
    private boolean saving;
    /** The file of which it has been said that it is there. */
    private @Nullable Path replacing;

    PathBar() {
        super(8);
        getStyleClass().add("path-bar");
        setAlignment(Pos.CENTER_LEFT);
        field.setId("path");
        HBox.setHgrow(field, Priority.ALWAYS);
        label.setLabelFor(field);
        Button go = new Button("Go on");
        go.setId("path-go");
        go.setOnAction(e -> accept());
        Button browse = new Button("Browse…");
        browse.setOnAction(e -> browse());
        Button cancel = new Button("Leave");
        cancel.setOnAction(e -> close());
        field.setOnAction(e -> accept());
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
        getChildren().addAll(label, field, go, browse, cancel);
        hide();
    }

    /** Asks; {@code after} gets the file, {@code whenLeft} runs when the bar closes. */
    void ask(String question, String suggestion, boolean save, Consumer<Path> after, Runnable whenLeft) {
        label.setText(question);
        field.setText(suggestion);
        field.setAccessibleText(question);
        then = after;
        left = whenLeft;
        saving = save;
        replacing = null;
        setVisible(true);
        setManaged(true);
        field.requestFocus();
        field.selectAll();
    }

    private void accept() {
        String text = field.getText().strip();
        if (!text.isEmpty()) {
            try {
                Path path = Path.of(text);
                if (saving && Files.isRegularFile(path) && !path.equals(replacing)) {
                    replacing = path;
                    label.setText("%s is there already: go on to write over it, or give another name:".formatted(path.getFileName()));
                    return;
                }
                Consumer<Path> next = then;
                close();
                next.accept(path);
            } catch (InvalidPathException e) {
                label.setText("this is not a file name; write another:");
            }
        }
    }

    private void browse() {
        FileChooser chooser = new FileChooser();
        File file = saving ? chooser.showSaveDialog(getScene().getWindow())
                : chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            field.setText(file.getPath());
            // The system's own dialogue has asked already.
            replacing = file.toPath();
            field.requestFocus();
        }
    }

    void close() {
        hide();
        left.run();
    }

    private void hide() {
        setVisible(false);
        setManaged(false);
    }

    boolean isAsking() {
        return isVisible();
    }
}
