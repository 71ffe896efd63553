package wildflourish.app.trellis;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.planning.Alternative;
import wildflourish.core.planning.FingeringPlan;

/** Where the note in hand is played and why, its other places to take with a click or a figure, and one to type. */
final class PlaceInHand extends VBox {

    private static final int MOST = 4;
    /** In a low window the ornaments below need the room. */
    private static final int FEW = 2;
    private static final double ROOMY = 900;

    private final TrellisModel model;
    private final Label place = new Label();
    private final Label why = new Label();
    private final Label minding = new Label();
    private final VBox others = new VBox(2);
    private final TextField typed = new TextField();
    private final Button release = new Button("0  let the plan choose");
    private final Button habit = new Button();
    private final HBox own = new HBox(6, typed, habit);
    private final PlaceList list;

    PlaceInHand(TrellisModel model) {
        super(3);
        this.model = model;
        list = new PlaceList(model);
        place.setId("note-fingers");
        place.setWrapText(true);
        place.setMinHeight(USE_PREF_SIZE);
        why.setId("note-why");
        why.getStyleClass().add("quiet");
        why.setWrapText(true);
        why.setMinHeight(USE_PREF_SIZE);
        minding.setId("note-minding");
        minding.setWrapText(true);
        minding.setMinHeight(USE_PREF_SIZE);
        release.setId("place-release");
        release.getStyleClass().add("other-place");
        release.setMaxWidth(Double.MAX_VALUE);
        release.setOnAction(e -> model.places().release());
        typed.setId("place-typed");
        typed.setAccessibleText("type where this note is played, to have it checked");
        typed.setOnAction(e -> {
            if (model.places().type(typed.getText())) {
                typed.clear();
            }
        });
        HBox.setHgrow(typed, Priority.ALWAYS);
        habit.setId("place-habit");
        habit.setMinWidth(USE_PREF_SIZE);
        habit.setTooltip(new Tooltip("play this note here in every tune on this instrument: Ctrl+H"));
        habit.setOnAction(e -> model.places().keepHabit());
        getChildren().addAll(place, why, minding, others, own, list);
    }

    void show(TrellisState now) {
        Instrument instrument = now.arrangement().instrument();
        FingeringPlan plan = now.hands().plan();
        boolean hands = instrument.hasHands() && now.hands().tune().size() > 0;
        place.setText(now.hands().tune().size() == 0 ? "" : plan.at(now.handsNote()).inWords());
        why.setText(hands ? plan.why(now.handsNote()) : "");
        why.setVisible(!why.getText().equals(place.getText()));
        why.setManaged(why.isVisible());
        String lines = hands ? String.join("\n", now.advice().inBar(
                now.hands().tune().note(now.handsNote()).barNumber()).stream().map(l -> "this bar: " + l).toList()) : "";
        minding.setText(lines);
        minding.setVisible(!lines.isEmpty());
        minding.setManaged(minding.isVisible());
        others.getChildren().clear();
        own.setVisible(hands);
        own.setManaged(hands);
        list.setVisible(hands);
        list.setManaged(hands);
        if (!hands) {
            return;
        }
        List<Alternative> all = plan.alternatives(now.handsNote());
        int most = getScene() != null && getScene().getHeight() < ROOMY ? FEW : MOST;
        for (int i = 0; i < Math.min(most, all.size()); i++) {
            others.getChildren().add(other(i, all.get(i), plan, now.handsNote()));
        }
        if (plan.isChosen(now.handsNote())) {
            others.getChildren().add(release);
        }
        list.show(now);
        typed.setPromptText("or type one, like " + instrument.layout().example());
        boolean kept = now.arrangement().choices().habit(instrument, now.hands().tune().note(now.handsNote()).pitch())
                .filter(plan.at(now.handsNote()).text()::equals).isPresent();
        habit.setText(kept ? "End habit" : "Keep as habit");
    }

    /** Opens or closes the list of places to be checked. */
    void toggleList() {
        list.toggle();
    }

    private Button other(int nth, Alternative alternative, FingeringPlan plan, int note) {
        String extra = alternative.extra() > 0 ? "costs %d more".formatted(alternative.extra())
                : alternative.extra() == 0 ? "costs the same" : "costs %d less".formatted(-alternative.extra());
        Button button = new Button("%d  %s  ·  %s".formatted(nth + 1, alternative.place().inWords(), extra));
        button.setId("place-" + (nth + 1));
        button.getStyleClass().add("other-place");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setMnemonicParsing(false);
        button.setTooltip(new Tooltip("beside it the plan " + plan.against(note, alternative)));
        button.setOnAction(e -> model.places().takeOther(nth));
        return button;
    }
}
