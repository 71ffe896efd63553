package wildflourish.app.trellis;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Labels;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.planning.Lungs;

/** The player: the schools of the instrument, and how fast this student's hands are. */
final class PlayerPanel extends SidePanel {

    private final TrellisModel model;

    PlayerPanel(TrellisModel model, Runnable close) {
        super(model, "player", "The player", "Ctrl+U", close);
        this.model = model;
    }

    @Override
    void fill(TrellisState now, VBox content) {
        Instrument played = now.arrangement().instrument();
        List<School.Choice> choices = School.of(played.family());
        if (!choices.isEmpty()) {
            content.getChildren().add(Labels.heading("Schools, where players differ"));
            choices.forEach(c -> content.getChildren().add(school(c, played, now)));
        }
        content.getChildren().add(Labels.heading("Speeds of this student, in milliseconds"));
        content.getChildren().addAll(quiet(
                "From the level; write what you measure. Below the first figure it is not heard, from the second on it is easy."), speeds(now));
        if (played.family().blown()) {
            Lungs lungs = now.arrangement().speeds().lungs();
            TextField lungful = field("lungful", lungs.lungfulSeconds(), "a lungful, in seconds");
            lungful.setOnAction(e -> model.player().setLungful(lungful.getText()));
            boolean own = !now.arrangement().speeds().nearestLevel().lungs().equals(lungs);
            content.getChildren().addAll(Labels.heading("A lungful, in seconds"), quiet("How long they blow without strain: from it come the places to breathe." + (own ? " This is their own." : "")), lungful);
        }
    }

    private Node school(School.Choice choice, Instrument played, TrellisState now) {
        ComboBox<School.Value> box = new ComboBox<>();
        box.setId("school-" + choice.name());
        box.setAccessibleText("school: " + choice.asks());
        box.setMaxWidth(Double.MAX_VALUE);
        box.getItems().setAll(choice.values());
        box.setConverter(Choosing.by(School.Value::words));
        String value = played.school(choice.name(), now.arrangement().school());
        box.getItems().stream().filter(v -> v.id().equals(value)).findFirst().ifPresent(box::setValue);
        box.setOnAction(e -> {
            if (!isFilling()) {
                model.player().setSchool(choice.name(), box.getValue().id());
            }
        });
        return new VBox(1, Labels.quiet(choice.asks(), box), box);
    }

    private GridPane speeds(TrellisState now) {
        GridPane grid = new GridPane(8, 4);
        grid.addRow(0, quiet(""), quiet("at least"), quiet("with ease"));
        int row = 1;
        Speeds level = now.arrangement().speeds().nearestLevel();
        for (PlayerChoices.Speed speed : model.player().speeds()) {
            String id = speed.move().map(m -> m.name().toLowerCase(java.util.Locale.ROOT)).orElse("again");
            TextField floor = field("floor-" + id, speed.span().floor(), speed.name() + ", at least");
            TextField ease = field("ease-" + id, speed.span().comfortable(), speed.name() + ", with ease");
            floor.setOnAction(e -> model.player().setSpeed(speed, floor.getText(),
                    String.valueOf(Math.max(speed.span().comfortable(), number(floor.getText())))));
            ease.setOnAction(e -> model.player().setSpeed(speed, floor.getText(), ease.getText()));
            Label name = new Label(speed.name());
            boolean own = !speed.move().map(level::of).orElse(level.again()).equals(speed.span());
            name.setText(own ? speed.name() + "  (own)" : speed.name());
            grid.addRow(row++, name, floor, ease);
        }
        return grid;
    }

    private static int number(String text) {
        return text.strip().matches("\\d{1,5}") ? Integer.parseInt(text.strip()) : 0;
    }

    private static TextField field(String id, int value, String words) {
        TextField field = new TextField(String.valueOf(value));
        field.setId(id);
        field.setPrefColumnCount(4);
        field.setAccessibleText(words);
        return field;
    }
}
