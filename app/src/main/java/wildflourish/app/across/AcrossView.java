package wildflourish.app.across;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.core.growth.Translation;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.BarNames;
import wildflourish.score.engrave.OrnamentMark;

/** Every instrument with what came over to it; beside it, for the one in hand, what changed and why. */
public final class AcrossView extends BorderPane {

    private static final double BAR = 150;

    private final AcrossModel model;
    private final ListView<AcrossState.Row> instruments = new ListView<>();
    private final ListView<Translation.Step> changes = new ListView<>();
    private final Label heading = new Label();
    private final Label title = new Label();
    private final Label sum = new Label();
    private final Button take;
    private Palette palette = Palette.LIGHT;
    private final Filling filling = new Filling();

    /** A view of the model; {@code taking} puts the version in hand on the trellis. */
    AcrossView(AcrossModel model, Command taking, GuideLink guide) {
        this.model = model;
        this.take = CommandButton.of(taking, "Take it to the trellis", () -> { });
        getStyleClass().add("across");
        setId("across");
        heading.setId("across-heading");
        heading.getStyleClass().add("note-title");
        heading.setWrapText(true);
        instruments.setId("across-instruments");
        instruments.setAccessibleText("instruments, with what comes over to each");
        instruments.setCellFactory(l -> new InstrumentCell());
        instruments.getSelectionModel().selectedIndexProperty().addListener((o, a, now) -> {
            if (!filling.isOn()) {
                model.select(now.intValue());
            }
        });
        changes.setId("across-changes");
        changes.setAccessibleText("what changed and why");
        changes.setCellFactory(l -> new ChangeCell());
        changes.setPlaceholder(Labels.quiet("Nothing changed: every ornament lies under these hands too."));
        title.setId("across-title");
        title.getStyleClass().add("note-title");
        sum.setId("across-sum");
        sum.getStyleClass().add("quiet");
        sum.setWrapText(true);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox top = new HBox(8, title, gap, take);
        top.setAlignment(Pos.CENTER_LEFT);
        Label key = Labels.wrapped("Solid: the same. Hatched: by its own means. Striped: changed. Grey: left out.");
        key.getStyleClass().add("quiet");
        VBox left = new VBox(8, heading, key, instruments);
        left.setPadding(new Insets(12));
        VBox.setVgrow(instruments, Priority.ALWAYS);
        left.setPrefWidth(500);
        VBox right = new VBox(8, top, sum, changes, guide);
        right.setPadding(new Insets(12));
        VBox.setVgrow(changes, Priority.ALWAYS);
        setLeft(left);
        setCenter(right);
        model.state().addListener((o, before, now) -> show(now));
        model.working().addListener((o, a, now) -> waiting(now));
        waiting(model.working().get());
        take.setDisable(true);
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    private void waiting(boolean working) {
        instruments.setPlaceholder(Labels.quiet(working ? "Carrying the version over to every instrument …" : "Open a tune on the shelf first."));
    }

    private void show(AcrossState now) {
        filling.fill(() -> {
            heading.setText("%s, as it stands on the %s".formatted(now.title(), now.from().name()));
            if (!instruments.getItems().equals(now.rows())) {
                instruments.getItems().setAll(now.rows());
            }
            instruments.getSelectionModel().select(now.selected());
            take.setDisable(now.row().isEmpty());
            now.row().ifPresent(row -> {
                title.setText("On the " + row.instrument().name());
                sum.setText(inWords(row));
                changes.getItems().setAll(row.changes());
                changes.scrollTo(0);
            });
        });
    }

    private static String inWords(AcrossState.Row row) {
        return "%d the same, %d by its own means, %d changed, %d left out. Nothing blocked comes over.".formatted(
                row.count(Translation.Kind.SAME), row.count(Translation.Kind.OWN_MEANS),
                row.count(Translation.Kind.CHANGED), row.count(Translation.Kind.LEFT_OUT));
    }

    /** Puts the keyboard on the list of instruments. */
    public void focusList() {
        instruments.requestFocus();
    }

    /** Chooses the light or the dark look. */
    public void setPalette(Palette other) {
        palette = other;
        instruments.refresh();
        changes.refresh();
    }

    /** An instrument with a bar of what came over: solid the same, hatched by its own means, ringed changed, gap left out. */
    private final class InstrumentCell extends ListCell<AcrossState.Row> {

        private final Label name = new Label();
        private final Label counts = new Label();
        private final Map<Translation.Kind, Region> pieces = new EnumMap<>(Translation.Kind.class);
        private final HBox bar = new HBox();
        private final HBox box;

        InstrumentCell() {
            for (Translation.Kind kind : Translation.Kind.values()) {
                Region piece = new Region();
                piece.getStyleClass().addAll("share", "share-" + kind.name().toLowerCase(java.util.Locale.ROOT));
                piece.setMinHeight(12);
                pieces.put(kind, piece);
                bar.getChildren().add(piece);
            }
            bar.setMinWidth(BAR);
            bar.setMaxWidth(BAR);
            bar.setAlignment(Pos.CENTER_LEFT);
            name.setMinWidth(150);
            counts.getStyleClass().add("quiet");
            box = new HBox(10, name, bar, counts);
            box.setAlignment(Pos.CENTER_LEFT);
        }

        @Override
        protected void updateItem(AcrossState.Row row, boolean empty) {
            super.updateItem(row, empty);
            setGraphic(empty || row == null ? null : box);
            if (empty || row == null) {
                setAccessibleText(null);
                return;
            }
            name.setText(row.instrument().name());
            int all = Math.max(1, row.translation().steps().size());
            pieces.forEach((kind, piece) -> {
                double width = BAR * row.count(kind) / all;
                piece.setMinWidth(width);
                piece.setMaxWidth(width);
            });
            long over = all - row.count(Translation.Kind.LEFT_OUT);
            counts.setText(row.translation().steps().isEmpty() ? "bare" : "%d of %d".formatted(over, all));
            setAccessibleText(row.instrument().name() + ": " + inWords(row));
        }
    }

    /** A placement with its mark before and after, and why. */
    private final class ChangeCell extends ListCell<Translation.Step> {

        private final Label what = new Label();
        private final Label why = new Label();
        private final Canvas marks = new Canvas(92, 22);
        private final HBox box;

        ChangeCell() {
            what.setWrapText(true);
            why.setWrapText(true);
            why.getStyleClass().add("quiet");
            VBox words = new VBox(1, what, why);
            HBox.setHgrow(words, Priority.ALWAYS);
            box = new HBox(10, marks, words);
            box.setAlignment(Pos.CENTER_LEFT);
            box.maxWidthProperty().bind(changes.widthProperty().subtract(40));
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Translation.Step step, boolean empty) {
            super.updateItem(step, empty);
            setGraphic(empty || step == null ? null : box);
            if (empty || step == null) {
                setAccessibleText(null);
                return;
            }
            String bar = BarNames.name(step.bar());
            String became = step.to().map(Ornament::name).orElse("left out");
            what.setText("%s:  %s → %s".formatted(bar, step.from().name(), became));
            why.setText(step.why());
            var g = marks.getGraphicsContext2D();
            g.clearRect(0, 0, marks.getWidth(), marks.getHeight());
            mark(g, step.from(), 20);
            step.to().ifPresent(o -> mark(g, o, 68));
            g.setStroke(palette.of(wildflourish.score.display.Ink.QUIET));
            g.strokeLine(40, 11, 50, 11);
            g.strokeLine(46, 7, 50, 11);
            g.strokeLine(46, 15, 50, 11);
            setAccessibleText(what.getText() + ". " + why.getText());
        }

        private void mark(javafx.scene.canvas.GraphicsContext g, Ornament ornament, double x) {
            double scale = Math.min(9, 36 / Math.max(0.1, OrnamentMark.width(ornament) + 0.6));
            new CanvasPainter(g, palette, scale, 0, 0).paint(
                    OrnamentMark.at(x / scale, 11 / scale, ornament), -10, 10);
        }
    }

    /** The rows that are shown, for the tests. */
    List<AcrossState.Row> shown() {
        return List.copyOf(instruments.getItems());
    }
}
