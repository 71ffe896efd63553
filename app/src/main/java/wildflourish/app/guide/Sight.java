package wildflourish.app.guide;

import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.text.Text;

/** What can be read on a window. */
public final class Sight {

    private Sight() {}

    /** Whether words stand somewhere in a node that is shown, in capitals or not. */
    public static boolean holds(Node node, String words, Node except) {
        if (!node.isVisible() || node == except) {
            return false;
        }
        return text(node).toLowerCase(Locale.ROOT).contains(words.toLowerCase(Locale.ROOT))
                || node instanceof Parent parent && parent.getChildrenUnmodifiable().stream().anyMatch(n -> holds(n, words, except));
    }

    private static String text(Node node) {
        return switch (node) {
            case Labeled labeled when labeled.getText() != null -> labeled.getText();
            case Text text -> text.getText();
            case TextInputControl field when field.getText() != null -> field.getText();
            default -> "";
        };
    }
}
