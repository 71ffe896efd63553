package wildflourish.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Folders;
import wildflourish.score.handout.Paper;
import wildflourish.score.handout.SheetContents;
import wildflourish.score.handout.SheetItem;

/** The take-home sheet. */
@Command(name = "handout", description = "The take-home sheet as PDF.", mixinStandardHelpOptions = true)
final class HandoutCommand implements Callable<Integer> {

    @Mixin
    private TuneCommand tune;

    @Mixin
    private Output output;

    @Option(names = "--out", paramLabel = "PATH")
    private @Nullable Path target;

    @Option(names = "--steps", description = "For one who does not read music: how it is held, a step list, a page of fingers.")
    private boolean steps;

    @Option(names = "--one-rung", description = "Without the bare tune below the version.")
    private boolean oneRung;

    @Option(names = "--as-fingered", description = "Written in the key that the fingers think in: on a whistle in another key than D, or behind a capo.")
    private boolean asFingered;

    @Option(names = "--large", description = "In large print.")
    private boolean large;

    @Option(names = "--paper", paramLabel = "PAPER", description = "A4 (the default) or letter.", defaultValue = "A4")
    private Paper paper = Paper.A4;

    @Override
    public Integer call() {
        SheetContents contents = (steps ? SheetContents.BY_STEPS : SheetContents.USUAL.with(SheetItem.BARE, !oneRung)).with(SheetItem.AS_FINGERED, asFingered).withLarge(large).with(paper);
        TuneOptions.Read read = tune.read(TuneOptions.Usual.OWN_LADDER);
        Path path = target != null ? target : Path.of(Folders.fileName(read.arrangement().tune().title()) + ".pdf");
        output.write(tune.file(), path, () -> Exports.sheet(read.arrangement(), read.rung(), contents));
        Exports.unprintable(read.arrangement()).ifPresent(words -> tune.err().printf("%s:0:0: warning: %s%n", tune.file(), words));
        tune.out().println(path);
        return read.status();
    }
}
