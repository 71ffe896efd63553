package wildflourish.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Folders;

/** The take-home sheet. */
@Command(name = "handout", description = "The take-home sheet as PDF.", mixinStandardHelpOptions = true)
final class HandoutCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Mixin
    private Output output;

    @Option(names = "--out", paramLabel = "PATH")
    private @Nullable Path target;

    @Override
    public Integer call() {
        TuneOptions.Read read = tune.read(TuneOptions.Usual.OWN_LADDER);
        Path path = target != null ? target : Path.of(Folders.fileName(read.arrangement().tune().title()) + ".pdf");
        output.write(tune.file(), path, () -> Exports.sheet(read.arrangement(), read.rung()));
        Exports.unprintable(read.arrangement()).ifPresent(words -> tune.err().printf("%s:0:0: warning: %s%n", tune.file(), words));
        tune.out().println(path);
        return read.status();
    }
}
