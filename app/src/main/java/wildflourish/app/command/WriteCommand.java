package wildflourish.app.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Exports;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.steps.StepsReader;

/** From a list of fingerings to a tune. */
@Command(name = "write", description = "From a list of fingerings of an instrument, one a line, to a tune: .abc, .musicxml, .mxl or .mid.", mixinStandardHelpOptions = true)
final class WriteCommand implements Callable<Integer> {

    private static final int LARGEST = 4 * 1024 * 1024;

    @Mixin
    private TuneOptions options;

    @Mixin
    private Output output;

    @Parameters(index = "0", paramLabel = "FILE.txt")
    private Path from;

    @Parameters(index = "1", paramLabel = "OUT.abc")
    private Path to;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        if (!options.hasInstrument()) {
            throw Refusal.call("fingerings are those of an instrument: choose one, as in --instrument whistle-d");
        }
        Exports.Format format = Exports.format(to.toString()).orElseThrow(() -> Refusal.call("'%s' does not tell a format; end it with %s".formatted(to, Exports.ENDINGS)));
        TuneBook book = StepsReader.read(text(), options.instrument());
        book.findings().forEach(f -> spec.commandLine().getErr().println(f.inFile(from.toString())));
        if (book.tunes().isEmpty()) {
            return 1;
        }
        output.write(from, to, () -> Exports.bytes(Arrangement.bare(book.tunes().getFirst().tune(), options.instrument("none")), 0, format));
        return book.hasErrors() ? 1 : 0;
    }

    private String text() {
        try {
            if (Files.size(from) > LARGEST) {
                throw Refusal.input("%s:0:0: error: the file is larger than any list of steps".formatted(from));
            }
            return new String(Files.readAllBytes(from), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the file cannot be read; check its name and whether you may read it".formatted(from));
        }
    }
}
