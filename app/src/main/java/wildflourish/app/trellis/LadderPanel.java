package wildflourish.app.trellis;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Labels;
import wildflourish.core.growth.RunnerUp;
import wildflourish.core.growth.Taste;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Difference;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;

/** The ladder in hand: its rungs, what tells two of them apart, the phrase in hand, wishes for growing, and the licks kept. */
final class LadderPanel extends SidePanel {

    private final TrellisModel model;
    private VBox content = new VBox();

    LadderPanel(TrellisModel model, Runnable close) {
        super(model, "ladder", "The ladder", "Ctrl+B", close);
        this.model = model;
    }

    @Override
    void fill(TrellisState now, VBox into) {
        content = into;
        content.getChildren().add(quiet("Rungs from full to bare; how many ornaments a phrase may hold, and how many weighty ones."));
        Ladder ladder = now.arrangement().ladder();
        for (int r = ladder.size() - 1; r >= 0; r--) {
            content.getChildren().add(rung(now, r));
        }
        CheckBox free = new CheckBox("growing may move the melody itself");
        free.setId("free");
        free.setSelected(now.arrangement().wishes().free());
        free.setOnAction(e -> model.ladder().setFree(free.isSelected()));
        content.getChildren().addAll(free, Labels.heading("What tells two rungs apart"), compare(now));
        differences(now);
        content.getChildren().addAll(Labels.heading("Phrase " + model.ladder().phraseName()), phrase(now));
        wishes(now);
        content.getChildren().addAll(Labels.heading("Your licks"), new LickList(model, now));
    }

    private Node rung(TrellisState now, int r) {
        Rung rung = now.arrangement().ladder().rung(r);
        TextField name = new TextField(rung.name());
        name.setId("rung-name-" + r);
        name.setAccessibleText("name of rung " + r);
        name.setPrefColumnCount(8);
        name.setOnAction(e -> model.ladder().rename(r, name.getText()));
        HBox.setHgrow(name, Priority.ALWAYS);
        HBox row = new HBox(4, name);
        row.setAlignment(Pos.CENTER_LEFT);
        if (r == now.rung()) {
            row.getStyleClass().add("rung-in-hand");
        }
        if (r > 0) {
            Optional<Density> usual = usual(now, r);
            TextField most = number("density-" + r, rung.density().map(Density::perPhrase), usual.map(Density::perPhrase),
                    "ornaments a phrase of " + rung.name());
            TextField heavy = number("heavy-" + r, rung.density().map(Density::heavyPerPhrase), usual.map(Density::heavyPerPhrase),
                    "weighty ornaments a phrase of " + rung.name());
            most.setOnAction(e -> model.ladder().setDensity(r, most.getText(), heavy.getText()));
            heavy.setOnAction(e -> model.ladder().setDensity(r, most.getText(), heavy.getText()));
            Label count = quiet(String.valueOf(rung.setting().size()));
            count.setMinWidth(26);
            count.setTooltip(new Tooltip("so many things stand on it"));
            row.getChildren().addAll(most, heavy, count,
                    button("rung-up-" + r, "▴", "its additions one rung later", () -> model.ladder().move(r, true)),
                    button("rung-down-" + r, "▾", "its additions one rung earlier", () -> model.ladder().move(r, false)));
        }
        row.getChildren().add(button("rung-add-" + r, "+", "a new rung above " + rung.name(), () -> model.ladder().add(r)));
        if (r > 0) {
            row.getChildren().add(button("rung-drop-" + r, "×", "drop " + rung.name(), () -> model.ladder().drop(r)));
        }
        return row;
    }

    private static Optional<Density> usual(TrellisState now, int rung) {
        if (!now.arrangement().instrument().hasHands()) {
            return Optional.empty();
        }
        Taste.Level level = Taste.of(now.arrangement()).forLadder(now.arrangement().ladder()).rungs().get(rung);
        return Optional.of(new Density(level.perPhrase(), level.heavyPerPhrase()));
    }

    private static TextField number(String id, Optional<Integer> value, Optional<Integer> usual, String words) {
        TextField field = new TextField(value.map(String::valueOf).orElse(""));
        field.setPromptText(usual.map(String::valueOf).orElse(""));
        field.setId(id);
        field.setPrefColumnCount(2);
        field.setMinWidth(40);
        field.setMaxWidth(40);
        field.setAccessibleText(words);
        return field;
    }

    private Node compare(TrellisState now) {
        Ladder ladder = now.arrangement().ladder();
        ComboBox<Integer> other = new ComboBox<>();
        other.setId("compare");
        other.setAccessibleText("the rung to compare with");
        other.setConverter(Choosing.by(r -> r < 0 ? "nothing" : ladder.rung(r).name()));
        other.getItems().add(-1);
        for (int r = 0; r < ladder.size(); r++) {
            if (r != now.rung()) {
                other.getItems().add(r);
            }
        }
        other.setValue(now.compared().filter(c -> c != now.rung() && c < ladder.size()).orElse(-1));
        other.setOnAction(e -> {
            if (!isFilling() && other.getValue() != null) {
                model.compare(other.getValue() < 0 ? Optional.empty() : Optional.of(other.getValue()));
            }
        });
        Label label = quiet("%s beside".formatted(ladder.rung(now.rung()).name()));
        label.setLabelFor(other);
        HBox row = new HBox(8, label, other);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void differences(TrellisState now) {
        List<Difference.Change> changes = now.compared().map(model.ladder()::differences).orElse(List.of());
        if (now.compared().isPresent() && changes.isEmpty()) {
            content.getChildren().add(quiet("The two are the same."));
        }
        int index = 0;
        for (Difference.Change change : changes) {
            Button one = button("difference-" + index++, (change.added() ? "+  " : "–  ")
                    + RunnerUp.told(change, now.situation().tune(), now.situation().vocabulary()), "go to it",
                    () -> model.select(now.rung(), change.note()));
            one.getStyleClass().add("other-place");
            one.setMaxWidth(Double.MAX_VALUE);
            content.getChildren().add(one);
        }
    }

    private Node phrase(TrellisState now) {
        FlowPane pane = new FlowPane(6, 6);
        int r = now.rung();
        Ladder ladder = now.arrangement().ladder();
        if (r + 1 < ladder.size()) {
            pane.getChildren().add(button("copy-up", "so on " + ladder.rung(r + 1).name(),
                    "treat it on the rung above as it is here", () -> model.ladder().copyTo(r + 1)));
        }
        if (r > 1) {
            pane.getChildren().add(button("copy-down", "so on " + ladder.rung(r - 1).name(),
                    "treat it on the rung below as it is here", () -> model.ladder().copyTo(r - 1)));
        }
        pane.getChildren().add(button("copy-same", "so wherever it comes back",
                "treat every phrase with the same notes the same", () -> model.ladder().copyToSame()));
        return pane;
    }

    private void wishes(TrellisState now) {
        var wishes = now.arrangement().wishes();
        if (wishes.locked().isEmpty() && wishes.forbidden().isEmpty()) {
            return;
        }
        content.getChildren().add(Labels.heading("Wishes for growing"));
        wishes.locked().forEach(n -> content.getChildren().add(wish("keep " + spot(now, n), n, Optional.empty())));
        wishes.forbidden().forEach((n, ids) -> ids.forEach(id -> content.getChildren().add(
                wish("never %s on %s".formatted(id.replace('-', ' '), spot(now, n)), n, Optional.of(id)))));
    }

    private static String spot(TrellisState now, int note) {
        return note < now.situation().tune().size() ? now.situation().tune().note(note).inWords() : "a note that is gone";
    }

    private Node wish(String words, int note, Optional<String> forbidden) {
        Label label = new Label(words);
        label.setWrapText(true);
        HBox.setHgrow(label, Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(6, label, button("wish-" + note + forbidden.map(f -> "-" + f).orElse(""), "×", "withdraw this wish",
                () -> model.ladder().withdraw(note, forbidden)));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    static Button button(String id, String text, String hint, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setTooltip(new Tooltip(hint));
        button.setAccessibleText(hint);
        button.setOnAction(e -> action.run());
        return button;
    }
}
