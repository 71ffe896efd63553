package wildflourish.app.trellis;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;

/**
 * A panel that is shown in place of the note in hand. What it holds is made anew whenever the trellis changes while it is
 * shown; the control that had the keyboard keeps it.
 */
abstract class SidePanel extends VBox {

    private final TrellisModel model;
    private final VBox content = new VBox(7);
    private final Filling filling = new Filling();

    /**
     * A panel.
     *
     * @param id of the panel; the button that closes it is {@code id-done}
     * @param key that shows it and closes it
     */
    SidePanel(TrellisModel model, String id, String title, String key, Runnable close) {
        super(6);
        this.model = model;
        setId(id + "-panel");
        getStyleClass().add("note-in-hand");
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(top(id, title, key, close), scroll);
        model.state().addListener((o, before, now) -> {
            if (isVisible()) {
                show(now);
            }
        });
        visibleProperty().addListener((o, before, now) -> {
            if (now && model.isOpen()) {
                show(model.state().get());
            }
        });
    }

    /** The title of a panel, and the button that closes it. */
    static HBox top(String id, String title, String key, Runnable close) {
        Label heading = new Label(title);
        heading.getStyleClass().add("note-title");
        Button done = new Button("Done");
        done.setId(id + "-done");
        done.setTooltip(new Tooltip("back to the note in hand: " + key));
        done.setOnAction(e -> close.run());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox top = new HBox(8, heading, gap, done);
        top.setAlignment(Pos.CENTER_LEFT);
        return top;
    }

    private void show(TrellisState now) {
        Node focused = getScene() == null ? null : getScene().getFocusOwner();
        String focusedId = focused == null ? null : focused.getId();
        filling.fill(() -> {
            content.getChildren().clear();
            fill(now, content);
        });
        if (focusedId != null) {
            content.lookupAll("#" + focusedId).stream().findFirst().ifPresent(Node::requestFocus);
        }
    }

    /** Puts everything there is to show into the content, which is empty. */
    abstract void fill(TrellisState now, VBox content);

    TrellisModel model() {
        return model;
    }

    /** Whether controls are being filled, so that what they say is no choice of the teacher's. */
    boolean isFilling() {
        return filling.isOn();
    }

    static Label quiet(String text) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(USE_PREF_SIZE);
        label.getStyleClass().add("quiet");
        return label;
    }
}
