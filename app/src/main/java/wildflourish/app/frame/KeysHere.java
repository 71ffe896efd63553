package wildflourish.app.frame;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The keys that work here and now, by their groups. */
public final class KeysHere extends VBox {

    private final Commands commands;
    private final Label title = new Label();
    private final FlowPane groups = new FlowPane(javafx.geometry.Orientation.VERTICAL, 28, 12);
    private final ScrollPane scroll = new ScrollPane(groups);

    /** The keys of a table. */
    public KeysHere(Commands commands) {
        super(8);
        this.commands = commands;
        getStyleClass().addAll("card", "keys-here");
        setId("keys-here");
        title.getStyleClass().add("note-title");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.AS_NEEDED);
        scroll.setAccessibleText("the keys that work here");
        getChildren().addAll(title, scroll);
    }

    /** Those of a screen, in as many columns as the room holds. */
    public Region begin(Screen screen, double width, double height) {
        title.setText("Keys on this screen: " + screen.words());
        Map<String, List<Command>> byGroup = new LinkedHashMap<>();
        for (Command command : commands.on(screen)) {
            if (!command.keys().isEmpty()) {
                byGroup.computeIfAbsent(command.group(), g -> new ArrayList<>()).add(command);
            }
        }
        groups.getChildren().clear();
        byGroup.forEach((name, all) -> groups.getChildren().add(group(name, all)));
        groups.setPrefWrapLength(height - 90);
        setMaxWidth(width);
        scroll.setMaxHeight(height - 70);
        return this;
    }

    /** What takes the keyboard while they are shown. */
    public Region first() {
        return scroll;
    }

    private static VBox group(String name, List<Command> all) {
        Label heading = new Label(name);
        heading.getStyleClass().add("panel-heading");
        GridPane grid = new GridPane();
        grid.setHgap(10);
        grid.setVgap(3);
        int row = 0;
        for (Command command : all) {
            Label keys = new Label(command.keysInWords());
            keys.getStyleClass().add("key");
            keys.setMinWidth(USE_PREF_SIZE);
            Label words = new Label(command.words());
            words.setMinWidth(USE_PREF_SIZE);
            words.setDisable(!command.can().getAsBoolean());
            grid.add(keys, 0, row);
            grid.add(words, 1, row++);
        }
        VBox box = new VBox(4, heading, grid);
        box.setAlignment(Pos.TOP_LEFT);
        return box;
    }
}
