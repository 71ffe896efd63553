package wildflourish.app.backup;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.core.finding.Sentence;

/** The page of back-ups: make one, look into one, restore it, undo that, and how the library moves to another computer. */
public final class BackupCard extends VBox {

    private static final double WIDTH = 640;
    private static final double ROW = 34;
    private static final int LEAST_ROWS = 3;
    private static final int MOST_ROWS = 8;

    private final BackupModel model;
    private final ListView<BackupState.Copy> copies = new ListView<>();
    private final Button make = button("backup-make", "Back up…");
    private final Button selected = button("backup-selected", "Restore selected…");
    private final Button file = button("backup-file", "Restore from file…");
    private final Button undo = button("backup-undo", "Undo restore…");
    private final Label found = Labels.wrapped("");
    private final Button restore = button("backup-restore", "Restore");
    private final Button cancel = button("backup-cancel", "Cancel");
    private final VBox asking;

    /**
     * A card.
     *
     * @param where asks where a back-up is to be written
     * @param which asks which file is to be restored
     */
    public BackupCard(BackupModel model, Runnable where, Consumer<Consumer<Path>> which) {
        super(10);
        this.model = model;
        setId("backups");
        getStyleClass().add("card");
        copies.setId("backup-copies");
        copies.setAccessibleText("back-ups beside the library");
        copies.setPlaceholder(Labels.quiet("There is no back-up beside the library yet. One is made each day on which something changed."));
        copies.setCellFactory(list -> new CopyCell());
        copies.setFixedCellSize(ROW);
        copies.setPrefWidth(WIDTH);
        copies.getSelectionModel().selectedItemProperty().addListener((o, a, now) -> selected.setDisable(now == null));
        make.setOnAction(e -> where.run());
        selected.setDisable(true);
        selected.setOnAction(e -> Optional.ofNullable(copies.getSelectionModel().getSelectedItem()).ifPresent(c -> model.examine(c.holding().file())));
        file.setOnAction(e -> which.accept(model::examine));
        undo.setOnAction(e -> model.state().get().undo().ifPresent(c -> model.examine(c.holding().file())));
        restore.setOnAction(e -> model.restore());
        cancel.setOnAction(e -> {
            model.cancel();
            copies.requestFocus();
        });
        found.setId("backup-found");
        asking = new VBox(8, found, new FlowPane(8, 8, restore, cancel));
        getChildren().addAll(Labels.heading("Back-ups"), copies, new FlowPane(8, 8, make, selected, file, undo), asking, words("""
                A back-up that ends in .zip holds everything: tunes with all their versions, students, lessons, practice and recordings. It names your students: keep it where only you can read it."""),
                Labels.heading("Move to another computer"), words("""
                Back up to a stick. On the other computer, install Wild Flourish, open this page, and restore from that file."""));
        for (Node node : getChildren()) {
            if (node instanceof Label label) {
                label.setPrefWidth(WIDTH);
            }
        }
        found.setPrefWidth(WIDTH);
        model.state().addListener((o, before, now) -> show(now));
        show(model.state().get());
    }

    private static Button button(String id, String words) {
        Button button = new Button(words);
        button.setId(id);
        return button;
    }

    private static Label words(String text) {
        return Labels.wrapped(text);
    }

    private void show(BackupState now) {
        if (!copies.getItems().equals(now.copies())) {
            copies.getItems().setAll(now.copies());
            copies.setPrefHeight(ROW * Math.clamp(now.copies().size(), LEAST_ROWS, MOST_ROWS) + 2);
        }
        if (now.copies().isEmpty()) {
            copies.setPrefHeight(ROW * LEAST_ROWS);
        }
        undo.setDisable(now.undo().isEmpty());
        boolean opens = now.examined().isPresent() && !asking.isVisible();
        Shown.set(asking, now.examined().isPresent());
        now.examined().ifPresent(e -> {
            boolean sound = e.found().isSound();
            found.setText("%s: %s. %s What is here now is kept beside the library.".formatted(e.file().getFileName(), Sentence.capital(e.found().inWords()),
                    sound ? "Everything in it can be read." : "It is damaged: only what can be read comes back."));
            restore.setText(sound ? "Restore" : "Restore what can be read");
        });
        if (opens) {
            // A damaged one wants a second answer, not the same key once more.
            (now.examined().get().found().isSound() ? restore : cancel).requestFocus();
        }
    }

    /** What takes the keyboard. */
    public Node first() {
        return copies;
    }

    private static final class CopyCell extends ListCell<BackupState.Copy> {

        @Override
        protected void updateItem(BackupState.Copy copy, boolean empty) {
            super.updateItem(copy, empty);
            setText(empty || copy == null ? null : copy.inWords());
        }
    }
}
