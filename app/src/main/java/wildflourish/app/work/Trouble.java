package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.Path;
import java.util.function.Consumer;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * The one road for trouble: what went wrong goes into the log with its stack trace, what became of it and what to do goes to the
 * teacher.
 *
 * @param say tells the teacher, on the interface's thread
 */
public record Trouble(Consumer<String> say) {

    private static final System.Logger LOG = System.getLogger("wildflourish");
    private static final String NAME = "wild-flourish-%s.log";

    /** Something failed: it is logged, and the sentence said. */
    public void met(Throwable fault, String words) {
        LOG.log(System.Logger.Level.ERROR, words, fault);
        say.accept(words);
    }

    /** The log file beside a library. */
    public static Path log(Path library) {
        return library.toAbsolutePath().resolveSibling(NAME.formatted("0"));
    }

    /** The log before it, which is kept when a new one is begun. */
    static Path logBefore(Path library) {
        return library.toAbsolutePath().resolveSibling(NAME.formatted("1"));
    }

    /** Commands speak for themselves: of what libraries log, only what is wrong is seen. */
    public static void logQuietly() {
        Logger.getLogger("").setLevel(Level.SEVERE);
    }

    /** Sends the log into a file beside the library, and no stack trace to whoever started the program. */
    public static void logBeside(Path library) {
        Logger root = Logger.getLogger("");
        for (Handler handler : root.getHandlers()) {
            root.removeHandler(handler);
        }
        try {
            root.addHandler(LogFile.open(log(library), logBefore(library)));
            root.setLevel(Level.INFO);
        } catch (IOException e) {
            // A folder that takes no log takes no library either: that is told when the library is opened.
            root.setLevel(Level.OFF);
        }
    }
}
