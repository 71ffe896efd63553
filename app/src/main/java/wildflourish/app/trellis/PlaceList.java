package wildflourish.app.trellis;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.VBox;
import wildflourish.core.finding.Finding;
import wildflourish.core.planning.HandCheck;

/** A list of places, typed or pasted, checked against the tune as one types. */
final class PlaceList extends VBox {

    private static final int MOST = 6;

    private final TrellisModel model;
    private final Button open = new Button();
    private final TextArea list = new TextArea();
    private final Label result = new Label();

    PlaceList(TrellisModel model) {
        super(3);
        this.model = model;
        open.setId("places-open");
        open.getStyleClass().add("other-place");
        open.setMaxWidth(Double.MAX_VALUE);
        open.setOnAction(e -> toggle());
        list.setId("places-list");
        list.setPrefRowCount(5);
        list.setAccessibleText("a list of places for the whole tune, to have it checked");
        list.textProperty().addListener((o, before, now) -> check());
        result.setId("places-result");
        result.setWrapText(true);
        result.setMinHeight(USE_PREF_SIZE);
        getChildren().add(open);
        label();
    }

    private boolean isOpen() {
        return getChildren().contains(list);
    }

    private void label() {
        open.setText(isOpen() ? "Put the list away" : "Check a list of places …");
    }

    /** Opens the list with the keyboard in it, or puts it away. */
    void toggle() {
        if (isOpen()) {
            getChildren().removeAll(list, result);
            open.requestFocus();
        } else {
            getChildren().addAll(list, result);
            list.requestFocus();
        }
        label();
    }

    /** The instrument's way of writing a place, and the check again where a list stands there. */
    void show(TrellisState now) {
        String example = now.arrangement().instrument().layout().example();
        list.setPromptText("one place a line, or parted by |, like%n%s%n%s x2".formatted(example, example));
        if (isOpen()) {
            check();
        }
    }

    private void check() {
        if (list.getText().isBlank()) {
            result.setText("");
            return;
        }
        HandCheck check = model.places().check(list.getText());
        List<String> told = check.findings().stream().limit(MOST).map(PlaceList::inWords).toList();
        int more = check.findings().size() - told.size();
        result.setText("%d %s as written%s%s".formatted(check.right(), check.right() == 1 ? "note sounds" : "notes sound",
                told.isEmpty() ? "." : ":\n" + String.join("\n", told), more > 0 ? "\nand %d more".formatted(more) : ""));
    }

    private static String inWords(Finding finding) {
        return "line %d: %s; %s".formatted(finding.line(), finding.what(), finding.remedy());
    }
}
