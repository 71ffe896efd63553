package wildflourish.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Places;

/** The take-home sheet. */
@Command(name = "handout", description = "The take-home sheet as PDF.", mixinStandardHelpOptions = true)
final class HandoutCommand implements Callable<Integer> {

    @Mixin
    private TuneOptions options;

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--out", paramLabel = "PATH")
    private Path target;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        TuneOptions.Read read = options.read(file, spec.commandLine().getErr(), TuneOptions.Usual.OWN_LADDER);
        Path path = target != null ? target : Path.of(Places.fileName(read.arrangement().tune().title()) + ".pdf");
        Output.write(path, Exports.sheet(read.arrangement(), read.rung()));
        spec.commandLine().getOut().println(path);
        return read.status();
    }
}
