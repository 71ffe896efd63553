package wildflourish.app.controls;

import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Words on a screen, by their weight. */
public final class Labels {

    private Labels() {}

    /** Over a group of things. */
    public static Label heading(String text) {
        Label heading = new Label(text);
        heading.getStyleClass().add("panel-heading");
        heading.setWrapText(true);
        heading.setMinHeight(Region.USE_PREF_SIZE);
        return heading;
    }

    /** What is there to be looked up and not to be read first. */
    public static Label quiet(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("quiet");
        return label;
    }

    /** A quiet label that leads the keyboard to what it names. */
    public static Label quiet(String text, Control of) {
        Label label = quiet(text);
        label.setLabelFor(of);
        return label;
    }

    /** Words of any length, on as many lines as they need. */
    public static Label wrapped(String text) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** Quiet words of any length, put in later. */
    public static Label quietLines(String id) {
        Label label = wrapped("");
        label.setId(id);
        label.getStyleClass().add("quiet");
        return label;
    }
}
