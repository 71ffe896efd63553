package wildflourish.app.trellis;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import wildflourish.app.paint.Palette;
import wildflourish.core.ornament.School;
import wildflourish.core.ornament.Speeds;

/** The trellis screen: tempo, student and school above; the rungs; the note in hand beside them. */
public final class TrellisView extends BorderPane {

    private static final double PANEL = 384;

    private final TrellisModel model;
    private final ScoreView score;
    private final NoteInHand panel;
    private final Label tempo = new Label();
    private final ComboBox<String> level = new ComboBox<>();
    private final ComboBox<String> cut = new ComboBox<>();
    private final ComboBox<String> roll = new ComboBox<>();
    private final Button undo = button("undo", "Undo", "Ctrl+Z");
    private final Button redo = button("redo", "Redo", "Ctrl+Shift+Z");
    private boolean filling;

    /** A view of the model. */
    public TrellisView(TrellisModel model) {
        this.model = model;
        this.score = new ScoreView(model);
        this.panel = new NoteInHand(model);
        getStyleClass().add("trellis");
        setCenter(score);
        setRight(panel);
        panel.setPrefWidth(PANEL);
        panel.setMinWidth(300);
        setTop(controls());
        model.state().addListener((o, before, now) -> show(now));
    }

    private FlowPane controls() {
        Button slower = button("slower", "–", "slower: minus key");
        Button faster = button("faster", "+", "faster: plus key");
        slower.setAccessibleText("slower");
        faster.setAccessibleText("faster");
        slower.setOnAction(e -> model.stepTempo(-4));
        faster.setOnAction(e -> model.stepTempo(4));
        tempo.setId("tempo");
        tempo.getStyleClass().add("tempo");
        level.getItems().setAll(Speeds.levels().stream().map(Speeds::name).toList());
        level.setId("level");
        level.setAccessibleText("the student's level");
        level.setOnAction(e -> chosen(() -> model.setLevel(level.getValue())));
        school(cut, "cut");
        school(roll, "roll");
        Button grow = button("grow", "Grow anew", "grow the ladder from bare: Ctrl+G");
        grow.setOnAction(e -> model.grow());
        Button prune = button("prune", "Thin out", "prune the fullest rung into a ladder: Ctrl+T");
        prune.setOnAction(e -> model.prune());
        undo.setOnAction(e -> model.undo());
        redo.setOnAction(e -> model.redo());
        FlowPane controls = new FlowPane(14, 6,
                group(slower, tempo, faster),
                group(label("student", level), level),
                group(label("cutting finger", cut), cut),
                group(label("roll", roll), roll),
                group(grow, prune),
                group(undo, redo));
        controls.setAlignment(Pos.CENTER_LEFT);
        controls.getStyleClass().add("controls");
        return controls;
    }

    private void school(ComboBox<String> box, String name) {
        box.getItems().setAll(School.NAMES.get(name));
        box.setId("school-" + name);
        box.setAccessibleText("school of the " + name);
        box.setOnAction(e -> chosen(() -> model.setSchool(name, box.getValue())));
    }

    private void chosen(Runnable command) {
        if (!filling && model.isOpen()) {
            command.run();
            score.requestFocus();
        }
    }

    private static Label label(String text, ComboBox<String> of) {
        Label label = new Label(text);
        label.setLabelFor(of);
        label.getStyleClass().add("quiet");
        return label;
    }

    private static HBox group(javafx.scene.Node... nodes) {
        HBox group = new HBox(6, nodes);
        group.setAlignment(Pos.CENTER_LEFT);
        return group;
    }

    private static Button button(String id, String text, String hint) {
        Button button = new Button(text);
        button.setId(id);
        button.setTooltip(new Tooltip(hint));
        return button;
    }

    private void show(TrellisState now) {
        filling = true;
        tempo.setText(now.arrangement().tempo().spoken());
        level.setValue(now.arrangement().speeds().name());
        cut.setValue(now.arrangement().school().cut());
        roll.setValue(now.arrangement().school().roll());
        undo.setDisable(!now.canUndo());
        redo.setDisable(!now.canRedo());
        filling = false;
    }

    /** Chooses the light or the dark look. */
    public void setPalette(Palette palette) {
        score.setPalette(palette);
        panel.setPalette(palette);
    }

    public ScoreView score() {
        return score;
    }

    /** The schools and levels that the boxes offer, for tests of the wiring. */
    List<ComboBox<String>> boxes() {
        return List.of(level, cut, roll);
    }
}
