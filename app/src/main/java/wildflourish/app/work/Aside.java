package wildflourish.app.work;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.library.TemporaryFiles;

/**
 * Where edits are put that the library could not take: files that the program can bring in again.
 *
 * @param folder beside the library
 */
public record Aside(Path folder) {

    private static final String STARTED = LocalDateTime.now().format(DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss-SSS", Locale.ROOT));

    /** The place beside a library. */
    public static Aside beside(Path library) {
        return new Aside(library.toAbsolutePath().resolveSibling(library.getFileName() + ".not-kept"));
    }

    /**
     * Puts a tune's document there, or where temporary files are kept when that cannot be written to: over an earlier one of the same
     * tune, which it follows. Gives the file.
     */
    Optional<Path> put(long tune, String document) {
        String name = "tune-%d-%s.abc".formatted(tune, STARTED);
        for (Path place : List.of(folder, TemporaryFiles.system())) {
            try {
                Path file = place.resolve(name);
                SafeWrite.writePrivate(file, document.getBytes(StandardCharsets.UTF_8));
                return Optional.of(file);
            } catch (IOException e) {
                System.getLogger("wildflourish").log(System.Logger.Level.ERROR, "nothing can be set aside in " + place, e);
            }
        }
        return Optional.empty();
    }

    /** What is to be said of files that lie there from another day. */
    public Optional<String> remark() {
        try (Stream<Path> files = Files.list(folder)) {
            return files.findAny().isEmpty() ? Optional.empty() : Optional.of(("edits that could not be kept last time lie in %s: bring in what is there, then "
                    + "delete the folder").formatted(folder));
        } catch (IOException e) {
            return Optional.empty();
        }
    }
}
