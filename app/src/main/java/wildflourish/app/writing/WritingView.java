package wildflourish.app.writing;

import java.util.List;
import javafx.collections.FXCollections;
import javafx.geometry.Insets;
import javafx.scene.TraversalDirection;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandButton;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.writing.Amendment;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/** The text on the left, the stave that it makes on the right, and below it what was found and what cannot go along. */
public final class WritingView extends BorderPane {

    private static final double SPACE = 7.5;

    private final WritingModel model;
    private final TextArea text = new TextArea();
    private final Label about = new Label();
    private final Canvas stave = new Canvas();
    private final ScrollPane page = new ScrollPane(stave);
    private final ListView<String> findings = new ListView<>();
    private final VBox found = new VBox(4, Labels.heading("What was found"), findings);
    private final Label left = new Label();
    private final VBox lost = new VBox(4, Labels.heading("What cannot go along"), left);
    private Look look = Look.USUAL;
    private boolean filling;

    /** A view with the commands of its buttons. */
    WritingView(WritingModel model, List<Command> buttons) {
        this.model = model;
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
        HBox deeds = new HBox(6);
        buttons.forEach(b -> deeds.getChildren().add(CommandButton.of(b, b.words(), this::focusText)));
        VBox source = new VBox(8, about, text, deeds);
        VBox.setVgrow(text, Priority.ALWAYS);
        source.setPadding(new Insets(12));
        page.setId("writing-stave");
        page.setAccessibleText("the stave that the text makes");
        page.setFitToWidth(true);
        page.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        page.viewportBoundsProperty().addListener((o, before, now) -> {
            if (before.getWidth() != now.getWidth()) {
                draw();
            }
        });
        findings.setId("writing-findings");
        findings.setAccessibleText("what was found in the text; Enter goes to the line");
        findings.setPrefHeight(96);
        findings.setMinHeight(70);
        findings.getSelectionModel().selectedIndexProperty().addListener((o, before, now) -> goToLine(now.intValue()));
        left.setId("writing-left");
        left.setWrapText(true);
        VBox below = new VBox(10, found, lost);
        below.setPadding(new Insets(8, 12, 12, 12));
        VBox.setVgrow(page, Priority.ALWAYS);
        VBox result = new VBox(0, page, below);
        SplitPane both = new SplitPane(source, result);
        both.setDividerPositions(0.38);
        setCenter(both);
        model.state().addListener((o, before, now) -> show(now));
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
        about.setText(model.isFresh() ? "A new tune. Letters are notes, capitals an octave lower; figures make them longer: A2 is twice an A; | ends a bar."
                : now.changed() ? "Changed. What stands on its notes goes along with them." : "The tune as it is. Type in it to put it right.");
        findings.setItems(FXCollections.observableArrayList(WritingModel.lines(now)));
        Shown.set(found, !now.findings().isEmpty());
        left.setText(String.join("\n", now.left().stream().limit(12).map(Amendment.Left::inWords).toList())
                + (now.left().size() > 12 ? "\nand %d more".formatted(now.left().size() - 12) : ""));
        Shown.set(lost, !now.left().isEmpty());
        draw();
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
    private void draw() {
        double room = page.getViewportBounds().getWidth();
        Arrangement bare = model.bare().orElse(null);
        if (bare == null || room < 100) {
            return;
        }
        double space = SPACE * Math.sqrt(look.scale());
        Engraving engraving = ScoreEngraver.engrave(new ScoreRequest(bare.version(0), java.util.Set.of(0), false, false, Math.max(40, (room - 12) / space)));
        stave.setWidth(room);
        stave.setHeight(engraving.drawing().height() * space + 12);
        var g = stave.getGraphicsContext2D();
        g.setFill(look.palette().paper());
        g.fillRect(0, 0, stave.getWidth(), stave.getHeight());
        new CanvasPainter(g, look.palette(), space, 0, 6).paint(engraving.drawing().shapes());
    }

    void focusText() {
        text.requestFocus();
    }

    void setLook(Look newLook) {
        look = newLook;
        draw();
    }
}
