package wildflourish.app.frame;

import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

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

    /** Buttons in a row that breaks where it has to: the ids of some of the commands with their short words, in order. */
    public static FlowPane row(List<Command> commands, Runnable after, List<Map.Entry<String, String>> wanted) {
        FlowPane row = new FlowPane(8, 8);
        wanted.forEach(w -> row.getChildren().add(of(commands.stream().filter(c -> c.id().equals(w.getKey())).findFirst().orElseThrow(), w.getValue(), after)));
        return row;
    }
}
