package wildflourish.app.command;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.library.Backups;
import wildflourish.library.LibraryFault;

/** Puts a back-up in the library's place, after it has shown what it holds. */
@Command(name = "restore", description = "Shows what a back-up holds; with --yes puts it in the library's place. What was there is kept beside it. Close the window first.",
        mixinStandardHelpOptions = true)
final class RestoreCommand implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "FILE")
    private Path from;

    @Mixin
    private LibraryOption library;

    @Option(names = "--yes", description = "do it")
    private boolean yes;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        try {
            Backups.Holding holding = Backups.look(from);
            spec.commandLine().getOut().printf("%s: %s%n", from, holding.inWords());
            if (!yes) {
                spec.commandLine().getErr().printf("nothing was changed; to put it in the place of %s: close the program's window and give --yes%n", library.path());
                return 0;
            }
            Optional<Path> before = new Backups(library.path(), Clock.systemDefaultZone()).restore(from);
            spec.commandLine().getOut().printf("%s is as the back-up was%s%n", library.path(), before.map(b -> "; what was there is in " + b).orElse(""));
            return 0;
        } catch (LibraryFault e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
    }
}
