package wildflourish.app.desk;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;

/**
 * What the desktop is started for.
 *
 * @param library the library's file
 * @param imports files to import at the start
 * @param demo whether the library is to be filled with the demo class's tunes
 * @param tour folder for pictures of the main views, after which the program ends; null for an ordinary start
 * @param out where the tour prints the paths of its pictures; null for an ordinary start
 */
public record DeskPlan(Path library, List<Path> imports, boolean demo, Path tour, PrintWriter out) {}
