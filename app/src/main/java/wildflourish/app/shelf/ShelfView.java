package wildflourish.app.shelf;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Question;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.core.finding.Sentence;
import wildflourish.library.TuneEntry;

/** The shelf as a list: search above, what was found wrong below. */
public final class ShelfView extends VBox {

    private final ListView<TuneEntry> list = new ListView<>();
    private final TextField search = new TextField();
    private final Question question = new Question("shelf-answer", this::focusList);

    /**
     * A view of the model.
     *
     * @param incipits draws the first bars of tunes
     * @param open opens a tune on the trellis
     * @param bringIn asks for a file to bring in
     * @param deeds what grows all ladders, what begins a new tune, and what brings the demo class's tunes in
     */
    ShelfView(ShelfModel model, Incipits incipits, LongConsumer open, Command bringIn, List<Command> deeds) {
        super(10);
        getStyleClass().add("shelf");
        search.setId("search");
        search.setPromptText("search by title, type, key or tag, or by notes: d f a f d");
        search.setAccessibleText("search the shelf");
        search.textProperty().bindBidirectional(model.search());
        HBox.setHgrow(search, Priority.ALWAYS);
        Command demo = deeds.get(2);
        ComboBox<ShelfModel.Order> order = new ComboBox<>();
        order.setId("shelf-order");
        order.setAccessibleText("the order of the tunes");
        order.getItems().setAll(ShelfModel.Order.values());
        order.setConverter(Choosing.by(ShelfModel.Order::words));
        order.valueProperty().bindBidirectional(model.order());
        order.setMinWidth(0);
        HBox top = new HBox(10, search, order, CommandButton.of(deeds.get(0), "Grow all", this::focusList), CommandButton.of(deeds.get(1), "Write a tune", () -> { }),
                CommandButton.of(bringIn, "Bring in a file…", () -> { }));
        list.setItems(model.shown());
        list.setId("tunes");
        list.setAccessibleText("the tunes on the shelf");
        list.setCellFactory(l -> new TuneCell(model, incipits));
        model.onChanged(list::refresh);
        placeholder(model, demo);
        model.known().addListener((o, a, b) -> placeholder(model, demo));
        model.tunes().addListener((ListChangeListener<TuneEntry>) c -> {
            placeholder(model, demo);
            if (list.isFocused() && list.getSelectionModel().isEmpty()) {
                list.getSelectionModel().selectFirst();
            }
        });
        list.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                withSelected(open);
            }
        });
        search.setOnAction(e -> {
            if (!model.shown().isEmpty()) {
                list.getSelectionModel().selectFirst();
                list.requestFocus();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        Label heading = new Label("What was found in the file read last");
        heading.getStyleClass().add("note-title");
        Button close = new Button("Close");
        close.setAccessibleText("close the list of findings");
        close.setOnAction(e -> model.findings().clear());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox headline = new HBox(10, heading, gap, close);
        headline.setAlignment(Pos.CENTER_LEFT);
        ListView<String> findings = new ListView<>(model.findings());
        findings.setId("findings");
        findings.setAccessibleText("findings");
        findings.setPrefHeight(190);
        findings.setMinHeight(120);
        VBox below = new VBox(6, headline, findings);
        below.setVisible(false);
        below.setManaged(false);
        model.findings().addListener((ListChangeListener<String>) c -> {
            below.setVisible(!model.findings().isEmpty());
            below.setManaged(!model.findings().isEmpty());
        });
        getChildren().addAll(top, question, list, below);
    }

    /** Asks for words about the tune in hand; Enter gives them, Escape leaves it. */
    void ask(String words, String now, Consumer<String> then) {
        question.ask(words, now, then);
    }

    /** The tune in hand. */
    Optional<TuneEntry> inHand() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    /** What stands where no tune does: that the library is being read, that no tune is called so, or a greeting. */
    private void placeholder(ShelfModel model, Command demo) {
        if (!model.known().get()) {
            list.setPlaceholder(new Label("Opening the library …"));
        } else if (!model.isEmpty()) {
            list.setPlaceholder(new Label("No tune on the shelf is called that or has these notes. Take a letter away."));
        } else {
            Label title = new Label("Welcome to Wild Flourish");
            title.getStyleClass().add("note-title");
            Label bring = Labels.wrapped("Bring a tune in: drop a file of ABC notation, MusicXML or MIDI on this window, or press Ctrl+O; or write one with Ctrl+Shift+N.");
            Label grow = Labels.wrapped("It grows into six versions, from bare to wild, for the instrument and the student you choose; each note says what it can take, and why.");
            Label help = Labels.wrapped("F1 shows the keys that work here; Ctrl+Space finds anything.");
            VBox greeting = new VBox(12, title, bring, grow, help, CommandButton.of(demo, "Look around in the demo class first", this::focusList));
            greeting.setId("greeting");
            greeting.setAlignment(Pos.CENTER);
            greeting.setMaxWidth(560);
            greeting.getStyleClass().add("empty");
            list.setPlaceholder(greeting);
        }
    }

    /** Does something with the tune in hand, if there is one. */
    void withSelected(LongConsumer action) {
        TuneEntry selected = list.getSelectionModel().getSelectedItem();
        if (selected != null) {
            action.accept(selected.id());
        }
    }

    void focusSearch() {
        search.requestFocus();
        search.selectAll();
    }

    /** Puts the keyboard on the list. */
    public void focusList() {
        list.requestFocus();
        if (list.getSelectionModel().isEmpty()) {
            list.getSelectionModel().selectFirst();
        }
    }

    /** Repaints the list, for instance in another look. */
    public void refresh() {
        list.refresh();
    }

    private static final class TuneCell extends ListCell<TuneEntry> {
        private final Label title = new Label();
        private final Label about = new Label();
        private final Canvas incipit = new Canvas(Incipits.WIDTH, Incipits.HEIGHT);
        private final ShelfModel model;
        private final Incipits incipits;
        private final HBox box;

        TuneCell(ShelfModel model, Incipits incipits) {
            this.model = model;
            this.incipits = incipits;
            title.getStyleClass().add("tune-title");
            about.getStyleClass().add("quiet");
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            box = new HBox(12, new VBox(1, title, about), gap, incipit);
            box.setAlignment(Pos.CENTER_LEFT);
        }

        @Override
        protected void updateItem(TuneEntry tune, boolean empty) {
            super.updateItem(tune, empty);
            if (empty || tune == null) {
                setGraphic(null);
                setTooltip(null);
                setAccessibleText(null);
            } else {
                title.setText(tune.title());
                List<String> tags = model.tags(tune);
                about.setText(tune.type() + "  ·  " + tune.key() + "  ·  " + tune.meter() + (tags.isEmpty() ? "" : "  ·  " + String.join(", ", tags))
                        + model.hardnessInWords(tune).map(h -> "  ·  " + h).orElse("") + (model.isByNotes(tune) ? "  ·  has these notes" : ""));
                setAccessibleText(tune.title() + ", " + tune.type() + " in " + tune.key() + model.hardnessInWords(tune).map(h -> ", " + h).orElse(""));
                setTooltip(model.hardness(tune).map(h -> new Tooltip(Sentence.full(h.inWords()))).orElse(null));
                setGraphic(box);
                incipits.draw(tune, incipit, () -> tune.equals(getItem()));
            }
        }
    }
}
