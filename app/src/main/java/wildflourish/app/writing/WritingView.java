package wildflourish.app.writing;

import java.util.List;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.geometry.Insets;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Question;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.paint.Look;
import wildflourish.core.writing.Amendment;
import wildflourish.core.writing.Pen;
import wildflourish.score.display.Bounds;

/** The text on the left, the stave that it makes on the right, and below it what was found and what cannot go along. */
public final class WritingView extends BorderPane {

    private static final String HINT = "a to g write notes; 2, 3, 4 make the last one so many quavers long; F1 shows all keys";

    private final WritingModel model;
    private final TextArea text = new TextArea();
    private final Label about = new Label();
    private final PenStave stave;
    private final ScrollPane page;
    private final HeadRow head;
    private final Question question = new Question("pen-answer", this::focusStave);
    private final ListView<String> findings = new ListView<>();
    private final VBox found = new VBox(4, Labels.heading("What was found"), findings);
    private final Label left = new Label();
    private final Label back = new Label();
    private final VBox returned = new VBox(4, Labels.heading("What comes back"), back);
    private final VBox lost = new VBox(4, Labels.heading("What cannot go along"), left);
    private boolean filling;

    /** A view with the commands of its buttons. */
    WritingView(WritingModel model, List<Command> buttons) {
        this.model = model;
        this.head = new HeadRow(model);
        this.stave = new PenStave(new PenStave.PenHand() {
            @Override
            public void take(int index, boolean holding) {
                model.stroke(p -> holding ? p.go(index < p.at() ? index : index + 1, true) : p.take(index));
            }

            @Override
            public void end() {
                model.stroke(p -> p.go(p.size(), false));
            }
        });
        this.page = new ScrollPane(stave);
        setId("writing");
        getStyleClass().add("writing");
        text.setId("writing-text");
        text.setAccessibleText("the tune as ABC text");
        text.getStyleClass().add("abc-text");
        text.textProperty().addListener((o, before, now) -> {
            if (!filling) {
                model.type(now);
            }
        });
        text.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            // A tab means nothing in a tune, and would hold the keyboard here.
            if (e.getCode() == KeyCode.TAB && !e.isShortcutDown()) {
                e.consume();
                text.requestFocusTraversal(e.isShiftDown() ? TraversalDirection.PREVIOUS : TraversalDirection.NEXT);
            }
        });
        about.setId("writing-about");
        about.getStyleClass().add("quiet");
        about.setWrapText(true);
        about.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
        FlowPane deeds = new FlowPane(6, 6);
        buttons.forEach(b -> deeds.getChildren().add(CommandButton.of(b, b.words(), this::focusStave)));
        VBox source = new VBox(8, about, text, deeds);
        VBox.setVgrow(text, Priority.ALWAYS);
        source.setPadding(new Insets(12));
        page.setId("writing-stave");
        page.setFitToWidth(true);
        page.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        page.viewportBoundsProperty().addListener((o, before, now) -> {
            if (before.getWidth() != now.getWidth()) {
                draw(false);
            }
        });
        findings.setId("writing-findings");
        findings.setAccessibleText("what was found in the text; Enter goes to the line");
        findings.setPrefHeight(96);
        findings.setMinHeight(70);
        findings.getSelectionModel().selectedIndexProperty().addListener((o, before, now) -> goToLine(now.intValue()));
        left.setId("writing-left");
        left.setWrapText(true);
        back.setId("writing-back");
        back.setWrapText(true);
        // Nothing is known of the text yet.
        List.of(found, lost, returned).forEach(box -> Shown.set(box, false));
        VBox below = new VBox(10, found, lost, returned);
        below.setPadding(new Insets(8, 12, 12, 12));
        VBox.setVgrow(page, Priority.ALWAYS);
        Label hint = Labels.wrapped(HINT);
        hint.getStyleClass().add("quiet");
        head.setPadding(new Insets(8, 12, 8, 12));
        hint.setPadding(new Insets(4, 12, 4, 12));
        question.setPadding(new Insets(2, 12, 6, 12));
        VBox result = new VBox(0, head, page, question, hint, below);
        source.setMinWidth(0);
        result.setMinWidth(0);
        SplitPane both = new SplitPane(source, result);
        both.setDividerPositions(0.38);
        setCenter(both);
        model.state().addListener((o, before, now) -> show(now));
        model.pen().addListener((o, before, now) -> draw(true));
        if (model.state().get() != null) {
            show(model.state().get());
        }
    }

    private void show(WritingState now) {
        if (!text.getText().equals(now.text()) && model.typed().equals(now.text())) {
            filling = true;
            text.setText(now.text());
            filling = false;
        }
        about.setText(model.isFresh() ? "A new tune: on the stave, or here as ABC text." : now.changed() ? "Changed. What stands on its notes goes along with them."
                : "The tune as ABC text. Stave and text follow each other.");
        findings.setItems(FXCollections.observableArrayList(WritingModel.lines(now)));
        Shown.set(found, !now.findings().isEmpty());
        left.setText(String.join("\n", now.left().stream().limit(12).map(Amendment.Left::inWords).toList())
                + (now.left().size() > 12 ? "\nand %d more".formatted(now.left().size() - 12) : ""));
        Shown.set(lost, !now.left().isEmpty());
        back.setText(String.join("\n", now.back().stream().limit(12).toList()));
        Shown.set(returned, !now.back().isEmpty());
        draw(false);
    }

    private void goToLine(int finding) {
        WritingState now = model.state().get();
        if (now == null || finding < 0 || finding >= now.findings().size()) {
            return;
        }
        String[] lines = text.getText().split("\n", -1);
        int at = 0;
        for (int i = 0; i < Math.min(now.findings().get(finding).line() - 1, lines.length); i++) {
            at += lines[i].length() + 1;
        }
        text.selectRange(Math.min(at, text.getLength()), Math.min(text.getLength(), at + lineLength(text.getText(), at)));
    }

    private static int lineLength(String text, int from) {
        int end = text.indexOf('\n', Math.min(from, text.length()));
        return (end < 0 ? text.length() : end) - Math.min(from, text.length());
    }

    /** Draws the stave of what could be read last; while the text is broken it stays as it was. */
    private void draw(boolean follow) {
        head.show(model.pen().get().map(Pen::tune));
        stave.show(model.pen().get(), model.guesses(), page.getViewportBounds().getWidth());
        if (follow) {
            stave.caretArea().ifPresent(this::reveal);
        }
    }

    /** Scrolls as far as needed to see where the pen stands. */
    private void reveal(Bounds area) {
        double shown = page.getViewportBounds().getHeight();
        double all = stave.getPrefHeight();
        double room = all - shown;
        if (room <= 0 || shown <= 0) {
            return;
        }
        double top = page.getVvalue() * room;
        double wanted = area.top() - 20 < top ? area.top() - 20 : area.bottom() + 30 > top + shown ? area.bottom() + 30 - shown : top;
        page.setVvalue(Math.clamp(wanted / room, 0, 1));
    }

    /** Asks for a few words about what is in hand; Enter gives them, Escape leaves it. */
    void ask(String words, String now, Consumer<String> then) {
        question.ask(words, now, then);
    }

    boolean penHasKeyboard() {
        return stave.isFocused();
    }

    void focusStave() {
        stave.requestFocus();
    }

    void setLook(Look newLook) {
        stave.setLook(newLook);
    }
}
