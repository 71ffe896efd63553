package wildflourish.app.trellis;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Labels;

/** Every edition of the open tune, the latest first; one of them can be taken up again. */
final class EarlierPanel extends VBox {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm", Locale.UK);

    private final TrellisModel model;
    private final ListView<EarlierChoices.Earlier> list = new ListView<>();

    EarlierPanel(TrellisModel model, Runnable close) {
        super(6);
        this.model = model;
        setId("earlier-panel");
        getStyleClass().add("note-in-hand");
        list.setId("earlier-list");
        list.setAccessibleText("what this tune was earlier");
        list.setCellFactory(v -> new Cell());
        list.setPlaceholder(new Label("nothing has been kept of this tune yet"));
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                take();
                e.consume();
            } else if (e.getCode() == KeyCode.ESCAPE) {
                close.run();
                e.consume();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        Button take = Buttons.button("earlier-take", "As it was then", "make the tune what it was then; undo brings back what it is now: Enter");
        take.setOnAction(e -> take());
        take.disableProperty().bind(list.getSelectionModel().selectedItemProperty().isNull());
        getChildren().addAll(SidePanel.top("earlier", "Earlier", "Ctrl+Shift+H", close),
                SidePanel.quiet("Everything that was ever kept of this tune. What is marked “apart” is not come to by undo and redo: "
                        + "it was left behind after an undo, or another program made it."), list, take);
        model.state().addListener((o, before, now) -> {
            if (isVisible() && (before == null || now.tune() != before.tune() || !now.arrangement().equals(before.arrangement()))) {
                fill();
            }
        });
        visibleProperty().addListener((o, before, now) -> {
            if (now && model.isOpen()) {
                fill();
                list.requestFocus();
            }
        });
    }

    private void fill() {
        model.earlier().list(this::show);
    }

    private void show(List<EarlierChoices.Earlier> found) {
        list.getItems().setAll(found);
        found.stream().filter(EarlierChoices.Earlier::now).findFirst().ifPresent(list.getSelectionModel()::select);
    }

    private void take() {
        EarlierChoices.Earlier chosen = list.getSelectionModel().getSelectedItem();
        if (chosen != null && !chosen.now()) {
            model.earlier().take(chosen);
        }
    }

    private static String when(String kept) {
        try {
            return WHEN.format(Instant.parse(kept).atZone(ZoneId.systemDefault()));
        } catch (DateTimeParseException e) {
            return "at some time";
        }
    }

    private static final class Cell extends ListCell<EarlierChoices.Earlier> {
        @Override
        protected void updateItem(EarlierChoices.Earlier earlier, boolean empty) {
            super.updateItem(earlier, empty);
            if (empty || earlier == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            Label what = new Label(earlier.edition().what());
            what.setWrapText(true);
            what.setMaxWidth(320);
            String mark = earlier.now() ? "  ·  now" : earlier.apart() ? "  ·  apart" : "";
            String when = when(earlier.edition().madeAt()) + mark;
            setGraphic(new VBox(1, what, Labels.quiet(when)));
            setAccessibleText("%s, %s".formatted(earlier.edition().what(), when));
        }
    }
}
