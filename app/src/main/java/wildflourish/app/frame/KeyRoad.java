package wildflourish.app.frame;

import java.util.EnumSet;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.jspecify.annotations.Nullable;

/**
 * Brings keys to commands. What has the keyboard comes first: a field keeps what is typed and the keys that edit text, a box
 * and a list the keys that walk in them, a button the space bar.
 */
public final class KeyRoad {

    private static final Set<KeyCode> EDITING = EnumSet.of(KeyCode.A, KeyCode.C, KeyCode.V, KeyCode.X, KeyCode.Z, KeyCode.Y, KeyCode.LEFT,
            KeyCode.RIGHT, KeyCode.HOME, KeyCode.END, KeyCode.DELETE, KeyCode.BACK_SPACE);
    private static final Set<KeyCode> WALKING = EnumSet.of(KeyCode.UP, KeyCode.DOWN, KeyCode.LEFT, KeyCode.RIGHT, KeyCode.HOME, KeyCode.END,
            KeyCode.PAGE_UP, KeyCode.PAGE_DOWN);

    private final Commands commands;
    private final Supplier<Screen> shown;
    private final BooleanSupplier busy;
    private final BooleanSupplier covered;
    private final Set<KeyCode> down = EnumSet.noneOf(KeyCode.class);
    private boolean swallow;
    /** Whether the latest key was held down already. */
    private boolean again;

    /**
     * A road.
     *
     * @param busy tells whether the window asks something, and all keys belong to the question
     * @param covered tells whether something has opened above the screen, to which all keys by themselves belong
     */
    public KeyRoad(Commands commands, Supplier<Screen> shown, BooleanSupplier busy, BooleanSupplier covered) {
        this.commands = commands;
        this.shown = shown;
        this.busy = busy;
        this.covered = covered;
    }

    /** Listens to the keys of a scene; a window that is left holds no key down any more. */
    public void bind(Scene scene) {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            swallow = false;
            again = !down.add(e.getCode());
            walk(e, scene.getFocusOwner());
        });
        scene.addEventFilter(KeyEvent.KEY_TYPED, e -> {
            if (swallow) {
                // The sign of a key that has done its work: a field that has the keyboard now does not get it.
                swallow = false;
                e.consume();
            } else {
                walk(e, scene.getFocusOwner());
            }
        });
        scene.addEventFilter(KeyEvent.KEY_RELEASED, e -> {
            down.remove(e.getCode());
            again = false;
        });
        scene.windowProperty().flatMap(javafx.stage.Window::focusedProperty).addListener((o, a, now) -> down.clear());
    }

    private void walk(KeyEvent e, @Nullable Node focus) {
        if (busy.getAsBoolean() || covered.getAsBoolean() && isPlain(e)) {
            return;
        }
        for (Command command : commands.here()) {
            if (command.keys().stream().anyMatch(k -> k.meant(e)) && isFree(e, focus) && command.can().getAsBoolean()) {
                swallow = e.getEventType() == KeyEvent.KEY_PRESSED && !e.isShortcutDown();
                e.consume();
                if (!again || command.held()) {
                    command.run().accept(e.getEventType() == KeyEvent.KEY_TYPED ? e.getCharacter() : "");
                }
                return;
            }
        }
    }

    private static boolean isPlain(KeyEvent e) {
        return !e.isShortcutDown() && !e.isAltDown() && !e.getCode().isFunctionKey();
    }

    /** Whether what has the keyboard leaves this key to commands. */
    private boolean isFree(KeyEvent e, @Nullable Node focus) {
        boolean plain = isPlain(e);
        return switch (focus) {
            case null -> true;
            case TextInputControl field -> !plain && !EDITING.contains(e.getCode());
            case ComboBoxBase<?> box -> !plain;
            case Spinner<?> spinner -> !plain;
            case ListView<?> list when plain -> !WALKING.contains(e.getCode()) && shown.get().takesKeys(focus);
            case ButtonBase button -> e.getCode() != KeyCode.SPACE && !" ".equals(e.getCharacter());
            default -> true;
        };
    }
}
