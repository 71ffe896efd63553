package wildflourish.app.trellis;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.core.growth.Lick;

/** The player's own licks: bars of the rung in hand are kept under a name, and let go again. */
final class LickList extends VBox {

    LickList(TrellisModel model, TrellisState now) {
        super(6);
        int bar = now.situation().tune().size() == 0 ? 1 : now.situation().tune().note(now.note()).barNumber();
        TextField name = new TextField();
        name.setId("lick-name");
        name.setPromptText("name");
        name.setPrefColumnCount(8);
        name.setAccessibleText("name of the lick");
        TextField from = bars("lick-from", bar, "first bar of the lick");
        TextField to = bars("lick-to", bar, "last bar of the lick");
        Runnable keep = () -> {
            try {
                model.variations().keep(name.getText(), Integer.parseInt(from.getText().strip()), Integer.parseInt(to.getText().strip()), "");
            } catch (NumberFormatException e) {
                model.tell("bars are told by their numbers");
            }
        };
        name.setOnAction(e -> keep.run());
        HBox row = new HBox(5, name, Labels.quiet("bars"), from, Labels.quiet("to"), to,
                LadderPanel.button("lick-keep", "Keep", "keep these bars of this rung as a lick", keep));
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(row);
        for (Lick lick : now.licks()) {
            Label label = new Label("%s  (%s, %s)".formatted(lick.name(), lick.key().spoken(), lick.source()));
            label.setWrapText(true);
            label.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(label, Priority.ALWAYS);
            HBox one = new HBox(6, label, LadderPanel.button("lick-forget-" + lick.name(), "×", "keep it no longer", () -> model.variations().forget(lick)));
            one.setAlignment(Pos.CENTER_LEFT);
            getChildren().add(one);
        }
    }

    private static TextField bars(String id, int value, String words) {
        TextField field = new TextField(String.valueOf(value));
        field.setId(id);
        field.setPrefColumnCount(2);
        field.setMinWidth(42);
        field.setMaxWidth(42);
        field.setAccessibleText(words);
        return field;
    }
}
