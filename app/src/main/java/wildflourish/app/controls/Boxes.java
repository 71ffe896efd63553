package wildflourish.app.controls;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Boxes that are chosen from. */
public final class Boxes {

    private Boxes() {}

    /** A box under its words, as wide as there is room. */
    public static VBox labelled(String id, String words, ComboBox<?> box) {
        box.setId(id);
        box.setAccessibleText(words);
        box.setMaxWidth(Double.MAX_VALUE);
        return new VBox(1, Labels.quiet(words, box), box);
    }

    /** Two boxes side by side, together as wide as is said. */
    public static HBox beside(double width, VBox left, VBox right) {
        HBox pair = new HBox(6, left, right);
        for (VBox one : List.of(left, right)) {
            one.setPrefWidth(width / 2);
            one.setMinWidth(0);
            HBox.setHgrow(one, Priority.ALWAYS);
        }
        return pair;
    }

    /** Things that belong together, in a row. */
    public static HBox row(Node... nodes) {
        HBox row = new HBox(6, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
