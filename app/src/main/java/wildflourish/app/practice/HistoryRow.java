package wildflourish.app.practice;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.practice.PracticeHistory;

/** One thing practised, in the list beside the chart. */
final class HistoryRow extends ListCell<PracticeHistory.Line> {

    @Override
    protected void updateItem(PracticeHistory.Line line, boolean empty) {
        super.updateItem(line, empty);
        if (empty || line == null) {
            setGraphic(null);
            setAccessibleText(null);
            return;
        }
        Label name = new Label(line.name());
        name.getStyleClass().add("tune-title");
        name.setWrapText(true);
        name.setMinHeight(USE_PREF_SIZE);
        String instrument = Instruments.byId(line.instrument()).map(i -> i.name()).orElse(line.instrument());
        Label facts = new Label("%s  ·  %s  ·  %d pass%s, %s".formatted(instrument, reached(line), line.passes(), line.passes() == 1 ? "" : "es",
                spent(line.minutes())));
        facts.getStyleClass().add("quiet");
        facts.setWrapText(true);
        facts.setMinHeight(USE_PREF_SIZE);
        VBox row = new VBox(2, name, facts);
        if (line.isStuck()) {
            Label stuck = new Label("stuck, %d uneven passes since the last gain: a shorter stretch, a barer rung, or a rest".formatted(line.stuckFor()));
            stuck.getStyleClass().add("moved");
            stuck.setWrapText(true);
            stuck.setMinHeight(USE_PREF_SIZE);
            row.getChildren().add(stuck);
        }
        row.setPrefWidth(240);
        setGraphic(row);
        setAccessibleText(line.name() + ", " + facts.getText());
    }

    static String spent(double minutes) {
        return minutes < 1 ? "%d s".formatted(Math.round(minutes * 60)) : "%d min".formatted(Math.round(minutes));
    }

    /** What was reached evenly, for reading. */
    static String reached(PracticeHistory.Line line) {
        return line.reached().map(r -> line.gesture() ? "down to %d ms".formatted(Math.round(r)) : "%s = %d".formatted(line.unit(), Math.round(r)))
                .orElse("nothing even yet");
    }
}
