package wildflourish.app.desk;

import javafx.beans.InvalidationListener;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import org.jspecify.annotations.Nullable;
import wildflourish.app.frame.Commands;
import wildflourish.app.frame.Keys;
import wildflourish.app.guide.Doing;
import wildflourish.app.guide.Glossary;
import wildflourish.app.guide.Guide;
import wildflourish.app.guide.GuidePane;
import wildflourish.app.guide.Sight;
import wildflourish.app.guide.WordHints;

/** Where the guide stands: beside the screen where both have room, and else above the screen's left side. */
final class GuideDock {

    /** So wide is the rest of the window beside the guide, with usual words; larger words want more. */
    private static final double LEAST_REST = 970;
    private static final double MOST_OF_WINDOW = 0.45;

    private final DeskModel model;
    private final Commands commands;
    private final StackPane window;
    private final HBox left;
    private final StackPane middle;
    private final Runnable refocus;
    private @Nullable Guide guide;
    private @Nullable GuidePane pane;
    private boolean open;

    /**
     * A dock.
     *
     * @param window the whole window's content
     * @param left where the guide stands beside the screen
     * @param middle where it stands above it
     * @param refocus gives the keyboard back to the screen
     */
    GuideDock(DeskModel model, Commands commands, StackPane window, HBox left, StackPane middle, Runnable refocus) {
        this.model = model;
        this.commands = commands;
        this.window = window;
        this.left = left;
        this.middle = middle;
        this.refocus = refocus;
        InvalidationListener place = o -> place();
        window.widthProperty().addListener(place);
        model.look().addListener(place);
    }

    /** Opens the guide at the page of the screen in hand, or closes it. */
    void toggle() {
        if (open) {
            close();
        } else {
            GuidePane opened = opened();
            opened.openAbout(model.screen().get().words());
            opened.first().requestFocus();
        }
    }

    /** Opens the guide at a page, or at a section of one. */
    void open(String target) {
        GuidePane opened = opened();
        window.applyCss();
        window.layout();
        opened.open(target);
        opened.first().requestFocus();
    }

    /** The guide, read when it is first wanted. */
    Guide guide() {
        if (guide == null) {
            guide = Guide.shipped();
        }
        return guide;
    }

    /** Tells what words of the trade mean, and follows what is done while the guide is open. */
    void bind(Scene scene) {
        new WordHints(this::glossary).watch(scene);
        scene.addEventFilter(KeyEvent.KEY_RELEASED, e -> followed());
        scene.addEventFilter(MouseEvent.MOUSE_RELEASED, e -> followed());
    }

    private Glossary glossary() {
        return guide().glossary();
    }

    private void followed() {
        if (open && pane != null) {
            pane.lookSoon();
        }
    }

    /** The guide as it stands, opened if it was not. */
    GuidePane pane() {
        return pane == null ? opened() : pane;
    }

    private GuidePane opened() {
        GuidePane there = pane;
        if (there == null) {
            there = new GuidePane(guide(), new Here(), this::close);
            StackPane.setAlignment(there, Pos.TOP_LEFT);
            there.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
                if (e.getCode() == KeyCode.ESCAPE) {
                    close();
                    e.consume();
                }
            });
            pane = there;
        }
        open = true;
        place();
        return there;
    }

    /** Takes the guide away. */
    void close() {
        open = false;
        place();
        refocus.run();
    }

    private void place() {
        GuidePane there = pane;
        if (there == null) {
            return;
        }
        double width = Math.min(GuidePane.width(model.look().get().pixels()), window.getWidth() * MOST_OF_WINDOW);
        there.setMinWidth(width);
        there.setPrefWidth(width);
        there.setMaxWidth(width);
        Pane wanted = window.getWidth() - width < LEAST_REST * model.look().get().scale() ? middle : left;
        if (open && there.getParent() == wanted) {
            return;
        }
        left.getChildren().remove(there);
        middle.getChildren().remove(there);
        if (open) {
            wanted.getChildren().add(there);
        }
    }

    /** What the guide does in this window. */
    private final class Here implements Doing {

        @Override
        public boolean press(String key) {
            for (var command : commands.here()) {
                if (command.can().getAsBoolean() && command.keys().stream().anyMatch(k -> isCalled(k, key))) {
                    command.run().accept(key);
                    return true;
                }
            }
            return false;
        }

        private static boolean isCalled(Keys keys, String name) {
            return switch (keys) {
                case Keys.Chord chord -> chord.words().equals(name);
                case Keys.Sign sign -> name.length() == 1 && sign.signs().contains(name);
                case Keys.Letter letter -> false;
            };
        }

        @Override
        public boolean isSeen(String words) {
            return pane != null && Sight.holds(window, words, pane);
        }

        @Override
        public void say(String words) {
            model.say(words);
        }
    }
}
