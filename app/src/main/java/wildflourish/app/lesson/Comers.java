package wildflourish.app.lesson;

import java.util.List;
import java.util.function.BiConsumer;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Numbers;
import wildflourish.app.controls.Shown;
import wildflourish.core.lesson.LessonRule;
import wildflourish.library.TuneEntry;

/** How long, who comes, and which tunes. */
final class Comers extends VBox {

    private static final int STEP = 5;

    private final LessonModel model;
    private final Spinner<Integer> minutes = Numbers.spinner("lesson-minutes", 1, LessonRule.USUAL.longest(), 60, STEP, "minutes of the lesson");
    private final javafx.scene.layout.HBox howLong = Numbers.row("minutes", minutes);
    private final Label whoWords = Labels.heading("Who comes");
    private final VBox who = new VBox(4);
    private final VBox tunes = new VBox(4);
    private final VBox whichTunes = new VBox(4, Labels.heading("Tunes, in the order ticked"), tunes);
    private final Filling filling = new Filling();

    Comers(LessonModel model) {
        super(8);
        this.model = model;
        who.setId("lesson-who");
        tunes.setId("lesson-tunes");
        minutes.setPrefWidth(110);
        minutes.valueProperty().addListener((o, a, now) -> filling.chosen(() -> model.setMinutes(now)));
        VBox all = new VBox(12, new VBox(4, whoWords, who), whichTunes);
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setAccessibleText("who comes, and which tunes");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(howLong, scroll);
    }

    void show(LessonState now) {
        filling.fill(() -> {
            boolean record = now.mode() == LessonState.Mode.RECORD;
            Shown.set(howLong, !record);
            // A lesson that is under way stays as it was begun.
            boolean fixed = !record && now.held() != 0;
            howLong.setDisable(fixed);
            who.setDisable(fixed);
            tunes.setDisable(fixed);
            whoWords.setText(record ? "Who came" : "Who comes");
            if (minutes.getValue() != now.minutes()) {
                minutes.getValueFactory().setValue(now.minutes());
            }
            List<Long> there = record ? now.meeting(now.meeting()).map(m -> m.there()).orElse(List.of()) : List.copyOf(now.who());
            boxes(who, now.book().people().stream().map(p -> new Tick(p.id(), p.student().name(), there.contains(p.id()))).toList(), model::setComes);
            boxes(tunes, now.offered().stream().map(t -> new Tick(t.id(), numbered(t, now), now.tunes().contains(t.id()))).toList(), model::setTakenUp);
        });
    }

    private static String numbered(TuneEntry tune, LessonState now) {
        int at = now.tunes().indexOf(tune.id());
        return now.tunes().size() > 1 && at >= 0 ? "%d  %s".formatted(at + 1, tune.title()) : tune.title();
    }

    private record Tick(long id, String words, boolean on) {}

    /** Fills a column with boxes; those that are there already stay, and keep the keyboard. */
    private void boxes(VBox column, List<Tick> ticks, BiConsumer<Long, Boolean> chosen) {
        while (column.getChildren().size() > ticks.size()) {
            column.getChildren().removeLast();
        }
        for (int i = 0; i < ticks.size(); i++) {
            if (i >= column.getChildren().size()) {
                CheckBox made = new CheckBox();
                made.setWrapText(true);
                made.setMinHeight(Region.USE_PREF_SIZE);
                column.getChildren().add(made);
            }
            CheckBox box = (CheckBox) column.getChildren().get(i);
            Tick tick = ticks.get(i);
            box.setText(tick.words);
            box.setSelected(tick.on);
            box.setOnAction(e -> filling.chosen(() -> chosen.accept(tick.id, box.isSelected())));
        }
    }
}
