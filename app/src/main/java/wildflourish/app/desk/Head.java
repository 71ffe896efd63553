package wildflourish.app.desk;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.app.controls.Buttons;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.trellis.WhoPlays;
import wildflourish.core.fit.Fingered;

/** The open tune's name, its key, metre and tempo, and who plays it. A long name gives way to the rest. */
final class Head extends HBox {

    private final TrellisModel trellis;
    private final Label title = new Label("Wild Flourish");
    private final Label about = new Label();
    private final Button who = Buttons.button("who", "", "instrument, capo, tempo and student: Ctrl+I");

    /** A head over the open tune; {@code card} opens the place for who plays. */
    Head(TrellisModel trellis, Runnable card) {
        super(14);
        this.trellis = trellis;
        getStyleClass().add("head");
        setAlignment(Pos.CENTER_LEFT);
        title.setId("title");
        title.getStyleClass().add("title");
        title.setMinWidth(0);
        about.setId("about");
        about.getStyleClass().add("quiet");
        about.setMinWidth(USE_PREF_SIZE);
        who.getStyleClass().add("quiet-button");
        who.setMinWidth(USE_PREF_SIZE);
        who.setOnAction(e -> card.run());
        who.setVisible(false);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        getChildren().addAll(title, about, gap, who);
        trellis.state().addListener((o, before, now) -> show(now));
        trellis.player().student().addListener((o, before, now) -> {
            if (trellis.isOpen()) {
                show(trellis.now());
            }
        });
    }

    private void show(TrellisState now) {
        var arrangement = now.arrangement();
        var head = arrangement.tune().head();
        title.setText(arrangement.tune().title());
        title.setTooltip(new Tooltip(arrangement.tune().title()));
        about.setText("%s  ·  %s  ·  %s".formatted(Fingered.of(arrangement).inWords(), head.meter(), arrangement.tempo().spoken()));
        String student = trellis.player().student().get();
        who.setText((student.isEmpty() ? "" : student + "  ·  ") + WhoPlays.inWords(arrangement) + "  ▾");
        who.setVisible(true);
    }

    /** Where the place for who plays opens. */
    Button who() {
        return who;
    }
}
