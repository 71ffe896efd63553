package wildflourish.app.lesson;

import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.lesson.LessonState.Mode;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.LessonPlan;

/** The lesson: who comes and what is taken up, line by line what is done; in the room the same in large letters; and the record. */
public final class LessonView extends BorderPane {

    private final LessonModel model;
    private final ListView<LessonPlan.Line> lines = new ListView<>();
    private final VBox told = new VBox(6);
    private final Comers comers;
    private final RoomPane room;
    private final RecordPane record;
    private final ToggleButton plan = Buttons.toggle("lesson-show-plan", "Plan", "what is to be done");
    private final ToggleButton past = Buttons.toggle("lesson-show-record", "Record", "lessons, workshops and jams that were and are to come");
    private final Label empty = Labels.wrapped("Tick who comes and which tunes: the plan comes by itself.");
    private final BorderPane planned = new BorderPane();
    private final Filling filling = new Filling();

    /** A view of the model; the commands are those of the screen. */
    LessonView(LessonModel model, List<Command> commands, GuideLink guide) {
        this.model = model;
        setId("lesson");
        getStyleClass().add("lesson");
        comers = new Comers(model);
        room = new RoomPane(model, commands);
        record = new RecordPane(model, commands, this::focusWork);
        lines.setId("lesson-lines");
        lines.setAccessibleText("the lines of the lesson");
        lines.setPlaceholder(empty);
        lines.setCellFactory(l -> new LineCell());
        lines.getSelectionModel().selectedIndexProperty().addListener((o, a, now) -> filling.chosen(() -> model.select(now.intValue())));
        told.setId("lesson-told");
        ScrollPane detail = new ScrollPane(told);
        detail.setFitToWidth(true);
        detail.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        detail.setAccessibleText("what each does");
        VBox right = new VBox(8, detail, guide);
        VBox.setVgrow(detail, Priority.ALWAYS);
        right.setPadding(new Insets(12));
        right.setPrefWidth(330);
        right.setMinWidth(230);
        FlowPane deeds = CommandButton.row(commands, () -> { }, List.of(Map.entry("lesson-begin", "In the room"), Map.entry("lesson-page", "Its page…"),
                Map.entry("lesson-away", "Leave this line away"), Map.entry("lesson-all", "All lines again")));
        VBox middle = new VBox(8, lines, deeds);
        middle.setPadding(new Insets(12));
        VBox.setVgrow(lines, Priority.ALWAYS);
        planned.setCenter(middle);
        planned.setRight(right);
        ToggleGroup group = new ToggleGroup();
        plan.setToggleGroup(group);
        past.setToggleGroup(group);
        plan.setOnAction(e -> model.show(Mode.PLAN));
        past.setOnAction(e -> model.show(Mode.RECORD));
        VBox left = new VBox(10, new HBox(4, plan, past), comers);
        VBox.setVgrow(comers, Priority.ALWAYS);
        left.setPadding(new Insets(12, 0, 12, 12));
        left.setPrefWidth(236);
        left.setMinWidth(190);
        BorderPane desk = new BorderPane(new StackPane(planned, record));
        desk.setLeft(left);
        setCenter(new StackPane(desk, room));
        model.state().addListener((o, a, now) -> show(now));
        show(model.state().get());
    }

    private void show(LessonState now) {
        filling.fill(() -> {
            comers.show(now);
            List<LessonPlan.Line> all = now.plan().map(LessonPlan::lines).orElse(List.of());
            if (!lines.getItems().equals(all)) {
                lines.getItems().setAll(all);
            }
            if (lines.getSelectionModel().getSelectedIndex() != now.line() && now.line() < all.size()) {
                lines.getSelectionModel().select(now.line());
                lines.getFocusModel().focus(now.line());
                lines.scrollTo(Math.max(0, now.line() - 3));
            }
            boolean recorded = now.mode() == Mode.RECORD;
            plan.setSelected(!recorded);
            past.setSelected(recorded);
            Shown.set(planned, !recorded);
            Shown.set(record, recorded);
            Shown.set(room, now.mode() == Mode.ROOM);
            getCenterDesk().setVisible(now.mode() != Mode.ROOM);
            empty.setText(now.book().people().isEmpty() ? "Nobody is in the class yet: take students in on the class screen."
                    : !now.comers().isEmpty() && !now.tunes().isEmpty() ? "The lesson is being planned." : now.offered().isEmpty() ? "Open a tune, or let somebody take one up on the class screen." : "Tick who comes and which tunes: the plan comes by itself.");
        });
        told.getChildren().setAll(told(now));
        room.show(now);
        record.show(now);
    }

    private javafx.scene.Node getCenterDesk() {
        return ((StackPane) getCenter()).getChildren().getFirst();
    }

    private static List<Label> told(LessonState now) {
        List<Label> labels = new java.util.ArrayList<>();
        now.inHand().ifPresent(l -> {
            labels.add(heading("%s, %d minute%s%s".formatted(l.doing().words(), l.minutes(), l.minutes() == 1 ? "" : "s", l.tune().isEmpty() ? "" : ": " + l.tune())));
            labels.add(Labels.wrapped(Sentence.full(l.words())));
            if (!l.why().isEmpty()) {
                labels.add(quiet(Sentence.full(l.why())));
            }
            l.parts().forEach(p -> {
                labels.add(heading(Sentence.capital(p.who())));
                labels.add(Labels.wrapped(Sentence.full(p.does())));
            });
        });
        now.plan().ifPresent(p -> {
            listed(labels, "Not today", p.left());
            listed(labels, "Ten minutes more would bring", p.more());
            if (p.free() > 0) {
                labels.add(quiet("%d minute%s left over.".formatted(p.free(), p.free() == 1 ? "" : "s")));
            }
        });
        return labels;
    }

    private static void listed(List<Label> labels, String heading, List<String> all) {
        if (!all.isEmpty()) {
            labels.add(heading(heading));
            all.forEach(l -> labels.add(quiet(Sentence.full(l))));
        }
    }

    static Label heading(String text) {
        Label label = Labels.wrapped(text);
        label.getStyleClass().add("note-title");
        return label;
    }

    static Label quiet(String text) {
        Label label = Labels.wrapped(text);
        label.getStyleClass().add("quiet");
        return label;
    }

    /** Puts the keyboard on what is worked in. */
    void focusWork() {
        switch (model.state().get().mode()) {
            case PLAN -> lines.requestFocus();
            case ROOM -> room.requestFocus();
            case RECORD -> record.focusList();
        }
    }

    RecordPane record() {
        return record;
    }

    /** A line of the plan: its minutes, what is done, and how long. */
    private static final class LineCell extends ListCell<LessonPlan.Line> {

        private final Label minutes = new Label();
        private final Label what = Labels.wrapped("");
        private final Label tune = Labels.quiet("");
        private final VBox words = new VBox(1, tune, what);
        private final HBox row = new HBox(8, minutes, words);

        LineCell() {
            minutes.getStyleClass().add("lesson-minutes");
            HBox.setHgrow(words, Priority.ALWAYS);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(LessonPlan.Line line, boolean empty) {
            super.updateItem(line, empty);
            setGraphic(empty || line == null ? null : row);
            if (line != null && !empty) {
                boolean first = getIndex() == 0 || !getListView().getItems().get(getIndex() - 1).tune().equals(line.tune());
                minutes.setText("%d – %d".formatted(line.from(), line.to()));
                what.setText("%s: %s".formatted(line.doing().words(), line.words()));
                tune.setText(line.tune());
                Shown.set(tune, first && !line.tune().isEmpty());
                setAccessibleText("from minute %d, %d minutes: %s, %s".formatted(line.from(), line.minutes(), line.doing().words(), line.words()));
            }
        }
    }
}
