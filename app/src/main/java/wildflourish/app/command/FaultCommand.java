package wildflourish.app.command;

import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import wildflourish.app.work.FaultReport;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;

/** What to send when something went wrong. */
@Command(name = "fault", description = "What to send when something went wrong: versions and the end of the log, names of students and tunes covered. Look at it before you send it.",
        mixinStandardHelpOptions = true)
final class FaultCommand implements Callable<Integer> {

    @Mixin
    private LibraryOption library;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        try {
            spec.commandLine().getOut().print(FaultReport.of(Map.of(), names(), FaultReport.logged(library.path())));
            spec.commandLine().getOut().flush();
            return 0;
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the log beside it cannot be read: %s".formatted(library.path(), e.getMessage()));
        }
    }

    /** Nothing is covered that cannot be read: then it is said, for whoever looks. */
    private FaultReport.Names names() {
        if (Files.isRegularFile(library.path())) {
            try (Library opened = Library.open(library.path())) {
                return FaultReport.Names.of(opened);
            } catch (LibraryFault e) {
                spec.commandLine().getErr().println("the library cannot be read, so that its names are not covered: look for them yourself (" + e.getMessage() + ")");
            }
        }
        return new FaultReport.Names(Map.of());
    }
}
