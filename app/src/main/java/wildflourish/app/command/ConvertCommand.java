package wildflourish.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Exports;

/** From one format to another, told by the endings. */
@Command(name = "convert", description = "From ABC to .abc, .mid, .wav, .svg or .pdf.", mixinStandardHelpOptions = true)
final class ConvertCommand implements Callable<Integer> {

    @Mixin
    private TuneOptions options;

    @Parameters(index = "0", paramLabel = "IN")
    private Path from;

    @Parameters(index = "1", paramLabel = "OUT")
    private Path to;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Exports.Format format = Exports.format(to.toString()).orElseThrow(() -> Refusal.call(
                "'%s' does not tell a format; end it with %s".formatted(to, Exports.ENDINGS)));
        TuneOptions.Read read = options.read(from, spec.commandLine().getErr(),
                format == Exports.Format.ABC ? TuneOptions.Usual.OWN_LADDER : TuneOptions.Usual.AS_WRITTEN);
        Printing.write(from, to, () -> Exports.bytes(read.arrangement(), read.rung(), format));
        return read.status();
    }
}
