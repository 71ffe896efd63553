package wildflourish.app.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import wildflourish.app.controls.Boxes;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Filling;
import wildflourish.app.controls.Labels;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.core.writing.Heading;
import wildflourish.core.writing.KeyFinder;

/** What is said of the tune before its notes: title, type, key and metre. */
final class HeadRow extends FlowPane {

    private static final List<Meter> METERS = List.of(Meter.of(4, 4), Meter.CUT, Meter.COMMON, Meter.of(6, 8), Meter.of(9, 8), Meter.of(12, 8), Meter.of(2, 4), Meter.of(3, 4), Meter.of(3, 8));
    private static final int MOST_ACCIDENTALS = 4;

    private final WritingModel model;
    private final Filling filling = new Filling();
    private final TextField title = new TextField();
    private final ComboBox<TuneType> type = new ComboBox<>();
    private final ComboBox<Key> key = new ComboBox<>();
    private final ComboBox<Meter> meter = new ComboBox<>();

    HeadRow(WritingModel model) {
        super(10, 4);
        this.model = model;
        setId("writing-head");
        title.setId("writing-title");
        title.setAccessibleText("title");
        title.setPrefColumnCount(14);
        title.setMinWidth(0);
        setMinWidth(0);
        title.setOnAction(e -> titled());
        title.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                titled();
            }
        });
        type.getItems().setAll(TuneType.all());
        type.setConverter(Choosing.by(TuneType::id));
        key.setConverter(Choosing.by(Key::spoken));
        meter.setConverter(Choosing.by(Meter::toString));
        chosen(type, t -> tune -> Heading.ofType(tune, t, usualMeter(t)));
        chosen(key, k -> tune -> Heading.in(tune, k));
        chosen(meter, m -> tune -> Heading.in(tune, m));
        getChildren().addAll(new javafx.scene.layout.VBox(1, Labels.quiet("title", title), title), Boxes.labelled("writing-type", "type", type),
                Boxes.labelled("writing-key", "key", key), Boxes.labelled("writing-meter", "metre", meter));
    }

    private static Optional<Meter> usualMeter(TuneType type) {
        return METERS.stream().filter(m -> m.toString().equals(type.meter())).findFirst();
    }

    private <T> void chosen(ComboBox<T> box, Function<T, Function<Tune, Tune>> edit) {
        box.valueProperty().addListener((o, before, now) -> filling.chosen(() -> {
            if (now != null) {
                model.stroke(p -> p.over(edit.apply(now).apply(p.tune())));
            }
        }));
    }

    private void titled() {
        filling.chosen(() -> model.stroke(p -> p.tune().head().titles().stream().findFirst().orElse("").equals(title.getText().strip()) ? p
                : p.over(Heading.titled(p.tune(), title.getText()))));
    }

    void show(Optional<Tune> tune) {
        setDisable(tune.isEmpty());
        tune.map(Tune::head).ifPresent(head -> filling.fill(() -> fill(head)));
    }

    private void fill(Head head) {
        String said = head.titles().stream().findFirst().orElse("");
        if (!title.isFocused() || !title.getText().strip().equals(said)) {
            title.setText(said);
        }
        type.setValue(TuneType.of(head));
        offer(meter, METERS, head.meter());
        offer(key, keys(), head.key());
    }

    private static <T> void offer(ComboBox<T> box, List<T> usual, T now) {
        List<T> all = new ArrayList<>(usual);
        if (!all.contains(now)) {
            all.addFirst(now);
        }
        if (!box.getItems().equals(all)) {
            box.getItems().setAll(all);
        }
        box.setValue(now);
    }

    private static List<Key> keys() {
        List<Key> keys = new ArrayList<>();
        for (Mode mode : List.of(Mode.MAJOR, Mode.DORIAN, Mode.MIXOLYDIAN, Mode.MINOR)) {
            for (int fifths = -MOST_ACCIDENTALS; fifths <= MOST_ACCIDENTALS; fifths++) {
                keys.add(KeyFinder.key(fifths, mode));
            }
        }
        return keys;
    }
}
