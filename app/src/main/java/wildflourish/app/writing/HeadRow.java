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
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.core.writing.Heading;
import wildflourish.core.writing.KeyFinder;

/** What is said of the tune before its notes: title, type, key, metre and tempo. */
final class HeadRow extends FlowPane {

    private static final List<Meter> METERS = List.of(Meter.of(4, 4), Meter.CUT, Meter.COMMON, Meter.of(6, 8), Meter.of(9, 8), Meter.of(12, 8), Meter.of(2, 4), Meter.of(3, 4), Meter.of(3, 8));
    private static final int MOST_ACCIDENTALS = 4;

    private final WritingModel model;
    private final Filling filling = new Filling();
    private final TextField title = new TextField();
    private final TextField tempo = new TextField();
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
        tempo.setId("writing-tempo");
        tempo.setAccessibleText("tempo, as 1/2=88, or the count alone");
        tempo.setPrefColumnCount(5);
        tempo.setMinWidth(0);
        tempo.setOnAction(e -> timed());
        tempo.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                timed();
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
                Boxes.labelled("writing-key", "key", key), Boxes.labelled("writing-meter", "metre", meter),
                new javafx.scene.layout.VBox(1, Labels.quiet("tempo", tempo), tempo));
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

    /** Takes the tempo that was typed: a beat and its count, the count alone in the beat of its kind of tune, or nothing for that kind's own. */
    private void timed() {
        filling.chosen(() -> model.stroke(p -> {
            Head head = p.tune().head();
            String typed = tempo.getText().strip();
            try {
                Optional<Tempo> asked = typed.isEmpty() ? Optional.empty()
                        : Optional.of(typed.matches("\\d{1,3}") ? new Tempo(TuneType.tempoOf(head).beat(), Ratio.of(Integer.parseInt(typed), 1)) : Tempo.parse(typed));
                if (asked.filter(t -> !t.isPlayable()).isPresent()) {
                    throw new IllegalArgumentException("no one plays at " + typed);
                }
                return asked.equals(head.tempo()) ? p : p.over(Heading.at(p.tune(), asked));
            } catch (IllegalArgumentException | ArithmeticException e) {
                model.tell("'%s' is no tempo: write 1/2=88, or the count alone".formatted(typed));
                tempo.setText(head.tempo().map(Tempo::toString).orElse(""));
                return p;
            }
        }));
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
        if (!tempo.isFocused()) {
            tempo.setText(head.tempo().map(Tempo::toString).orElse(""));
        }
        tempo.setPromptText(TuneType.of(head).customary().toString());
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
