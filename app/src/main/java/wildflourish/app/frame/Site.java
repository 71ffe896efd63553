package wildflourish.app.frame;

import java.nio.file.Path;
import java.util.function.Consumer;

/** What a screen may ask of the window it is in. For the interface's thread. */
public interface Site {

    /** Says something to the teacher; it belongs to the screen that is shown. */
    void say(String words);

    /** Shows a screen, unless it needs a tune and none is open: that is said. */
    void show(String screen);

    /** Opens the guide at a page, or at a section of one: {@code page#section}. */
    void explain(String target);

    /** Asks which file is to be read; {@code question} is a few words with a colon. */
    void askWhich(String question, Consumer<Path> then);

    /**
     * Asks where a file is to be written.
     *
     * @param question with the endings that there are
     * @param name what is meant most often, a file's name without its folder
     */
    void askWhere(String question, String name, Consumer<Path> then);
}
