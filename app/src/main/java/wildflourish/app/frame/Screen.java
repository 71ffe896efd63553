package wildflourish.app.frame;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Node;
import wildflourish.app.paint.Look;

/**
 * A screen: what one question of the teacher's is answered on. It is one class in its own package and one line in the list of
 * screens; the window knows it by this alone. All of it is for the interface's thread.
 */
public interface Screen {

    /** What it is kept under. Never changes. */
    String id();

    /** What it is called on the rail. */
    String words();

    /** The question it answers, for a hint. */
    String question();

    /** Its key, as {@link Keys#of(String)} reads it; it does not move when screens are added. */
    String key();

    /** Its drawing on the rail: the path of a line in a square of 24 by 24. */
    String drawing();

    /** What is seen. Made when it is first asked for, which is when the screen is first entered. */
    Node node();

    /** Whether it is about the open tune, and cannot be entered without one. */
    default boolean needsTune() {
        return true;
    }

    /** It is shown from now on. */
    default void enter() {}

    /** It is not shown any more. */
    default void leave() {}

    /** Puts the keyboard on what is in hand. */
    void focus();

    /** What can be done on it. The same list whenever it is asked. */
    List<Command> commands();

    /** What can be found on it beyond its commands, and changes: the ornaments of the note in hand, say. */
    default List<Command> findable() {
        return List.of();
    }

    /** Whether its keys work while something in it has the keyboard that is not a field, a box or a button. */
    default boolean takesKeys(Node focus) {
        return true;
    }

    /** What lets it be heard, or stops; nothing where there is nothing to hear. */
    default Optional<Runnable> hear() {
        return Optional.empty();
    }

    /** Whether it is heard now by what it plays itself, as a recording. */
    default ReadOnlyBooleanProperty heard() {
        return new ReadOnlyBooleanWrapper(false).getReadOnlyProperty();
    }

    /** What writes it to a file; nothing where there is nothing to write. */
    default Optional<Runnable> write() {
        return Optional.empty();
    }

    /** What prints it; nothing where that is the sheet's business. */
    default Optional<Runnable> print() {
        return Optional.empty();
    }

    /** Takes the latest edit back; false where it takes none back. */
    default boolean undo() {
        return false;
    }

    /** Does again what was taken back; false where it does nothing again. */
    default boolean redo() {
        return false;
    }

    /** Whether there is something to take back. */
    default boolean canUndo() {
        return false;
    }

    /** {@code start} is to be run whenever something on it may begin to move. */
    default void onMoving(Runnable start) {}

    /** Whether something on it moves from frame to frame. */
    default boolean moves() {
        return false;
    }

    /** For each frame while something moves. */
    default void frame() {}

    /** Shows which note sounds: the rung that is heard, and the note of the plain tune; empty for none. */
    default void sounds(OptionalInt rung, OptionalInt note) {}

    /** The sound had to be given up. */
    default void soundLost() {}

    /** Puts on a look: colours and the size of text. */
    void dress(Look look);
}
