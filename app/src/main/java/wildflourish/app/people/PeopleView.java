package wildflourish.app.people;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Question;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.paint.Look;
import wildflourish.app.work.ClassBook;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.lesson.Student;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/** Students by tunes; beside them the one in hand: where they are, what is next, and why. */
public final class PeopleView extends BorderPane {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM", Locale.UK);
    private static final int NAMES = 1;
    private static final int GIVEN = 3;
    /** Widths of the columns and the height of a row, in pixels at the usual size of words. */
    private static final double NAME = 126;
    private static final double TUNE = 124;
    private static final double ROW = 28;

    private final PeopleModel model;
    private final TableView<Person> table = new TableView<>();
    private final Label name = Labels.wrapped("");
    private final VBox told = new VBox(6);
    private final Label together = Labels.wrapped("");
    private final StudentForm form;
    private final LeavingPane leaving;
    private final Question question = new Question("class-question", this::focusTable);
    private final Filling filling = new Filling();
    private List<TuneEntry> columns = List.of();
    private double words = 1;

    /** A view of the model. */
    PeopleView(PeopleModel model, List<Command> commands, GuideLink guide) {
        this.model = model;
        this.form = new StudentForm(model, this::focusTable);
        this.leaving = new LeavingPane(model, this::focusTable);
        setId("class");
        getStyleClass().addAll("people", "tabled");
        table.setId("class-table");
        table.setAccessibleText("students by tunes");
        table.getSelectionModel().setCellSelectionEnabled(true);
        table.setPlaceholder(Labels.quiet("Nobody is in the class yet: N takes in a student."));
        table.getFocusModel().focusedCellProperty().addListener(o -> select(table.getFocusModel().getFocusedCell().getRow(), table.getFocusModel().getFocusedCell().getColumn()));
        name.setId("class-name");
        name.getStyleClass().add("note-title");
        together.setId("class-together");
        told.setId("class-told");
        FlowPane deeds = new FlowPane(8, 8);
        for (var deed : List.of(Map.entry(0, "Work as this student"), Map.entry(2, "Next rung"), Map.entry(4, "Takes up the open tune"), Map.entry(5, "Say what is next"),
                Map.entry(7, "Change"), Map.entry(6, "New student"))) {
            deeds.getChildren().add(CommandButton.of(commands.get(deed.getKey()), deed.getValue(), () -> { }));
        }
        ScrollPane scroll = new ScrollPane(new VBox(10, leaving, form, told, guide, deeds));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setAccessibleText("the student in hand");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox right = new VBox(8, name, scroll);
        right.setPadding(new Insets(12));
        right.setPrefWidth(340);
        right.setMinWidth(250);
        VBox left = new VBox(8, table, together, new FlowPane(8, 8, CommandButton.of(commands.get(8), "Everybody's sheets…", () -> { }), CommandButton.of(command(commands, "class-hear"), "Hear all", () -> { }),
                CommandButton.of(command(commands, "class-solo"), "Alone", () -> { }), CommandButton.of(command(commands, "class-loudness"), "How loud", () -> { })), question);
        left.setPadding(new Insets(12));
        VBox.setVgrow(table, Priority.ALWAYS);
        setCenter(left);
        setRight(right);
        model.state().addListener((o, a, now) -> show(now));
        show(model.state().get());
    }

    private static Command command(List<Command> commands, String id) {
        return commands.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow();
    }

    private void select(int row, int column) {
        if (!filling.isOn() && row >= 0 && row < table.getItems().size()) {
            int tune = column - NAMES;
            model.select(table.getItems().get(row).id(), tune >= 0 && tune < columns.size() ? columns.get(tune).id() : model.state().get().tune());
        }
    }

    private void show(PeopleState now) {
        filling.fill(() -> {
            if (!columns.equals(now.book().tunes()) || table.getColumns().isEmpty()) {
                columns = now.book().tunes();
                fillColumns();
            }
            if (!table.getItems().equals(now.book().people())) {
                table.getItems().setAll(now.book().people());
            }
            int row = now.person().map(table.getItems()::indexOf).orElse(-1);
            int tune = columns.stream().map(TuneEntry::id).toList().indexOf(now.tune());
            if (row >= 0) {
                TableColumn<Person, ?> column = table.getColumns().get(tune < 0 ? 0 : tune + NAMES);
                if (!table.getSelectionModel().isSelected(row, column)) {
                    table.getSelectionModel().clearAndSelect(row, column);
                    table.getFocusModel().focus(row, column);
                    table.scrollToColumn(column);
                }
            }
            table.refresh();
        });
        name.setText(now.person().map(p -> p.student().name() + (now.follows().filter(p::equals).isPresent() ? ": everything follows them" : "")).orElse("The class"));
        told.getChildren().setAll(told(now));
        together.setText((now.tempoInWords() + " " + now.clashesInWords()).strip());
    }

    private void fillColumns() {
        table.getColumns().clear();
        TableColumn<Person, String> who = new TableColumn<>("student");
        who.setCellValueFactory(r -> new SimpleObjectProperty<>(r.getValue().student().name()));
        table.getColumns().add(who);
        for (TuneEntry tune : columns) {
            TableColumn<Person, TuneEntry> column = new TableColumn<>();
            Label title = Labels.wrapped(tune.title());
            title.getStyleClass().add("column-title");
            column.setGraphic(title);
            column.setCellValueFactory(r -> new SimpleObjectProperty<>(tune));
            column.setCellFactory(c -> new StandingCell());
            table.getColumns().add(column);
        }
        table.getColumns().forEach(c -> {
            c.setSortable(false);
            c.setReorderable(false);
        });
        widths();
    }

    private void widths() {
        table.setFixedCellSize(Math.rint(words * ROW));
        for (int c = 0; c < table.getColumns().size(); c++) {
            double width = words * (c == 0 ? NAME : TUNE);
            table.getColumns().get(c).setMinWidth(width);
            table.getColumns().get(c).setPrefWidth(width);
        }
    }

    private static Label quiet(String text) {
        Label label = Labels.wrapped(text);
        label.getStyleClass().add("quiet");
        return label;
    }

    private static Label heading(String text) {
        Label label = Labels.wrapped(text);
        label.getStyleClass().add("note-title");
        return label;
    }

    private List<Label> told(PeopleState now) {
        List<Label> lines = new ArrayList<>();
        now.person().ifPresent(p -> {
            Student s = p.student();
            lines.add(quiet("%s, %s%s%s".formatted(s.plays().spoken(), s.speeds().isEmpty() ? s.level() : "measured hands", s.group().isEmpty() ? "" : ", " + s.group(),
                    s.reads() ? "" : ", a step list")));
            if (!s.also().isEmpty()) {
                lines.add(quiet("Also plays %s: I takes up the next.".formatted(s.also().stream().map(id -> "the " + Instruments.known(id).spoken()).collect(Collectors.joining(", ")))));
            }
            if (!s.remark().isEmpty()) {
                lines.add(quiet(s.remark()));
            }
        });
        now.line().ifPresentOrElse(l -> lines.addAll(told(l)), () -> now.person().ifPresent(p -> lines.add(Labels.wrapped(now.book().lines().stream().anyMatch(l -> l.person().equals(p))
                ? "Choose one of the tunes that they learn." : "They learn nothing yet: open a tune, and T takes it up."))));
        now.person().ifPresent(p -> {
            List<Label> given = now.book().given().stream().filter(g -> g.student() == p.id() && (now.line().isEmpty() || g.tune() == now.tune())).toList().reversed().stream().limit(GIVEN)
                    .map(g -> quiet("%s: %s, %s".formatted(g.at().atZone(ZoneId.systemDefault()).toLocalDate().format(DAY), g.what(), g.rung()))).toList();
            if (!given.isEmpty()) {
                lines.add(heading("Given out"));
                lines.addAll(given);
            }
            long came = now.book().meetings().stream().filter(m -> m.there().contains(p.id())).count();
            if (!now.book().meetings().isEmpty()) {
                lines.add(quiet("Came to %d of %d lessons and workshops.".formatted(came, now.book().meetings().size())));
            }
            List<String> care = model.care();
            if (!care.isEmpty()) {
                lines.add(heading("For the hands"));
                care.forEach(c -> lines.add(quiet(c)));
            }
        });
        return lines;
    }

    private static List<Label> told(ClassBook.Line line) {
        List<Label> lines = new ArrayList<>();
        lines.add(heading(line.known().map(n -> "Next: " + n.inWords()).orElse("Next: being worked out")));
        line.known().ifPresent(n -> lines.add(Labels.wrapped(Sentence.full(n.why()))));
        lines.add(heading(line.tune().title()));
        lines.add(Labels.wrapped("On the rung “%s”, %s; the goal is %s.".formatted(line.rungName(), line.standing().reached().map(r -> (line.standing().part() ? "in parts " : "")
                + "even up to " + r.spoken()).orElse(line.standing().passes() == 0 ? "not played yet" : "nothing even yet"), line.standing().goal().spoken())));
        line.standing().last().ifPresent(d -> lines.add(quiet("Last played on %s; %d passes measured.".formatted(d.format(DAY), line.standing().passes()))));
        line.standing().stuck().forEach(s -> lines.add(Labels.wrapped("Stuck: %s, %d times.".formatted(s.passage(), s.stuckFor()))));
        return lines;
    }

    /** Asks for a new student. */
    void askNew() {
        form.open(Optional.empty());
    }

    /** Asks for what is known of the one in hand. */
    void askChange() {
        model.state().get().person().ifPresent(p -> form.open(Optional.of(p)));
    }

    /** Asks what is next by the teacher's own word. */
    void askNext() {
        model.state().get().line().ifPresent(l -> question.ask("What is next for %s? Empty: as it is computed".formatted(l.person().student().name()), l.learning().decided(), model::decide));
    }

    /** Asks whether the student in hand is to be deleted. */
    void askLeave() {
        model.leaving(leaving::ask);
    }

    void dress(Look look) {
        words = look.percent() / 100.0;
        widths();
        table.refresh();
    }

    void focusTable() {
        table.requestFocus();
    }

    /** Where a student is with a tune: in words, and by its ground. */
    private final class StandingCell extends TableCell<Person, TuneEntry> {

        @Override
        protected void updateItem(TuneEntry tune, boolean empty) {
            super.updateItem(tune, empty);
            getStyleClass().removeAll("people-there", "people-stuck");
            Person person = empty || getTableRow() == null ? null : getTableRow().getItem();
            Optional<ClassBook.Line> line = person == null || tune == null ? Optional.empty() : model.state().get().book().line(person.id(), tune.id());
            setText(line.map(StandingCell::brief).orElse(null));
            setAccessibleText(line.map(l -> "%s, %s: %s%s".formatted(l.person().student().name(), l.tune().title(), brief(l), l.known().map(n -> "; next: " + n.inWords()).orElse(""))).orElse(null));
            line.ifPresent(l -> {
                if (!l.standing().stuck().isEmpty()) {
                    getStyleClass().add("people-stuck");
                } else if (l.standing().isThere()) {
                    getStyleClass().add("people-there");
                }
            });
        }

        private static String brief(ClassBook.Line line) {
            return line.how() + " · " + line.rungName();
        }
    }
}
