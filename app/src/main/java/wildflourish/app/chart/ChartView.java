package wildflourish.app.chart;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;
import wildflourish.app.controls.Filling;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Palette;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.tune.Pitch;
import wildflourish.score.display.Drawing;
import wildflourish.score.handout.InstrumentChart;

/** The chart screen: the printed chart on the left, the note in hand with its fingerings or buttons to change beside it. */
public final class ChartView extends BorderPane {

    private static final double PANEL = 330;

    private final ChartModel model;
    private final Canvas canvas = new Canvas();
    private final ScrollPane scroll = new ScrollPane(new Pane(canvas));
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final CheckBox tuneOnly = new CheckBox("only the notes of the open tune");
    private final ListView<Pitch> notes = new ListView<>();
    private final Label title = new Label();
    private final VBox entries = new VBox(5);
    private final Label help = new Label();
    private final TextField newName = new TextField();
    private final TextField newLowest = new TextField();
    private final HBox newKey = new HBox(6);
    private final Button restore = new Button("As it came");
    private Palette palette = Palette.LIGHT;
    private @Nullable Drawing drawn;
    private @Nullable ChartState shown;
    private final Filling filling = new Filling();

    /** A view of the model. */
    public ChartView(ChartModel model) {
        this.model = model;
        getStyleClass().add("chart-screen");
        setTop(controls());
        scroll.setId("chart-page");
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        setCenter(scroll);
        ScrollPane beside = new ScrollPane(panel());
        beside.setFitToWidth(true);
        beside.setFitToHeight(true);
        beside.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        beside.setFocusTraversable(false);
        setRight(beside);
        scroll.widthProperty().addListener((o, a, b) -> paint());
        model.state().addListener((o, before, now) -> show(now));
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    private HBox controls() {
        instrument.setId("chart-instrument");
        instrument.setAccessibleText("instrument of the chart");
        instrument.setVisibleRowCount(20);
        instrument.setConverter(new StringConverter<>() {
            @Override
            public String toString(Instrument value) {
                return value == null ? "" : value.name();
            }

            @Override
            public Instrument fromString(String text) {
                throw new UnsupportedOperationException("the box is not typed into");
            }
        });
        instrument.setOnAction(e -> {
            if (!filling.isOn() && instrument.getValue() != null) {
                model.show(instrument.getValue());
            }
        });
        tuneOnly.setId("chart-tune-only");
        tuneOnly.setMinHeight(28);
        tuneOnly.setOnAction(e -> model.setTuneOnly(tuneOnly.isSelected()));
        restore.setId("chart-restore");
        restore.setTooltip(new Tooltip("take the chart that came with the program again"));
        restore.setOnAction(e -> model.restore());
        HBox bar = new HBox(14, instrument, tuneOnly, restore);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("controls");
        return bar;
    }

    private VBox panel() {
        notes.setId("chart-notes");
        notes.setAccessibleText("notes of the chart, from high to low");
        notes.setCellFactory(list -> new ListCell<>() {
            @Override
            protected void updateItem(Pitch pitch, boolean empty) {
                super.updateItem(pitch, empty);
                setText(empty || pitch == null ? "" : pitch + "   " + pitch.spoken());
            }
        });
        notes.getSelectionModel().selectedItemProperty().addListener((o, a, now) -> {
            if (!filling.isOn() && now != null) {
                model.select(now);
            }
        });
        notes.setPrefHeight(230);
        notes.setMinHeight(120);
        notes.setMaxHeight(340);
        title.getStyleClass().add("note-title");
        title.setWrapText(true);
        title.setMinHeight(USE_PREF_SIZE);
        title.setId("chart-title");
        help.getStyleClass().add("quiet");
        help.setWrapText(true);
        help.setMinHeight(USE_PREF_SIZE);
        newName.setId("chart-new-name");
        newName.setPromptText("name, like E whistle of Ina's");
        newName.setAccessibleText("name of a new instrument made after this one");
        newLowest.setId("chart-new-lowest");
        newLowest.setPromptText("lowest note");
        newLowest.setAccessibleText("written lowest note of the new instrument, like E4");
        newLowest.setPrefWidth(100);
        newLowest.setMinWidth(90);
        Button make = new Button("Add");
        make.setId("chart-new");
        make.setMinWidth(USE_PREF_SIZE);
        make.setOnAction(e -> model.makeAnother(newName.getText(), newLowest.getText()));
        HBox.setHgrow(newName, Priority.ALWAYS);
        newKey.getChildren().setAll(newName, newLowest, make);
        Label another = new Label("A new instrument after this one");
        another.getStyleClass().add("candidate-name");
        another.setWrapText(true);
        another.setMinHeight(USE_PREF_SIZE);
        VBox panel = new VBox(8, notes, title, entries, help, another, newKey);
        VBox.setVgrow(notes, Priority.SOMETIMES);
        panel.getStyleClass().add("note-in-hand");
        panel.setPrefWidth(PANEL);
        panel.setMinWidth(PANEL);
        return panel;
    }

    private void show(ChartState now) {
        filling.fill(() -> {
            instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
            instrument.setValue(now.instrument());
            tuneOnly.setSelected(now.tuneOnly());
            notes.getItems().setAll(now.pitches().reversed());
            notes.getSelectionModel().select(now.pitch());
            notes.scrollTo(now.pitch());
            title.setText(now.pitch().spoken() + " on the " + now.instrument().name());
            restore.setDisable(!now.changed());
            boolean wind = now.instrument().layout() instanceof WindChart;
            newLowest.setVisible(wind);
            newLowest.setManaged(wind);
            showEntries(now, wind);
        });
        if (shown == null || !shown.instrument().equals(now.instrument()) || !shown.pitches().equals(now.pitches())) {
            drawn = null;
        }
        shown = now;
        paint();
    }

    private void showEntries(ChartState now, boolean wind) {
        entries.getChildren().clear();
        for (int i = 0; i < now.entries().size(); i++) {
            int entry = i;
            ChartState.Entry value = now.entries().get(i);
            Label label = new Label(value.label());
            label.setMinWidth(74);
            TextField field = new TextField(value.text());
            field.setId("chart-entry-" + i);
            field.setAccessibleText(value.label() + " for " + now.pitch().spoken());
            field.setPromptText(wind ? "another, like " + now.instrument().layout().example() : "");
            field.setOnAction(e -> model.change(entry, field.getText()));
            label.setLabelFor(field);
            HBox row = new HBox(6, label, field);
            row.setAlignment(Pos.CENTER_LEFT);
            HBox.setHgrow(field, Priority.ALWAYS);
            if (wind && i > 0 && i < now.entries().size() - 1) {
                Button prefer = new Button("Prefer");
                prefer.setId("chart-prefer-" + i);
                prefer.setMinWidth(USE_PREF_SIZE);
                prefer.setOnAction(e -> model.prefer(entry));
                row.getChildren().add(prefer);
            }
            entries.getChildren().add(row);
        }
        help.setText(wind
                ? "Change a fingering and press Enter; empty one to take it out. x closed, o open, h half; firm or + for the"
                        + " upper octave; try where instruments differ. A fingering that breaks a rule is refused."
                : "Change a text and press Enter. A change that breaks a rule of the instrument is refused.");
    }

    /** Chooses the light or the dark look. */
    public void setPalette(Palette newPalette) {
        palette = newPalette;
        paint();
    }

    private void paint() {
        if (shown == null || scroll.getWidth() < 50) {
            return;
        }
        if (drawn == null) {
            drawn = new InstrumentChart(shown.instrument(), shown.pitches(), Optional.empty()).drawing();
        }
        double width = scroll.getWidth() - 18;
        double space = width / drawn.width();
        canvas.setWidth(width);
        canvas.setHeight(Math.min(8000, drawn.height() * space));
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.setFill(palette.paper());
        g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
        new CanvasPainter(g, palette, space, 0, 0).paint(drawn.shapes(), 0, drawn.height());
    }

    /** Puts the keyboard on the list of notes. */
    public void focusNotes() {
        notes.requestFocus();
    }
}
