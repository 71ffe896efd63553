package wildflourish.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Opens the desktop and imports files. */
@Command(name = "open", description = "The desktop; files given are imported.", mixinStandardHelpOptions = true)
final class OpenCommand implements Callable<Integer> {

    @Mixin
    private LibraryOption library;

    @Parameters(paramLabel = "FILE", arity = "0..*")
    private List<Path> files = List.of();

    @Override
    public Integer call() {
        return Desktop.open(library.path(), files);
    }
}
