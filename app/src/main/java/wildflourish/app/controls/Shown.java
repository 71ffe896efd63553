package wildflourish.app.controls;

import javafx.scene.Node;

/** What is there, and what takes no room. */
public final class Shown {

    private Shown() {}

    /** Shows a node, or hides it so that it takes no room. */
    public static void set(Node node, boolean on) {
        node.setVisible(on);
        node.setManaged(on);
    }
}
