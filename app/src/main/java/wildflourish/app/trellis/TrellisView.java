package wildflourish.app.trellis;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.paint.Palette;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Speeds;

/** The trellis screen: tempo, student and school above; the rungs; the note in hand beside them. */
public final class TrellisView extends BorderPane {

    private static final double PANEL = 384;

    private final TrellisModel model;
    private final ScoreView score;
    private final StackPane below = new StackPane();
    private final NoteInHand panel;
    private final Label tempo = new Label();
    private final ComboBox<String> level = new ComboBox<>();
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final Label capo = new Label();
    private final HBox capoGroup;
    private final PlayerPanel player;
    private final Button playerButton = Buttons.button("player", "Player…", "schools and speeds: Ctrl+U");
    private final Button ladderButton = Buttons.button("ladder", "Ladder…", "rungs, differences, wishes and licks: Ctrl+B");
    private final LadderPanel ladder;
    private final EarlierPanel earlier;
    private final Button undo = Buttons.button("undo", "Undo", "Ctrl+Z");
    private final Button redo = Buttons.button("redo", "Redo", "Ctrl+Shift+Z");
    private final Filling filling = new Filling();

    /** A view of the model. */
    public TrellisView(TrellisModel model) {
        this.model = model;
        this.score = new ScoreView(model);
        this.panel = new NoteInHand(model);
        Button lower = Buttons.button("capo-down", "–", "capo one fret down");
        Button higher = Buttons.button("capo-up", "+", "capo one fret up");
        lower.setAccessibleText("capo down");
        higher.setAccessibleText("capo up");
        lower.setOnAction(e -> model.player().stepCapo(-1));
        higher.setOnAction(e -> model.player().stepCapo(1));
        capo.setId("capo");
        capoGroup = Boxes.row(lower, capo, higher);
        getStyleClass().add("trellis");
        setCenter(score);
        setBottom(below);
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> keysBackToScore());
        player = new PlayerPanel(model, this::togglePlayer);
        player.setVisible(false);
        ladder = new LadderPanel(model, this::toggleLadder);
        ladder.setVisible(false);
        earlier = new EarlierPanel(model, this::toggleEarlier);
        earlier.setVisible(false);
        ladderButton.setOnAction(e -> toggleLadder());
        StackPane side = new StackPane(panel, player, ladder, earlier);
        side.setPrefWidth(PANEL);
        side.setMinWidth(300);
        setRight(side);
        setTop(controls());
        model.state().addListener((o, before, now) -> show(now));
    }

    /** Puts something below the score. */
    public void setBelow(Node node) {
        below.getChildren().setAll(node);
    }

    /** A button that was clicked does not keep the keyboard: the next key is for the note in hand. */
    private void keysBackToScore() {
        if (getScene().getFocusOwner() instanceof ButtonBase && panel.isVisible()) {
            score.requestFocus();
        }
    }

    private FlowPane controls() {
        Button slower = Buttons.button("slower", "–", "slower: minus key");
        Button faster = Buttons.button("faster", "+", "faster: plus key");
        slower.setAccessibleText("slower");
        faster.setAccessibleText("faster");
        slower.setOnAction(e -> model.player().stepTempo(-4));
        faster.setOnAction(e -> model.player().stepTempo(4));
        tempo.setId("tempo");
        tempo.getStyleClass().add("tempo");
        level.getItems().setAll(Speeds.levels().stream().map(Speeds::name).toList());
        level.setId("level");
        level.setAccessibleText("the student's level");
        level.setOnAction(e -> chosen(() -> model.player().setLevel(level.getValue())));
        instrument.setId("instrument");
        instrument.setAccessibleText("instrument");
        instrument.setTooltip(new Tooltip("the instrument of this tune: Ctrl+I"));
        instrument.setConverter(Choosing.by(Instrument::name));
        instrument.setVisibleRowCount(20);
        instrument.setOnShowing(e -> fill(instrument.getValue()));
        instrument.setOnAction(e -> chosen(() -> model.player().setInstrument(instrument.getValue().id())));
        playerButton.setOnAction(e -> togglePlayer());
        Button grow = Buttons.button("grow", "Grow anew", "grow the ladder from bare: Ctrl+G");
        grow.setOnAction(e -> model.ornaments().grow());
        Button prune = Buttons.button("prune", "Thin out", "prune the fullest rung into a ladder: Ctrl+T");
        prune.setOnAction(e -> model.ornaments().prune());
        Button back = Buttons.button("earlier", "Earlier…", "everything that was ever kept of this tune: Ctrl+Shift+H");
        back.setOnAction(e -> toggleEarlier());
        undo.setOnAction(e -> model.undo());
        redo.setOnAction(e -> model.redo());
        FlowPane controls = new FlowPane(8, 6,
                instrument,
                capoGroup,
                Boxes.row(slower, tempo, faster),
                Boxes.row(Labels.quiet("student", level), level, playerButton),
                Boxes.row(ladderButton, grow, prune),
                Boxes.row(undo, redo, back));
        controls.setAlignment(Pos.CENTER_LEFT);
        controls.getStyleClass().add("controls");
        return controls;
    }

    private void fill(Instrument current) {
        filling.fill(() -> {
            instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
            instrument.setValue(current);
        });
    }

    /** Shows the player in place of the note in hand, or the note again. */
    public void togglePlayer() {
        toggle(player);
    }

    /** Shows the ladder in place of the note in hand, or the note again. */
    public void toggleLadder() {
        toggle(ladder);
    }

    /** Shows what the tune was earlier in place of the note in hand, or the note again. */
    public void toggleEarlier() {
        toggle(earlier);
    }

    /** Puts the keyboard on what the stretch in hand can be varied to. */
    public void focusVariations() {
        if (panel.isVisible()) {
            panel.focusVariations();
        }
    }

    /** Opens or closes the list of places to be checked. */
    public void togglePlaces() {
        if (panel.isVisible()) {
            panel.togglePlaces();
        }
    }

    private void toggle(Node one) {
        boolean show = !one.isVisible();
        List.of(player, ladder, earlier).forEach(p -> p.setVisible(false));
        one.setVisible(show);
        panel.setVisible(!show);
        if (!show) {
            score.requestFocus();
        }
    }

    private void chosen(Runnable command) {
        if (!filling.isOn() && model.isOpen()) {
            command.run();
            score.requestFocus();
        }
    }

    private void show(TrellisState now) {
        filling.fill(() -> {
            tempo.setText(now.arrangement().tempo().spoken());
            boolean own = now.arrangement().speeds().name().equals(Speeds.OWN);
            if (own != level.getItems().contains(Speeds.OWN)) {
                level.getItems().setAll(Speeds.levels().stream().map(Speeds::name).toList());
                if (own) {
                    level.getItems().add(Speeds.OWN);
                }
            }
            level.setValue(now.arrangement().speeds().name());
            Instrument played = now.arrangement().instrument();
            fill(played.capo() == 0 ? played : Instruments.known(played.id()));
            capo.setText(played.capo() == 0 ? "no capo" : "capo " + played.capo());
            Shown.set(capoGroup, played.takesCapo());
            undo.setDisable(!now.canUndo());
            redo.setDisable(!now.canRedo());
        });
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
