package wildflourish.app.practice;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.app.controls.Labels;
import wildflourish.app.paint.Look;
import wildflourish.core.practice.PracticeHistory;

/** What has been reached: the things practised as a list, and how the one that is chosen has gone. */
final class HistoryPane extends BorderPane {

    private final PracticeModel model;
    private final HistoryChart chart = new HistoryChart();
    private final ListView<PracticeHistory.Line> lines = new ListView<>();
    private final Label totals = Labels.quiet("");

    /** A view of the model's log; {@code writeLog} asks where it is to be written. */
    HistoryPane(PracticeModel model, Runnable writeLog) {
        this.model = model;
        lines.setId("history-lines");
        lines.setCellFactory(v -> new HistoryRow());
        lines.setPlaceholder(new Label("Nothing has been practised yet."));
        lines.getSelectionModel().selectedItemProperty().addListener((o, before, now) -> chart.show(Optional.ofNullable(now),
                model.history().get().minutes()));
        Button write = new Button("Write as a table…");
        write.setId("write-log");
        write.setTooltip(new Tooltip("every pass as comma-separated values: Ctrl+E"));
        write.setOnAction(e -> writeLog.run());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(10, totals, gap, write);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("practice-head");
        setTop(head);
        setCenter(chart);
        totals.setId("history-totals");
        totals.setWrapText(true);
        model.history().addListener((o, before, now) -> show());
        show();
    }

    /** The list, to stand beside it. */
    ListView<PracticeHistory.Line> list() {
        return lines;
    }

    /** Takes the first of the list in hand. */
    void begin() {
        lines.getSelectionModel().selectFirst();
        lines.requestFocus();
    }

    /** Takes one thing in hand, called as in the list. */
    void select(String name) {
        lines.getItems().stream().filter(l -> l.name().equals(name)).findFirst().ifPresent(lines.getSelectionModel()::select);
    }

    void setLook(Look look) {
        chart.setLook(look);
    }

    private void show() {
        PracticeHistory history = model.history().get();
        PracticeHistory.Line selected = lines.getSelectionModel().getSelectedItem();
        lines.getItems().setAll(history.lines());
        lines.getItems().stream().filter(l -> selected != null && l.tune().equals(selected.tune()) && l.name().equals(selected.name()) && l.instrument().equals(selected.instrument()))
                .findFirst().ifPresentOrElse(lines.getSelectionModel()::select, lines.getSelectionModel()::selectFirst);
        chart.show(Optional.ofNullable(lines.getSelectionModel().getSelectedItem()), history.minutes());
        int stuck = history.stuck().size();
        totals.setText("%s%s practised on %d day%s  ·  %s".formatted(model.who().isEmpty() ? "" : model.who() + "  ·  ", HistoryRow.spent(history.totalMinutes()), history.minutes().size(),
                history.minutes().size() == 1 ? "" : "s", stuck == 0 ? "nothing is stuck" : stuck == 1 ? "one thing is stuck" : stuck + " things are stuck"));
    }
}
