package wildflourish.app.trellis;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.util.StringConverter;
import wildflourish.app.paint.Palette;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;

/** The trellis screen: tempo, student and school above; the rungs; the note in hand beside them. */
public final class TrellisView extends BorderPane {

    private static final double PANEL = 384;

    private final TrellisModel model;
    private final ScoreView score;
    private final NoteInHand panel;
    private final Label tempo = new Label();
    private final ComboBox<String> level = new ComboBox<>();
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final Label capo = new Label();
    private final HBox capoGroup;
    private final HBox schools = new HBox(14);
    private final Map<String, ComboBox<School.Value>> schoolBoxes = new LinkedHashMap<>();
    private Family family;
    private final Button undo = button("undo", "Undo", "Ctrl+Z");
    private final Button redo = button("redo", "Redo", "Ctrl+Shift+Z");
    private boolean filling;

    /** A view of the model. */
    public TrellisView(TrellisModel model) {
        this.model = model;
        this.score = new ScoreView(model);
        this.panel = new NoteInHand(model);
        Button lower = button("capo-down", "–", "capo one fret down");
        Button higher = button("capo-up", "+", "capo one fret up");
        lower.setAccessibleText("capo down");
        higher.setAccessibleText("capo up");
        lower.setOnAction(e -> model.stepCapo(-1));
        higher.setOnAction(e -> model.stepCapo(1));
        capo.setId("capo");
        capoGroup = group(lower, capo, higher);
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
        instrument.setId("instrument");
        instrument.setAccessibleText("instrument");
        instrument.setTooltip(new Tooltip("the instrument of this tune: Ctrl+I"));
        instrument.setConverter(words(Instrument::name));
        instrument.setVisibleRowCount(20);
        instrument.setOnShowing(e -> fill(instrument.getValue()));
        instrument.setOnAction(e -> chosen(() -> model.setInstrument(instrument.getValue().id())));
        schools.setAlignment(Pos.CENTER_LEFT);
        Button grow = button("grow", "Grow anew", "grow the ladder from bare: Ctrl+G");
        grow.setOnAction(e -> model.grow());
        Button prune = button("prune", "Thin out", "prune the fullest rung into a ladder: Ctrl+T");
        prune.setOnAction(e -> model.prune());
        undo.setOnAction(e -> model.undo());
        redo.setOnAction(e -> model.redo());
        FlowPane controls = new FlowPane(14, 6,
                instrument,
                capoGroup,
                group(slower, tempo, faster),
                group(label("student", level), level),
                schools,
                group(grow, prune),
                group(undo, redo));
        controls.setAlignment(Pos.CENTER_LEFT);
        controls.getStyleClass().add("controls");
        return controls;
    }

    private void fill(Instrument current) {
        filling = true;
        instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
        instrument.setValue(current);
        filling = false;
    }

    /** Boxes for the schools of a family, in place of those shown. */
    private void showSchools(Family shown) {
        family = shown;
        schoolBoxes.clear();
        schools.getChildren().clear();
        for (School.Choice choice : School.of(shown)) {
            ComboBox<School.Value> box = new ComboBox<>();
            box.setId("school-" + choice.name());
            box.setAccessibleText("school of the " + choice.asks());
            box.getItems().setAll(choice.values());
            box.setConverter(words(v -> v.id().replace('-', ' ')));
            box.setTooltip(new Tooltip(String.join("\n",
                    choice.values().stream().map(v -> v.id().replace('-', ' ') + ": " + v.words()).toList())));
            box.setOnAction(e -> chosen(() -> model.setSchool(choice.name(), box.getValue().id())));
            schoolBoxes.put(choice.name(), box);
            schools.getChildren().add(group(label(choice.asks(), box), box));
        }
    }

    private static <T> StringConverter<T> words(Function<T, String> name) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : name.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("the boxes are not typed into");
            }
        };
    }

    private void chosen(Runnable command) {
        if (!filling && model.isOpen()) {
            command.run();
            score.requestFocus();
        }
    }

    private static Label label(String text, ComboBox<?> of) {
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
        Instrument played = now.arrangement().instrument();
        if (family != played.family()) {
            showSchools(played.family());
        }
        schoolBoxes.forEach((name, box) -> {
            String value = played.school(name, now.arrangement().school());
            box.getItems().stream().filter(v -> v.id().equals(value)).findFirst().ifPresent(box::setValue);
        });
        fill(played.capo() == 0 ? played : Instruments.known(played.id()));
        filling = true;
        capo.setText(played.capo() == 0 ? "no capo" : "capo " + played.capo());
        capoGroup.setVisible(played.takesCapo());
        capoGroup.setManaged(played.takesCapo());
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

    /** Opens the list of instruments. */
    public void chooseInstrument() {
        instrument.requestFocus();
        instrument.show();
    }
}
