package wildflourish.app.trellis;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import wildflourish.app.controls.Buttons;
import wildflourish.app.paint.Look;

/** The trellis screen: the rungs, and beside them the note in hand, or the ladder, the player or what was earlier in its place. */
public final class TrellisView extends BorderPane {

    private static final double PANEL = 384;

    /** What can stand beside the rungs. */
    enum Beside {
        NOTE("Note", "the note in hand: Escape"), LADDER("Ladder", "rungs, differences, wishes and licks: Ctrl+B"),
        PLAYER("Player", "schools and speeds: Ctrl+U"), EARLIER("Earlier", "everything that was ever kept of this tune: Ctrl+Shift+H");

        private final String words;
        private final String hint;

        Beside(String words, String hint) {
            this.words = words;
            this.hint = hint;
        }
    }

    private final ScoreView score;
    private final NoteInHand panel;
    private final EarlierPanel earlier;
    private final Map<Beside, Node> panels = new LinkedHashMap<>();
    private final Map<Beside, ToggleButton> tabs = new LinkedHashMap<>();
    private final BorderPane side = new BorderPane();

    /**
     * A view of the model.
     *
     * @param explain opens a page of the guide
     */
    public TrellisView(TrellisModel model, Consumer<String> explain) {
        this.score = new ScoreView(model);
        this.panel = new NoteInHand(model, explain);
        getStyleClass().add("trellis");
        setCenter(score);
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> keysBackToScore());
        panels.put(Beside.NOTE, panel);
        panels.put(Beside.LADDER, new LadderPanel(model, this::showNote));
        panels.put(Beside.PLAYER, new PlayerPanel(model, this::showNote));
        earlier = new EarlierPanel(model, this::showNote);
        panels.put(Beside.EARLIER, earlier);
        side.setTop(tabs());
        side.setCenter(new StackPane(panels.values().toArray(Node[]::new)));
        side.getStyleClass().add("beside");
        side.setMinWidth(300);
        setRight(side);
        show(Beside.NOTE);
        setLook(Look.USUAL);
    }

    private HBox tabs() {
        ToggleGroup group = new ToggleGroup();
        HBox row = new HBox(2);
        row.getStyleClass().add("beside-tabs");
        for (Beside beside : Beside.values()) {
            ToggleButton tab = Buttons.toggle(beside.name().toLowerCase(java.util.Locale.ROOT) + "-beside", beside.words, beside.hint);
            tab.getStyleClass().setAll("toggle-button", "beside-tab");
            tab.setToggleGroup(group);
            tab.setOnAction(e -> show(beside));
            tabs.put(beside, tab);
            row.getChildren().add(tab);
        }
        return row;
    }

    /** A button that was clicked does not keep the keyboard: the next key is for the note in hand. */
    private void keysBackToScore() {
        if (getScene().getFocusOwner() instanceof ButtonBase && panel.isVisible()) {
            score.requestFocus();
        }
    }

    /** Shows the player in place of the note in hand, or the note again. */
    public void togglePlayer() {
        toggle(Beside.PLAYER);
    }

    /** Shows the ladder in place of the note in hand, or the note again. */
    public void toggleLadder() {
        toggle(Beside.LADDER);
    }

    /** Shows what the tune was earlier in place of the note in hand, or the note again. */
    public void toggleEarlier() {
        toggle(Beside.EARLIER);
    }

    /** Shows the note in hand. */
    void showNote() {
        show(Beside.NOTE);
    }

    /** Puts the keyboard on what the stretch in hand can be varied to. */
    public void focusVariations() {
        show(Beside.NOTE);
        panel.focusVariations();
    }

    /** Opens or closes the list of places to be checked. */
    public void togglePlaces() {
        show(Beside.NOTE);
        panel.togglePlaces();
    }

    private void toggle(Beside one) {
        show(isShown(one) ? Beside.NOTE : one);
    }

    private boolean isShown(Beside one) {
        return Objects.requireNonNull(tabs.get(one)).isSelected();
    }

    private void show(Beside one) {
        panels.forEach((beside, node) -> node.setVisible(beside == one));
        Objects.requireNonNull(tabs.get(one)).setSelected(true);
        if (one == Beside.NOTE) {
            score.requestFocus();
        }
    }

    void setLook(Look look) {
        score.setLook(look);
        panel.setLook(look);
        earlier.setLook(look);
        side.setPrefWidth(Math.min(PANEL * look.scale(), 560));
    }

    /** The rungs. */
    public ScoreView score() {
        return score;
    }
}
