package wildflourish.app.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Recordings;
import wildflourish.library.Backups;
import wildflourish.library.Holding;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.WrittenFile;

/** Writes a back-up of the library, or lists those that are made by themselves. */
@Command(name = "backup", description = "Writes a whole copy of the library to a file: with its recordings where the name ends in .zip. Without a file, lists the copies that are made each day it changed.",
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
                Holding written = backups.write(to);
                note(to);
                spec.commandLine().getOut().printf("%s: %s%n", to, written.inWords());
                if (!to.toString().toLowerCase(Locale.ROOT).endsWith(".zip")) {
                    tellRecordings();
                }
                return 0;
            }
            List<Holding> all = Stream.concat(backups.all().stream(), backups.beforeRestores().stream()).toList();
            all.forEach(b -> spec.commandLine().getOut().printf("%s: %s%n", b.file(), b.inWords()));
            if (all.isEmpty()) {
                spec.commandLine().getErr().println("there is no back-up yet: one is made each day on which the library changed; flourish backup FILE makes one now");
            }
            return 0;
        } catch (LibraryFault e) {
            throw Refusal.input(String.valueOf(e.getMessage()));
        }
    }

    /** The library keeps where its copies are: they hold students' names. */
    private void note(Path file) {
        try (Library open = library.open()) {
            open.people().wrote(List.of(new WrittenFile(file, WrittenFile.BACKUP, Optional.empty(), Instant.now())));
        }
    }

    /** Recordings that are not in the copy are told. */
    private void tellRecordings() {
        try (Library open = library.open()) {
            int left = new Recordings(open.folder(Library.RECORDINGS)).count();
            if (left > 0) {
                spec.commandLine().getErr().printf("warning: %d recording%s not in it; a name that ends in .zip takes them along%n", left, left == 1 ? " is" : "s are");
            }
        } catch (IOException e) {
            throw Refusal.input("the recordings beside the library cannot be read: look whether their disk is there");
        }
    }
}
