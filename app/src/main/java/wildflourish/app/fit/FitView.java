package wildflourish.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.paint.Look;
import wildflourish.core.finding.Sentence;
import wildflourish.core.fit.ClassKey;
import wildflourish.core.fit.Fit;
import wildflourish.core.fit.Lie;
import wildflourish.core.fit.Moved;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Key;

/** The keys by the instruments as a table; beside it what the one in hand costs, and below it the key for all who play. */
public final class FitView extends BorderPane {

    private static final int NAMES = 2;
    /** Widths of the columns, in pixels at the usual size of words. */
    private static final double PLAYS = 34;
    private static final double NAME = 152;
    private static final double KEY = 52;

    private final FitModel model;
    private final TableView<Instrument> table = new TableView<>();
    private final Label heading = new Label();
    private final Label title = Labels.wrapped("");
    private final VBox terms = new VBox(4);
    private final Label together = Labels.wrapped("");
    private final FitScore score;
    private final TextField singers = new TextField();
    private final Filling filling = new Filling();
    private final List<TableColumn<Instrument, Integer>> keys = new ArrayList<>();

    /** A view of the model. */
    FitView(FitModel model, List<Command> commands, GuideLink guide) {
        this.model = model;
        setId("fit");
        getStyleClass().addAll("fit", "tabled");
        heading.setId("fit-heading");
        heading.getStyleClass().add("note-title");
        title.setId("fit-title");
        title.getStyleClass().add("note-title");
        together.setId("fit-together");
        table.setId("fit-table");
        table.setAccessibleText("keys by instruments");
        table.getSelectionModel().setCellSelectionEnabled(true);
        table.setPlaceholder(Labels.quiet("Open a tune on the shelf first."));
        table.getFocusModel().focusedCellProperty().addListener(o -> select(table.getFocusModel().getFocusedCell().getRow(), table.getFocusModel().getFocusedCell().getColumn()));
        columns();
        Label key = Labels.wrapped("Best: where it lies best on this instrument; 1.3 costs the hands 1.3 times as much; 2 out: notes that are not there. •: its own key. ✓ plays with the others (P).");
        key.getStyleClass().add("quiet");
        score = new FitScore(model);
        Shown.set(score, false);
        singers.setId("fit-singers");
        singers.setPromptText("who sings, as in A3-D5");
        singers.setAccessibleText("who sings, from the lowest comfortable note to the highest, as in A3-D5");
        singers.setPrefColumnCount(16);
        singers.setMinWidth(160);
        singers.setOnAction(e -> {
            model.setSingers(singers.getText());
            focusTable();
        });
        together.setMaxWidth(Double.MAX_VALUE);
        HBox foot = new HBox(10, together, singers);
        HBox.setHgrow(together, Priority.ALWAYS);
        VBox left = new VBox(8, heading, key, table, score, foot);
        left.setPadding(new Insets(12));
        VBox.setVgrow(table, Priority.ALWAYS);
        FlowPane deeds = new FlowPane(8, 8, CommandButton.of(commands.get(0), "Move the tune here", this::focusTable), CommandButton.of(commands.get(1), "Plays", this::focusTable),
                CommandButton.of(commands.get(2), "On the score", this::focusTable));
        ScrollPane scroll = new ScrollPane(terms);
        scroll.setFitToWidth(true);
        scroll.setAccessibleText("what it costs");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox right = new VBox(8, title, deeds, scroll, guide);
        right.setPadding(new Insets(12));
        right.setPrefWidth(330);
        right.setMinWidth(240);
        setCenter(left);
        setRight(right);
        model.state().addListener((o, a, now) -> show(now));
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    private void columns() {
        TableColumn<Instrument, String> plays = new TableColumn<>("✓");
        plays.setCellValueFactory(r -> new SimpleObjectProperty<>(model.state().get().playing().contains(r.getValue().id()) ? "✓" : ""));
        TableColumn<Instrument, String> name = new TableColumn<>("instrument");
        name.setCellValueFactory(r -> new SimpleObjectProperty<>(r.getValue().name()));
        table.getColumns().add(plays);
        table.getColumns().add(name);
        for (int offset = Fit.LOWEST; offset <= Fit.HIGHEST; offset++) {
            int of = offset;
            TableColumn<Instrument, Integer> column = new TableColumn<>();
            column.setCellValueFactory(r -> new SimpleObjectProperty<>(of));
            column.setCellFactory(c -> new KeyCell());
            keys.add(column);
            table.getColumns().add(column);
        }
        table.getColumns().forEach(c -> {
            c.setSortable(false);
            c.setReorderable(false);
        });
    }

    private void select(int row, int column) {
        if (!filling.isOn() && row >= 0 && row < table.getItems().size()) {
            model.select(table.getItems().get(row), column < NAMES ? model.state().get().offset() : Fit.LOWEST + column - NAMES);
        }
    }

    private void show(FitState now) {
        filling.fill(() -> {
            Key own = now.arrangement().tune().head().key();
            heading.setText("%s, in %s".formatted(now.arrangement().tune().title(), own.spoken()));
            for (int i = 0; i < keys.size(); i++) {
                int offset = Fit.LOWEST + i;
                keys.get(i).setText(brief(Moved.by(own, Moved.interval(own, offset))) + (offset == 0 ? " •" : ""));
            }
            if (table.getItems().isEmpty()) {
                table.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
            }
            int row = table.getItems().indexOf(now.instrument());
            TableColumn<Instrument, Integer> column = keys.get(now.offset() - Fit.LOWEST);
            if (!table.getSelectionModel().isSelected(row, column)) {
                table.getSelectionModel().clearAndSelect(row, column);
                table.getFocusModel().focus(row, column);
            }
            table.refresh();
        });
        title.setText(now.cell().map(c -> Sentence.capital(c.inWords()) + (c.fingered().equals(c.sounding()) ? "" : ", sounding in " + c.sounding().spoken())).orElse("Weighing …"));
        terms.getChildren().setAll(now.cell().map(c -> told(now, c)).orElse(List.of()));
        together.setText(together(now));
        score.show(now);
    }

    /** Shows the cell in hand on the score below the table, or no more. */
    public void toggleScore() {
        boolean on = !score.isVisible();
        Shown.set(score, on);
        if (on) {
            score.ask();
        } else {
            score.rest();
        }
    }

    private static String brief(Key key) {
        return key.tonic() + (key.tonicAlter() < 0 ? "♭" : key.tonicAlter() > 0 ? "♯" : "");
    }

    private static String figure(FitState now, Fit.Cell cell) {
        return cell.isWhole() ? now.against(cell).filter(t -> t > 1).map(t -> String.format(Locale.ROOT, "%.1f", t)).orElse("best") : cell.lie().missing().size() + " out";
    }

    private static Label quiet(String words) {
        Label label = Labels.wrapped(words);
        label.getStyleClass().add("quiet");
        return label;
    }

    private static List<Label> told(FitState now, Fit.Cell cell) {
        List<Label> lines = new ArrayList<>();
        if (cell.shift() != 0) {
            lines.add(quiet("%s %s".formatted(Math.abs(cell.shift()) == 1 ? "A semitone" : Math.abs(cell.shift()) + " semitones", cell.shift() > 0 ? "up" : "down")));
        }
        for (Lie.Term term : cell.lie().terms()) {
            lines.add(Labels.wrapped("%s  (%d)".formatted(Sentence.capital(term.inWords()), term.cost())));
        }
        lines.add(quiet("Together %d%s".formatted(cell.lie().cost(), cell.lie().worst() > 0 ? "; most of it for its length in bar " + cell.lie().worst() : "")));
        now.looked().map(FitState.Looked::putRight).filter(r -> !r.isEmpty()).ifPresent(r -> lines.add(Labels.wrapped("What is not there is put right: " + r + ".")));
        if (now.offset() != 0) {
            lines.add(Labels.wrapped(Sentence.full(now.recording().inWords())));
        }
        if (!now.ways().isEmpty()) {
            Label heading = Labels.wrapped("Easy ways to " + cell.sounding().spoken());
            heading.getStyleClass().add("note-title");
            lines.add(heading);
            now.ways().forEach(w -> lines.add(Labels.wrapped("%s%s".formatted(Sentence.capital(w.inWords()), w.isWhole() ? "" : ", but for " + w.lie().terms().getFirst().inWords()))));
        }
        List<Fit.Cell> best = now.fit().best(cell.instrument());
        Label keys = Labels.wrapped("Best keys on the " + cell.instrument().name());
        keys.getStyleClass().add("note-title");
        lines.add(keys);
        best.forEach(b -> lines.add(Labels.wrapped("%s: %s".formatted(b.sounding().spoken(), b.why()))));
        now.carried().filter(c -> c.kept() + c.lost() > 0).ifPresent(c -> {
            lines.add(Labels.wrapped(c.lost() == 0 ? "All %d ornaments of the fullest rung can be done here.".formatted(c.kept())
                    : "Of the fullest rung's ornaments %d can be done here and %d cannot:".formatted(c.kept(), c.lost())));
            c.losses().forEach(l -> lines.add(quiet("%s, %s".formatted(Sentence.capital(BarNames.spoken(l.bar())), l.why().startsWith(l.ornament() + ":") ? l.why() : l.ornament() + ": " + l.why()))));
        });
        return lines;
    }

    private static String together(FitState now) {
        if (now.playing().isEmpty()) {
            return "Nobody plays together yet: choose an instrument and press P.";
        }
        Optional<ClassKey> behind = now.nobodyBehind();
        Optional<ClassKey> easiest = now.easiest();
        if (behind.isEmpty() || easiest.isEmpty()) {
            return "Weighing every key on every instrument …";
        }
        String left = behind.get().leftBehind().isEmpty() ? "" : ", though not everything is there for " + String.join(", ", behind.get().leftBehind());
        String cost = easiest.get().leftBehind().isEmpty() ? "" : ", which leaves out " + String.join(", ", easiest.get().leftBehind());
        String who = now.playing().size() == 1 ? "On the %s alone".formatted(behind.get().cells().getFirst().instrument().name()) : "For the %d that play together".formatted(now.playing().size());
        return "%s: nobody is left behind in %s%s. Easiest on the whole is %s%s.".formatted(who, behind.get().sounding().spoken(), left, easiest.get().sounding().spoken(), cost);
    }

    /** Paints the table in a look: its columns are as wide as its words are large. */
    void dress(Look look) {
        double times = look.percent() / 100.0;
        for (int c = 0; c < table.getColumns().size(); c++) {
            double width = times * (c == 0 ? PLAYS : c == 1 ? NAME : KEY);
            table.getColumns().get(c).setMinWidth(width);
            table.getColumns().get(c).setPrefWidth(width);
        }
        table.refresh();
        score.dress(look);
    }

    /** Puts the keyboard on the table. */
    void focusTable() {
        table.requestFocus();
    }

    /** How a key lies on an instrument: in a figure, and by how strong its ground is. */
    private final class KeyCell extends TableCell<Instrument, Integer> {

        @Override
        protected void updateItem(Integer offset, boolean empty) {
            super.updateItem(offset, empty);
            getStyleClass().removeAll("fit-best", "fit-fair", "fit-dear", "fit-out");
            Instrument instrument = empty || getTableRow() == null ? null : getTableRow().getItem();
            FitState now = model.state().get();
            if (empty || offset == null || instrument == null || now == null) {
                setText(null);
                setAccessibleText(null);
                return;
            }
            setAlignment(Pos.CENTER);
            Optional<Fit.Cell> cell = now.fit().at(instrument, offset);
            setText(cell.map(c -> figure(now, c)).orElse("…"));
            cell.ifPresent(c -> getStyleClass().add("fit-" + now.standing(c).name().toLowerCase(Locale.ROOT)));
            setAccessibleText(cell.map(c -> c.inWords() + ": " + getText()).orElse(getText()));
        }
    }
}
