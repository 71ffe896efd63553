package wildflourish.app.listening;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;

/** What is heard and how, under the score. */
public final class ListeningBar extends FlowPane {

    private final ListeningModel model;
    private final TrellisModel trellis;
    private final Runnable done;
    private final Button play = Buttons.button("play", "Play", "play from the note in hand, or stop: space");
    private final ComboBox<ListeningState.Extent> stretch = new ComboBox<>();
    private final ToggleButton again = Buttons.toggle("again", "Around", "over and over: / key");
    private final Label percent = new Label();
    private final ComboBox<Optional<Integer>> against = new ComboBox<>();
    private final ComboBox<Backing.Under> under = new ComboBox<>();
    private final ToggleButton metronome = Buttons.toggle("metronome", "Click", "a click on each beat");
    private final ToggleButton counted = Buttons.toggle("counted", "Count in", "two beats, a bar, or four potatoes, as the tune asks");
    private final ComboBox<Lilt> lilt = new ComboBox<>();
    private final Label place = new Label();
    private final Filling filling = new Filling();

    /**
     * A bar on the model.
     *
     * @param done called after a choice, to give the keyboard back to the score
     */
    public ListeningBar(ListeningModel model, TrellisModel trellis, Runnable done) {
        super(8, 5);
        this.model = model;
        this.trellis = trellis;
        this.done = done;
        setId("listening");
        getStyleClass().add("listening");
        setAlignment(Pos.CENTER_LEFT);
        play.setOnAction(e -> model.toggle());
        play.setMinWidth(64);
        Button slower = Buttons.button("pace-down", "–", "slower than the tune's tempo: < key");
        Button faster = Buttons.button("pace-up", "+", "faster than the tune's tempo: > key");
        slower.setAccessibleText("listen slower");
        faster.setAccessibleText("listen faster");
        slower.setOnAction(e -> model.stepPercent(-5));
        faster.setOnAction(e -> model.stepPercent(5));
        percent.setId("percent");
        percent.getStyleClass().add("percent");
        stretch.getItems().setAll(ListeningState.Extent.values());
        stretch.setConverter(Choosing.by(ListeningState.Extent::words));
        named(stretch, "stretch", "what is heard; [ and ] mark a stretch, Shift+space hears only this ornament");
        stretch.setOnAction(e -> chosen(() -> model.setStretch(stretch.getValue())));
        again.setOnAction(e -> chosen(() -> model.setAgain(again.isSelected())));
        stretch.setPrefWidth(204);
        against.setPrefWidth(164);
        under.setPrefWidth(98);
        lilt.setPrefWidth(112);
        against.setConverter(Choosing.by(this::named));
        named(against, "against", "another rung on every second pass");
        against.setOnAction(e -> chosen(() -> model.setAgainst(against.getValue())));
        under.getItems().setAll(Backing.Under.values());
        under.setConverter(Choosing.by(Backing.Under::words));
        named(under, "under", "what lies softly underneath");
        under.setOnAction(e -> chosen(() -> model.setUnder(under.getValue())));
        metronome.setOnAction(e -> chosen(() -> model.setMetronome(metronome.isSelected())));
        counted.setOnAction(e -> chosen(() -> model.setCounted(counted.isSelected())));
        lilt.getItems().setAll(Lilt.all());
        lilt.setConverter(Choosing.by(Lilt::words));
        named(lilt, "lilt", "how each beat is shared among its pulses");
        lilt.setOnAction(e -> chosen(() -> model.setLilt(lilt.getValue())));
        place.setId("playing-at");
        place.getStyleClass().add("quiet");
        HBox pace = new HBox(4, slower, percent, faster);
        pace.setAlignment(Pos.CENTER_LEFT);
        Button from = Buttons.button("mark-from", "[", "the stretch that is heard begins with the note in hand: [ key");
        Button to = Buttons.button("mark-to", "]", "the stretch that is heard ends with the note in hand: ] key");
        from.setAccessibleText("begin the stretch here");
        to.setAccessibleText("end the stretch here");
        from.setOnAction(e -> model.markFrom());
        to.setOnAction(e -> model.markTo());
        getChildren().addAll(play, stretch, from, to, again, pace, against, under, lilt, metronome, counted, place);
        model.state().addListener((o, before, now) -> show());
        model.lit().addListener((o, before, now) -> showPlace());
        trellis.state().addListener((o, before, now) -> rungs(now));
        show();
    }

    private static void named(ComboBox<?> box, String id, String words) {
        box.setId(id);
        box.setAccessibleText(words);
        box.setTooltip(new Tooltip(words));
    }

    private String named(Optional<Integer> rung) {
        return rung.map(r -> "and " + trellis.arrangement().ladder().rung(r).name() + " in turn").orElse("this rung alone");
    }

    private void chosen(Runnable command) {
        if (!filling.isOn()) {
            command.run();
            done.run();
        }
    }

    private void rungs(TrellisState now) {
        List<Optional<Integer>> all = new ArrayList<>();
        all.add(Optional.empty());
        for (int r = 0; r < now.arrangement().ladder().size(); r++) {
            all.add(Optional.of(r));
        }
        if (!against.getItems().equals(all)) {
            filling.fill(() -> {
                against.getItems().setAll(all);
                against.setValue(model.state().get().against());
            });
        }
    }

    private void show() {
        ListeningState now = model.state().get();
        filling.fill(() -> {
            play.setText(now.playing() ? "Stop" : "Play");
            stretch.setValue(now.stretch());
            again.setSelected(now.again());
            percent.setText(now.manner().percent() + " %");
            against.setValue(now.against());
            under.setValue(now.manner().backing().under());
            metronome.setSelected(now.manner().backing().metronome());
            counted.setSelected(now.manner().counted());
            lilt.setValue(now.manner().lilt());
        });
        showPlace();
    }

    private void showPlace() {
        place.setText(model.lit().get().map(l -> l.words() + (model.device().isEmpty() ? "" : "  ·  no sound")).orElse(""));
        if (model.state().get().playing()) {
            play.getTooltip().setText("stop: space; what is played is heard %d ms later, which the light allows for".formatted(
                    Math.round(model.latencyMs())));
        }
        place.setTooltip(model.device().isEmpty() ? null : new Tooltip(model.device()));
    }
}
