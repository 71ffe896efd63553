package wildflourish.app.people;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Labels;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;

/** A student's own hands on an instrument, where they differ from their level and from what is usual: speeds, a lungful, schools. */
final class HandsPane extends VBox {

    private static final School.Value USUAL = new School.Value("", "as is usual");

    private final Map<String, TextField> speeds = new TreeMap<>();
    private final Map<String, ComboBox<School.Value>> schools = new TreeMap<>();
    private Map<String, String> speedsBefore = Map.of();
    private Map<String, String> schoolsBefore = Map.of();

    HandsPane() {
        super(4);
        setId("student-hands");
    }

    /** Begins with what is known of a student. */
    void know(Map<String, String> ownSpeeds, Map<String, String> ownSchools) {
        speedsBefore = ownSpeeds;
        schoolsBefore = ownSchools;
        speeds.clear();
        schools.clear();
    }

    /** What there is to say of an instrument; what is known or has been typed stands in it. Each field shows what the level has while it is empty. */
    void show(Instrument instrument, Speeds level) {
        speedsBefore = speeds();
        schoolsBefore = schools();
        speeds.clear();
        schools.clear();
        GridPane grid = new GridPane(8, 4);
        getChildren().setAll(Labels.wrapped("Their own speeds: the least time in milliseconds, and the time with ease, like 45/70. Empty: as their level has it, which is shown in grey."), grid);
        for (Move move : Vocabulary.of(instrument).moves()) {
            speed(grid, Speeds.word(move), move.words(), level.of(move).text());
        }
        speed(grid, Speeds.AGAIN, "same finger again", level.again().text());
        if (instrument.family().blown()) {
            speed(grid, Speeds.LUNGFUL, "a lungful, in seconds", String.valueOf(level.lungs().lungfulSeconds()));
        }
        School.of(instrument.family()).forEach(this::school);
    }

    private void speed(GridPane grid, String name, String words, String usual) {
        TextField field = new TextField(speedsBefore.getOrDefault(name, ""));
        field.setId("student-speed-" + name);
        field.setPromptText(usual);
        field.setAccessibleText("%s; at this level %s".formatted(words, usual));
        field.setPrefColumnCount(8);
        speeds.put(name, field);
        grid.addRow(speeds.size(), Labels.quiet(words, field), field);
    }

    private void school(School.Choice choice) {
        ComboBox<School.Value> box = new ComboBox<>();
        box.setId("student-school-" + choice.name());
        box.setMaxWidth(Double.MAX_VALUE);
        List<School.Value> values = new ArrayList<>(List.of(USUAL));
        values.addAll(choice.values());
        box.getItems().setAll(values);
        box.setConverter(Choosing.by(School.Value::words));
        String own = schoolsBefore.getOrDefault(choice.name(), "");
        box.setValue(values.stream().filter(v -> v.id().equals(own)).findFirst().orElse(USUAL));
        schools.put(choice.name(), box);
        getChildren().addAll(Labels.quiet(choice.asks(), box), box);
    }

    /** Their own speeds as they stand in the fields; what other instruments have is kept. */
    Map<String, String> speeds() {
        return merged(speedsBefore, speeds, TextField::getText);
    }

    /** Their schools as they are chosen; what other instruments have is kept. */
    Map<String, String> schools() {
        return merged(schoolsBefore, schools, box -> Optional.ofNullable(box.getValue()).map(School.Value::id).orElse(""));
    }

    private static <C> Map<String, String> merged(Map<String, String> before, Map<String, C> controls, Function<C, String> text) {
        Map<String, String> all = new TreeMap<>(before);
        controls.forEach((name, control) -> {
            String now = text.apply(control).strip();
            if (now.isEmpty()) {
                all.remove(name);
            } else {
                all.put(name, now);
            }
        });
        return all;
    }
}
