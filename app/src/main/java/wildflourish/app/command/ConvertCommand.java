package wildflourish.app.command;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.app.work.Exports;
import wildflourish.formats.book.TuneBook;

/** From one format to another, told by the endings. */
@Command(name = "convert", description = "From .abc, .musicxml, .mxl or .mid to one of these, to .wav, .svg or .pdf.", mixinStandardHelpOptions = true)
final class ConvertCommand implements Callable<Integer> {

    @Mixin
    private TuneOptions options;

    @Mixin
    private Output output;

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
        if (format == Exports.Format.ABC && !options.hasTune()) {
            return book();
        }
        TuneOptions.Read read = options.read(from, spec.commandLine().getErr(),
                format == Exports.Format.ABC ? TuneOptions.Usual.OWN_LADDER : TuneOptions.Usual.AS_WRITTEN);
        output.write(from, to, () -> Exports.bytes(read.arrangement(), read.rung(), format));
        if (format == Exports.Format.PDF) {
            Exports.unprintable(read.arrangement()).ifPresent(words -> spec.commandLine().getErr().printf("%s:0:0: warning: %s%n", from, words));
        }
        return read.status();
    }

    /** A book stays a book: all its tunes are written, unless one is asked for. */
    private int book() {
        TuneBook book = TuneOptions.book(from, spec.commandLine().getErr());
        List<TuneOptions.Read> tunes = book.tunes().stream().map(t -> options.read(book, t, TuneOptions.Usual.OWN_LADDER)).toList();
        output.write(from, to, () -> tunes.stream().map(t -> new String(Exports.bytes(t.arrangement(), t.rung(), Exports.Format.ABC), StandardCharsets.UTF_8))
                .collect(Collectors.joining("\n")).getBytes(StandardCharsets.UTF_8));
        return book.hasErrors() ? 1 : 0;
    }
}
