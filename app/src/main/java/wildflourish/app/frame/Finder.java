package wildflourish.app.frame;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The field in which a few letters find anything: written in, walked with the arrows, taken with Enter. */
public final class Finder extends VBox {

    /** So many are shown at most. */
    private static final int MOST = 60;

    private final TextField field = new TextField();
    private final ListView<Find.Found> list = new ListView<>();
    private final Supplier<List<Find.Found>> everything;
    private final Supplier<Map<String, Integer>> used;
    private List<Find.Found> all = List.of();

    /**
     * A field.
     *
     * @param everything what can be found now; asked whenever it opens
     * @param used how often each was taken
     * @param take told what is taken
     */
    public Finder(Supplier<List<Find.Found>> everything, Supplier<Map<String, Integer>> used, Consumer<Find.Found> take) {
        super(6);
        this.everything = everything;
        this.used = used;
        getStyleClass().addAll("card", "finder");
        setId("finder");
        field.setId("find");
        field.setPromptText("a few letters of anything: a command, a tune, an instrument, an ornament, a screen");
        field.setAccessibleText("find a command, a tune, an instrument, an ornament or a screen");
        field.textProperty().addListener((o, a, now) -> rank());
        field.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
                int at = list.getSelectionModel().getSelectedIndex() + (e.getCode() == KeyCode.DOWN ? 1 : -1);
                list.getSelectionModel().select(Math.clamp(at, 0, Math.max(0, list.getItems().size() - 1)));
                list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 3));
                e.consume();
            }
        });
        field.setOnAction(e -> taken(take));
        list.setId("found");
        list.setAccessibleText("what was found");
        list.setFocusTraversable(false);
        list.setCellFactory(l -> new FoundCell());
        list.setOnMouseClicked(e -> taken(take));
        list.setPlaceholder(new Label("Nothing is called that. Try fewer letters."));
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(field, list);
    }

    /** Begins anew, with nothing written. */
    public Region begin() {
        all = everything.get();
        field.clear();
        rank();
        return this;
    }

    /** What is written in. */
    public TextField field() {
        return field;
    }

    private void rank() {
        list.getItems().setAll(Find.rank(field.getText(), all, used.get(), MOST));
        list.getSelectionModel().selectFirst();
        list.scrollTo(0);
    }

    private void taken(Consumer<Find.Found> take) {
        Find.Found found = list.getSelectionModel().getSelectedItem();
        if (found != null) {
            take.accept(found);
        }
    }

    private static final class FoundCell extends ListCell<Find.Found> {

        private final Label words = new Label();
        private final Label kind = new Label();
        private final Label keys = new Label();
        private final HBox box;

        FoundCell() {
            kind.getStyleClass().add("quiet");
            keys.getStyleClass().add("key");
            words.setMinWidth(0);
            kind.setMinWidth(Region.USE_PREF_SIZE);
            keys.setMinWidth(Region.USE_PREF_SIZE);
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            box = new HBox(10, words, gap, kind, keys);
            box.setAlignment(Pos.CENTER_LEFT);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Find.Found found, boolean empty) {
            super.updateItem(found, empty);
            if (empty || found == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            words.setText(found.words());
            kind.setText(found.kind());
            keys.setText(found.keys());
            keys.setVisible(!found.keys().isEmpty());
            keys.setManaged(keys.isVisible());
            setGraphic(box);
            setAccessibleText(found.words() + ", " + found.kind() + (found.keys().isEmpty() ? "" : ", key " + found.keys()));
        }
    }
}
