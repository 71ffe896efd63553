package wildflourish.app.listening;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import wildflourish.app.controls.Buttons;
import wildflourish.sound.transport.Backing;

/** Play and stop, what is heard and how in a few words, and where the sound is. */
public final class Transport extends HBox {

    private final ListeningModel model;
    private final Button play;
    private final Button how = Buttons.button("sound", "", "what is heard, and how");
    private final Label place = new Label();
    private final BooleanProperty other = new SimpleBooleanProperty();

    /**
     * A transport.
     *
     * @param hear lets the screen in hand be heard, or stops
     * @param card opens the place for what is heard and how
     */
    public Transport(ListeningModel model, Runnable hear, Runnable card) {
        super(6);
        this.model = model;
        setAlignment(Pos.CENTER_LEFT);
        play = Buttons.button("play", "Play", "hear the screen in hand, or stop: space");
        play.setOnAction(e -> hear.run());
        play.setMinWidth(USE_PREF_SIZE);
        play.getStyleClass().add("play");
        how.setOnAction(e -> card.run());
        how.getStyleClass().add("quiet-button");
        how.setMinWidth(0);
        place.setId("playing-at");
        place.getStyleClass().add("quiet");
        getChildren().addAll(play, how, place);
        model.state().addListener((o, before, now) -> show());
        model.lit().addListener((o, before, now) -> showPlace());
        other.addListener((o, before, now) -> show());
        show();
    }

    /** Whether there is something to hear on the screen in hand. */
    public void setHearable(boolean hearable) {
        play.setDisable(!hearable);
    }

    /** Whether the screen in hand is heard by what it plays itself. */
    public BooleanProperty other() {
        return other;
    }

    private void show() {
        ListeningState now = model.state().get();
        play.setText(now.playing() || other.get() ? "■  Stop" : "▶  Play");
        how.setText(inWords(now) + "  ▴");
        showPlace();
    }

    /** What is heard, and whatever is not as usual about how. */
    static String inWords(ListeningState now) {
        List<String> words = new ArrayList<>(List.of(now.stretch().words()));
        if (now.again()) {
            words.add("around");
        }
        if (now.manner().percent() != 100) {
            words.add(now.manner().percent() + " %");
        }
        if (now.against().isPresent()) {
            words.add("two rungs in turn");
        }
        if (now.manner().backing().under() != Backing.NONE.under()) {
            words.add(now.manner().backing().under().words());
        }
        if (now.manner().backing().metronome()) {
            words.add("click");
        }
        if (!now.manner().backing().room()) {
            words.add("dry");
        }
        return String.join("  ·  ", words);
    }

    private void showPlace() {
        place.setText(model.lit().get().map(l -> "♪ " + l.words() + (model.device().isEmpty() ? "" : "  ·  no sound")).orElse(""));
        if (model.state().get().playing()) {
            play.getTooltip().setText("stop: space; what is played is heard %d ms later, which the light allows for".formatted(
                    Math.round(model.latencyMs())));
        }
        place.setTooltip(model.device().isEmpty() ? null : new Tooltip(model.device()));
    }
}
