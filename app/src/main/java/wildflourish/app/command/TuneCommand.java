package wildflourish.app.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What every command about one tune has: its file, the options that mean the same everywhere, and where its words go. */
final class TuneCommand {

    @Mixin
    private TuneOptions options;

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Spec(Spec.Target.MIXEE)
    private CommandSpec spec;

    /** Reads the file, prints its findings, and makes the arrangement that the options ask for. */
    TuneOptions.Read read(TuneOptions.Usual usual) {
        return options.read(file, err(), usual);
    }

    TuneOptions options() {
        return options;
    }

    Path file() {
        return file;
    }

    PrintWriter out() {
        return spec.commandLine().getOut();
    }

    PrintWriter err() {
        return spec.commandLine().getErr();
    }
}
