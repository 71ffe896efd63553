package wildflourish.library;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What the program needs on the disk while it runs: fonts, copies that are being examined. Each run has a private folder of its own for it, which
 * goes with it; the folders of runs that were killed are cleared away by the next that needs one. For any thread.
 */
public final class TemporaryFiles {

    private static final String RUN = "run-";
    private static final Path SYSTEM = Path.of(System.getProperty("java.io.tmpdir"));

    private static @Nullable Path own;

    private TemporaryFiles() {}

    /** The system's own folder for temporary files, for what outlives this run. */
    public static Path system() {
        return SYSTEM;
    }

    /** A new folder of this run. */
    public static Path folder(String name) throws IOException {
        return Files.createTempDirectory(own(), name);
    }

    private static synchronized Path own() throws IOException {
        if (own == null) {
            Path begun = begin(SYSTEM.resolve("wild-flourish-" + System.getProperty("user.name", "user").replaceAll("[^A-Za-z0-9]+", "-")), ProcessHandle.current().pid());
            Runtime.getRuntime().addShutdownHook(new Thread(() -> clear(begun)));
            own = begun;
        }
        return own;
    }

    /** The folder of a run among those of all runs; those of processes that run no longer are gone then. */
    static Path begin(Path all, long process) throws IOException {
        PrivateFiles.createFolders(all);
        try (Stream<Path> runs = Files.list(all)) {
            List<Path> over = runs.filter(r -> r.getFileName().toString().matches(RUN + "\\d{1,18}"))
                    .filter(r -> ProcessHandle.of(Long.parseLong(r.getFileName().toString().substring(RUN.length()))).filter(ProcessHandle::isAlive).isEmpty()).toList();
            over.forEach(TemporaryFiles::clear);
        }
        Path run = all.resolve(RUN + process);
        clear(run);
        PrivateFiles.createFolders(run);
        return run;
    }

    private static void clear(Path folder) {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(file);
            }
        } catch (IOException | UncheckedIOException e) {
            // What is still in use goes with the next start.
        }
    }
}
