package wildflourish.app.command;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import wildflourish.app.work.Folders;

/** Which library a command works on. */
final class LibraryOption {

    @Option(names = "--library", paramLabel = "PATH", description = "the library's file (default: yours)")
    private @Nullable Path given;

    Path path() {
        return given == null ? Folders.library() : given;
    }
}
