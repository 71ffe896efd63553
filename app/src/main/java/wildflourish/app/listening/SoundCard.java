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
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;

/** The one place for what is heard and how. */
public final class SoundCard extends GridPane {

    private final ListeningModel model;
    private final TrellisModel trellis;
    private final ComboBox<ListeningState.Extent> stretch = new ComboBox<>();
    private final ToggleButton again = Buttons.toggle("again", "Around", "over and over: / key");
    private final Label percent = new Label();
    private final ComboBox<Optional<Integer>> against = new ComboBox<>();
    private final ComboBox<Backing.Under> under = new ComboBox<>();
    private final ToggleButton metronome = Buttons.toggle("metronome", "Click", "a click on each beat");
    private final ToggleButton room = Buttons.toggle("room", "Room", "as it sounds in a small room, or as it leaves the instrument");
    private final ToggleButton counted = Buttons.toggle("counted", "Count in", "two beats, a bar, or four potatoes, as the tune asks");
    private final ComboBox<Lilt> lilt = new ComboBox<>();
    private final Filling filling = new Filling();

    /** A card on the model. */
    public SoundCard(ListeningModel model, TrellisModel trellis) {
        this.model = model;
        this.trellis = trellis;
        setId("listening");
        getStyleClass().addAll("card", "listening");
        setHgap(12);
        setVgap(9);
        stretch.getItems().setAll(ListeningState.Extent.values());
        stretch.setConverter(Choosing.by(ListeningState.Extent::words));
        named(stretch, "stretch", "what is heard; [ and ] mark a stretch, Shift+space hears only this ornament");
        stretch.setOnAction(e -> filling.chosen(() -> model.setStretch(stretch.getValue())));
        again.setOnAction(e -> filling.chosen(() -> model.setAgain(again.isSelected())));
        against.setConverter(Choosing.by(this::named));
        named(against, "against", "another rung on every second pass");
        against.setOnAction(e -> filling.chosen(() -> model.setAgainst(against.getValue())));
        under.getItems().setAll(Backing.Under.values());
        under.setConverter(Choosing.by(Backing.Under::words));
        named(under, "under", "what lies softly underneath");
        under.setOnAction(e -> filling.chosen(() -> model.setUnder(under.getValue())));
        metronome.setOnAction(e -> filling.chosen(() -> model.setMetronome(metronome.isSelected())));
        room.setOnAction(e -> filling.chosen(() -> model.setRoom(room.isSelected())));
        counted.setOnAction(e -> filling.chosen(() -> model.setCounted(counted.isSelected())));
        lilt.getItems().setAll(Lilt.all());
        lilt.setConverter(Choosing.by(Lilt::words));
        named(lilt, "lilt", "how each beat is shared among its pulses");
        lilt.setOnAction(e -> filling.chosen(() -> model.setLilt(lilt.getValue())));
        percent.setId("percent");
        percent.getStyleClass().add("stepped");
        percent.setAlignment(Pos.CENTER);
        HBox marks = Boxes.row(button("mark-from", "[", "begin the stretch with the note in hand", model::markFrom),
                button("mark-to", "]", "end the stretch with the note in hand", model::markTo), again);
        addRow(0, Labels.quiet("what", stretch), stretch);
        add(marks, 1, 1);
        addRow(2, Labels.quiet("pace"), Boxes.row(button("pace-down", "–", "slower than the tune's tempo: < key", () -> model.stepPercent(-5)), percent,
                button("pace-up", "+", "faster than the tune's tempo: > key", () -> model.stepPercent(5))));
        addRow(3, Labels.quiet("in turn", against), against);
        addRow(4, Labels.quiet("underneath", under), under);
        addRow(5, Labels.quiet("lilt", lilt), lilt);
        add(Boxes.row(metronome, counted, room), 1, 6);
        model.state().addListener((o, before, now) -> show());
        trellis.state().addListener((o, before, now) -> rungs(now));
        if (trellis.isOpen()) {
            rungs(trellis.state().get());
        }
        show();
    }

    /** What takes the keyboard first. */
    public ComboBox<ListeningState.Extent> first() {
        return stretch;
    }

    private static Button button(String id, String text, String hint, Runnable action) {
        Button button = Buttons.button(id, text, hint);
        button.setAccessibleText(hint);
        button.setOnAction(e -> action.run());
        return button;
    }

    private static void named(ComboBox<?> box, String id, String words) {
        box.setId(id);
        box.setAccessibleText(words);
        box.setTooltip(new Tooltip(words));
        box.setMaxWidth(Double.MAX_VALUE);
    }

    private String named(Optional<Integer> rung) {
        return rung.map(r -> "and " + trellis.arrangement().ladder().rung(r).name() + " in turn").orElse("this rung alone");
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
            stretch.setValue(now.stretch());
            again.setSelected(now.again());
            percent.setText(now.manner().percent() + " %");
            against.setValue(now.against());
            under.setValue(now.manner().backing().under());
            metronome.setSelected(now.manner().backing().metronome());
            room.setSelected(now.manner().backing().room());
            counted.setSelected(now.manner().counted());
            lilt.setValue(now.manner().lilt());
        });
    }
}
