package wildflourish.app.lesson;

import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.LessonPlan;

/** The lesson in the room: what is done now in letters that are read across it, what each does, and what comes next. */
final class RoomPane extends BorderPane {

    private final LessonModel model;
    private final Label doing = Labels.wrapped("");
    private final Label until = new Label();
    private final Label words = Labels.wrapped("");
    private final VBox parts = new VBox(10);
    private final Label next = Labels.wrapped("");

    RoomPane(LessonModel model, List<Command> commands) {
        this.model = model;
        setId("lesson-room");
        getStyleClass().add("room");
        setFocusTraversable(true);
        setAccessibleText("the lesson in the room");
        doing.setId("room-doing");
        doing.getStyleClass().add("room-doing");
        until.setId("room-until");
        until.getStyleClass().add("room-until");
        words.setId("room-words");
        words.getStyleClass().add("room-words");
        next.setId("room-next");
        next.getStyleClass().add("room-next");
        parts.setId("room-parts");
        BorderPane head = new BorderPane(doing);
        head.setRight(until);
        until.setMinWidth(USE_PREF_SIZE);
        BorderPane.setAlignment(doing, Pos.CENTER_LEFT);
        ScrollPane scroll = new ScrollPane(new VBox(18, words, parts));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        scroll.setAccessibleText("what is done now, and by whom");
        FlowPane deeds = CommandButton.row(commands, this::requestFocus, List.of(Map.entry("lesson-done", "Done"), Map.entry("lesson-partly", "In part"),
                Map.entry("lesson-left", "Left for next time"), Map.entry("lesson-back", "Back"), Map.entry("lesson-leave", "Out of the room"), Map.entry("lesson-end", "End the lesson")));
        setTop(head);
        setCenter(scroll);
        setBottom(new VBox(10, next, deeds));
        BorderPane.setMargin(scroll, new Insets(14, 0, 14, 0));
        setPadding(new Insets(22, 28, 16, 28));
    }

    void show(LessonState now) {
        if (now.mode() != LessonState.Mode.ROOM) {
            return;
        }
        now.inHand().ifPresent(l -> {
            doing.setText("%s%s".formatted(l.tune().isEmpty() ? "" : l.tune() + " · ", l.doing().words()));
            until.setText("until " + model.until(l));
            words.setText(Sentence.full(l.words()));
            parts.getChildren().setAll(l.parts().stream().map(RoomPane::part).toList());
            List<LessonPlan.Line> all = now.plan().map(LessonPlan::lines).orElse(List.of());
            next.setText(now.line() + 1 < all.size() ? "Then: %s, %d minute%s".formatted(all.get(now.line() + 1).words(), all.get(now.line() + 1).minutes(),
                    all.get(now.line() + 1).minutes() == 1 ? "" : "s") : "Then the lesson is over.");
        });
    }

    private static VBox part(LessonPlan.Part part) {
        Label who = Labels.wrapped(Sentence.capital(part.who()));
        who.getStyleClass().add("room-who");
        Label does = Labels.wrapped(Sentence.full(part.does()));
        does.getStyleClass().add("room-does");
        return new VBox(0, who, does);
    }
}
