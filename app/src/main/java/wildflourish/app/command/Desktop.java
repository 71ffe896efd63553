package wildflourish.app.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.app.desk.DeskApplication;
import wildflourish.app.desk.DeskPlan;
import wildflourish.library.TemporaryFiles;

/** Starts the desktop, on the screen or without one. */
final class Desktop {

    private Desktop() {}

    static int open(Path library, List<Path> files) {
        if (!hasDisplay()) {
            throw Refusal.input("there is no display to open a window on; the other commands work without one: "
                    + "flourish --help");
        }
        return DeskApplication.run(new DeskPlan(library, files, false, Optional.empty()));
    }

    static int demo(@Nullable Path tour, PrintWriter out) {
        try {
            Path folder = TemporaryFiles.folder("demo");
            @Nullable Path pictures = tour != null ? tour : hasDisplay() ? null : Files.createTempDirectory(TemporaryFiles.system(), "wild-flourish-tour");
            if (pictures != null) {
                Files.createDirectories(pictures);
                System.setProperty("glass.platform", "Headless");
                System.setProperty("prism.order", "sw");
                System.setProperty("java.awt.headless", "true");
            }
            // Nothing of a demo is kept, also when it is stopped from outside: its folder goes with the run.
            return DeskApplication.run(new DeskPlan(folder.resolve("library.db"), List.of(), true,
                    Optional.ofNullable(pictures).map(p -> new DeskPlan.Pictures(p, out))));
        } catch (IOException e) {
            throw Refusal.input("the demo needs a folder to write in: " + e.getMessage());
        }
    }

    private static boolean hasDisplay() {
        String system = System.getProperty("os.name").toLowerCase(java.util.Locale.ROOT);
        return "Headless".equals(System.getProperty("glass.platform"))
                || system.contains("win") || system.contains("mac")
                || System.getenv("DISPLAY") != null && !System.getenv("DISPLAY").isBlank();
    }
}
