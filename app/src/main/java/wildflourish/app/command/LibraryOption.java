package wildflourish.app.command;

import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import wildflourish.app.work.Folders;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;

/** Which library a command works on. */
final class LibraryOption {

    @Option(names = "--library", paramLabel = "PATH", description = "the library's file (default: yours)")
    private @Nullable Path given;

    Path path() {
        return given == null ? Folders.library() : given;
    }

    /** The library, opened; refuses one that there is not. */
    Library open() {
        if (!Files.isRegularFile(path())) {
            throw Refusal.input("%s:0:0: error: there is no library; give its file with --library".formatted(path()));
        }
        try {
            return Library.open(path());
        } catch (LibraryFault e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
    }
}
