package wildflourish.app.guide;

import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.Tooltip;
import javafx.scene.input.InputEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Text;
import javafx.util.Duration;

/** Says what a word of the trade means when the pointer rests on it, wherever it stands in the window. */
public final class WordHints {

    private static final Duration REST = Duration.millis(900);
    /** The hint stands so far below the pointer, so that the word stays in sight. */
    private static final double BELOW = 18;
    private static final double WIDTH = 320;

    private final Supplier<Glossary> glossary;
    private final PauseTransition pause = new PauseTransition(REST);
    private final Tooltip hint = new Tooltip();

    /** Hints from a glossary, which is asked for when the pointer first rests. */
    public WordHints(Supplier<Glossary> glossary) {
        this.glossary = glossary;
        hint.setWrapText(true);
        hint.setMaxWidth(WIDTH);
        hint.getStyleClass().add("word-hint");
    }

    /** Watches the pointer of a scene. */
    public void watch(Scene scene) {
        scene.addEventFilter(MouseEvent.MOUSE_MOVED, e -> {
            hint.hide();
            pause.setOnFinished(done -> show(scene, e.getPickResult().getIntersectedNode(), e.getSceneX(), e.getSceneY()));
            pause.playFromStart();
        });
        scene.addEventFilter(InputEvent.ANY, e -> {
            if (e.getEventType() == MouseEvent.MOUSE_PRESSED || e.getEventType() == MouseEvent.MOUSE_EXITED || e instanceof javafx.scene.input.KeyEvent
                    || e instanceof javafx.scene.input.ScrollEvent) {
                pause.stop();
                hint.hide();
            }
        });
    }

    private void show(Scene scene, Node under, double x, double y) {
        word(under, x, y).ifPresent(word -> {
            hint.setText(word.inWords());
            Point2D place = scene.getRoot().localToScreen(x, y + BELOW);
            if (place != null && scene.getWindow().isShowing()) {
                // Of the scene, so that its words grow with the others.
                hint.show(scene.getRoot(), place.getX(), place.getY());
            }
        });
    }

    /** The word of the trade under a place of the scene, given what was found there. Controls with a hint of their own keep it. */
    private Optional<Glossary.Word> word(Node under, double x, double y) {
        Node words = under instanceof Labeled ? under.lookup(".text") : under;
        if (!(words instanceof Text text) || hasHint(text)) {
            return Optional.empty();
        }
        Point2D within = text.sceneToLocal(x, y);
        return text.contains(within) ? glossary.get().at(text.getText(), text.hitTest(within).getCharIndex()) : Optional.empty();
    }

    private static boolean hasHint(Node node) {
        return Stream.iterate(node, Objects::nonNull, Node::getParent).anyMatch(n -> n instanceof Control c && c.getTooltip() != null);
    }
}
