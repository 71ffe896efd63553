package wildflourish.app.frame;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import org.jspecify.annotations.Nullable;

/** The place above the screen where one thing at a time opens: Escape or a click beside it closes it, and gives the keyboard back. */
public final class Overlay extends StackPane {

    private @Nullable Region open;
    private Runnable closed = () -> { };

    /** An overlay with nothing open. */
    public Overlay() {
        getStyleClass().add("overlay");
        setId("overlay");
        setVisible(false);
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            if (e.getTarget() == this) {
                close();
                e.consume();
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
    }

    /** Runs whenever something has closed, to give the keyboard back. */
    public void onClosed(Runnable action) {
        closed = action;
    }

    /** Opens something in place of what is open; what is open already closes. Whether it is open now. */
    public boolean toggle(Region what, Pos where, Node first) {
        if (open == what) {
            close();
            return false;
        }
        open = what;
        what.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        StackPane.setAlignment(what, where);
        getChildren().setAll(what);
        setVisible(true);
        applyCss();
        layout();
        first.requestFocus();
        return true;
    }

    /** Closes what is open, if anything is. */
    public void close() {
        if (open != null) {
            open = null;
            getChildren().clear();
            setVisible(false);
            closed.run();
        }
    }

    /** Whether something is open. */
    public boolean isOpen() {
        return open != null;
    }

    /** Whether this is open. */
    public boolean shows(Region what) {
        return open == what;
    }
}
