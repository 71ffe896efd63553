package wildflourish.app.command;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.library.Backups;
import wildflourish.library.LibraryFault;

/** Writes a back-up of the library, or lists those that are made by themselves. */
@Command(name = "backup", description = "Writes a whole copy of the library to a file; with none, lists the copies that are made each day it changed.",
        mixinStandardHelpOptions = true)
final class BackupCommand implements Callable<Integer> {

    @Parameters(index = "0", arity = "0..1", paramLabel = "FILE")
    private @Nullable Path to;

    @Mixin
    private LibraryOption library;

    @Option(names = "--force", description = "write over a file that is there")
    private boolean force;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Backups backups = new Backups(library.path(), Clock.systemDefaultZone());
        try {
            if (to != null) {
                if (Files.exists(to) && !force) {
                    throw Refusal.input("%s:0:0: error: there is a file already; give another name, or write over it with --force".formatted(to));
                }
                Backups.Holding written = backups.write(to);
                spec.commandLine().getOut().printf("%s: %s%n", to, written.inWords());
                return 0;
            }
            List<Backups.Holding> all = backups.all();
            all.forEach(b -> spec.commandLine().getOut().printf("%s: %s%n", b.file(), b.inWords()));
            if (all.isEmpty()) {
                spec.commandLine().getErr().println("there is no back-up yet: one is made each day on which the library changed; flourish backup FILE makes one now");
            }
            return 0;
        } catch (LibraryFault e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
    }
}
