package wildflourish.app.controls;

import java.util.List;
import javafx.scene.Node;

/** What is there, and what takes no room. */
public final class Shown {

    private Shown() {}

    /** Gives a node its style classes; where it has them already, its style is not looked up again. */
    public static void styled(Node node, String... classes) {
        if (!node.getStyleClass().equals(List.of(classes))) {
            node.getStyleClass().setAll(classes);
        }
    }

    /** Shows a node, or hides it so that it takes no room. */
    public static void set(Node node, boolean on) {
        node.setVisible(on);
        node.setManaged(on);
    }
}
