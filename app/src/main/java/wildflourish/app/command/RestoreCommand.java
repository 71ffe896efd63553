package wildflourish.app.command;

import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Documents;
import wildflourish.library.Backups;
import wildflourish.library.Examination;
import wildflourish.library.LibraryFault;
import wildflourish.library.Progress;

/** Puts a back-up in the library's place, after it has shown what it holds. */
@Command(name = "restore", description = "Examines a back-up; with --yes puts it in the library's place. What was there is kept beside it. A window that is open notices.",
        mixinStandardHelpOptions = true)
final class RestoreCommand implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "FILE")
    private Path from;

    @Mixin
    private LibraryOption library;

    @Option(names = "--yes", description = "do it")
    private boolean yes;

    @Option(names = "--force", description = "restore a damaged one too, as far as it can be read")
    private boolean force;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        try {
            Examination found = Backups.examine(from, Documents::canRead, Progress.NONE);
            spec.commandLine().getOut().printf("%s: %s%n", from, found.inWords());
            if (!yes) {
                spec.commandLine().getErr().printf("nothing was changed; to put it in the place of %s give --yes%s%n", library.path(), found.isSound() ? "" : " --force: it is damaged, and only what can be read comes back");
                return found.isSound() ? 0 : 1;
            }
            Backups.Restored restored = new Backups(library.path(), Clock.systemDefaultZone()).restore(from, Documents::canRead, force, Progress.NONE);
            spec.commandLine().getOut().printf("%s is as the back-up was%s%n", library.path(),
                    restored.before().map(b -> "; to undo it: flourish restore \"%s\" --yes".formatted(b)).orElse(""));
            return 0;
        } catch (LibraryFault e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
    }
}
