package wildflourish.app.desk;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * What the desktop is started for.
 *
 * @param library the library's file
 * @param demo whether the library is to be filled with the demo class's tunes
 * @param pictures of the main views, after which the program ends; empty for an ordinary start
 */
public record DeskPlan(Path library, List<Path> imports, boolean demo, Optional<Pictures> pictures) {

    /**
     * Pictures to be taken.
     *
     * @param folder where they are written
     * @param out where their paths are printed
     */
    public record Pictures(Path folder, PrintWriter out) {}
}
