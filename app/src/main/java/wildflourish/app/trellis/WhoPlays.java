package wildflourish.app.trellis;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;

/** The one place for who plays: instrument, capo, tempo and student. */
public final class WhoPlays extends GridPane {

    private final TrellisModel model;
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final Label capo = new Label();
    private final Label capoName = Labels.quiet("capo");
    private final HBox capoRow;
    private final Label tempo = new Label();
    private final ComboBox<String> level = new ComboBox<>();
    private final Filling filling = new Filling();

    /**
     * A card on the model.
     *
     * @param player shows schools and speeds
     */
    public WhoPlays(TrellisModel model, Runnable player) {
        this.model = model;
        getStyleClass().addAll("card", "who-plays");
        setId("who-plays");
        setHgap(12);
        setVgap(9);
        instrument.setId("instrument");
        instrument.setAccessibleText("instrument");
        instrument.setConverter(Choosing.by(Instrument::name));
        instrument.setVisibleRowCount(20);
        instrument.setOnShowing(e -> fill(instrument.getValue()));
        instrument.setOnAction(e -> chosen(() -> model.player().setInstrument(instrument.getValue().id())));
        instrument.setMaxWidth(Double.MAX_VALUE);
        capo.setId("capo");
        capoRow = stepper("capo-down", "capo down", () -> model.player().stepCapo(-1), capo, "capo-up", "capo up", () -> model.player().stepCapo(1));
        tempo.setId("tempo");
        HBox tempoRow = stepper("slower", "slower: minus key", () -> model.player().stepTempo(-4), tempo,
                "faster", "faster: plus key", () -> model.player().stepTempo(4));
        level.setId("level");
        level.setAccessibleText("the student's level");
        level.setOnAction(e -> chosen(() -> model.player().setLevel(level.getValue())));
        level.setMaxWidth(Double.MAX_VALUE);
        Button schools = Buttons.button("player", "Schools and speeds…", "how this student plays: Ctrl+U");
        schools.setOnAction(e -> player.run());
        addRow(0, Labels.quiet("instrument", instrument), instrument);
        addRow(1, capoName, capoRow);
        addRow(2, Labels.quiet("tempo"), tempoRow);
        addRow(3, Labels.quiet("student", level), level);
        add(schools, 1, 4);
        model.state().addListener((o, before, now) -> show(now));
        if (model.isOpen()) {
            show(model.state().get());
        }
    }

    private static HBox stepper(String downId, String downHint, Runnable down, Label value, String upId, String upHint, Runnable up) {
        Button less = Buttons.button(downId, "–", downHint);
        Button more = Buttons.button(upId, "+", upHint);
        less.setAccessibleText(downHint);
        more.setAccessibleText(upHint);
        less.setOnAction(e -> down.run());
        more.setOnAction(e -> up.run());
        value.getStyleClass().add("stepped");
        value.setAlignment(Pos.CENTER);
        return Boxes.row(less, value, more);
    }

    private void chosen(Runnable command) {
        if (!filling.isOn() && model.isOpen()) {
            command.run();
        }
    }

    private void fill(Instrument current) {
        filling.fill(() -> {
            instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
            instrument.setValue(current);
        });
    }

    private void show(TrellisState now) {
        filling.fill(() -> {
            Arrangement arrangement = now.arrangement();
            tempo.setText(arrangement.tempo().spoken());
            boolean own = arrangement.speeds().name().equals(Speeds.OWN);
            if (level.getItems().isEmpty() || own != level.getItems().contains(Speeds.OWN)) {
                level.getItems().setAll(Speeds.levels().stream().map(Speeds::name).toList());
                if (own) {
                    level.getItems().add(Speeds.OWN);
                }
            }
            level.setValue(arrangement.speeds().name());
            Instrument played = arrangement.instrument();
            fill(played.capo() == 0 ? played : Instruments.known(played.id()));
            capo.setText(played.capo() == 0 ? "no capo" : "capo " + played.capo());
            wildflourish.app.controls.Shown.set(capoRow, played.takesCapo());
            wildflourish.app.controls.Shown.set(capoName, played.takesCapo());
        });
    }

    /** What takes the keyboard first. */
    public ComboBox<Instrument> first() {
        return instrument;
    }

    /** Who plays in a few words, as in {@code D whistle, fluent}. */
    public static String inWords(Arrangement arrangement) {
        return arrangement.instrument().spoken() + "  ·  " + arrangement.speeds().name();
    }
}
