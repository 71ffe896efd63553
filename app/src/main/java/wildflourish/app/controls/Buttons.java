package wildflourish.app.controls;

import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;

/** Buttons with the hint that tells their key. */
public final class Buttons {

    private Buttons() {}

    public static Button button(String id, String text, String hint) {
        Button button = new Button(text);
        button.setId(id);
        button.setTooltip(new Tooltip(hint));
        return button;
    }

    /** One that does something, and then {@code after}, such as giving the focus back. */
    public static Button button(String id, String text, String hint, Runnable action, Runnable after) {
        Button button = button(id, text, hint);
        button.setOnAction(e -> {
            action.run();
            after.run();
        });
        return button;
    }

    /** One that stays down while it is chosen. */
    public static ToggleButton toggle(String id, String text, String hint) {
        ToggleButton toggle = new ToggleButton(text);
        toggle.setId(id);
        toggle.getStyleClass().add("tab-button");
        toggle.setTooltip(new Tooltip(hint));
        return toggle;
    }
}
