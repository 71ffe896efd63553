package wildflourish.app.frame;

import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;

/** Buttons that do a command; the hint tells what it is and its key. */
public final class CommandButton {

    private CommandButton() {}

    /** A button of the command's id with short words of its own; {@code after} gives the keyboard back, say. */
    public static Button of(Command command, String words, Runnable after) {
        Button button = new Button(words);
        button.setId(command.id());
        button.setTooltip(new Tooltip(command.hint()));
        button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        button.setOnAction(e -> {
            if (command.can().getAsBoolean()) {
                command.run().accept("");
            }
            after.run();
        });
        return button;
    }
}
