package wildflourish.app.command;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import wildflourish.app.work.ClassSheets;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Folders;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.PrivateFiles;
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

    @Option(names = "--class", paramLabel = "NAME", description = "A sheet for everybody of a class of the library, each on their own instrument, and all of them as one; --out is a folder then.")
    private @Nullable String group;

    @Mixin
    private LibraryOption library;

    @Option(names = "--paper", paramLabel = "PAPER", description = "A4 (the default) or letter.", defaultValue = "A4")
    private Paper paper = Paper.A4;

    @Override
    public Integer call() {
        SheetContents contents = (steps ? SheetContents.BY_STEPS : SheetContents.USUAL.with(SheetItem.BARE, !oneRung)).with(SheetItem.AS_FINGERED, asFingered).withLarge(large).with(paper);
        TuneOptions.Read read = tune.read(group == null ? TuneOptions.Usual.OWN_LADDER : TuneOptions.Usual.UNGROWN);
        if (group != null) {
            return forAll(read, group, contents);
        }
        Path path = target != null ? target : Path.of(Folders.fileName(read.arrangement().tune().title()) + ".pdf");
        output.write(tune.file(), path, () -> Exports.sheet(read.arrangement(), read.rung(), contents));
        Exports.unprintable(read.arrangement()).ifPresent(words -> tune.err().printf("%s:0:0: warning: %s%n", tune.file(), words));
        tune.out().println(path);
        return read.status();
    }

    /** Each one's sheet and the bundle; who was given what is written down where the tune is on the library's shelf. */
    private int forAll(TuneOptions.Read read, String name, SheetContents contents) {
        try (Library open = library.open()) {
            List<Person> people = open.people().all().read().stream().filter(p -> p.student().group().equalsIgnoreCase(name.strip())).toList();
            if (people.isEmpty()) {
                throw Refusal.input("%s:0:0: error: there is no class '%s' in this library".formatted(library.path(), name));
            }
            Arrangement given = read.arrangement();
            Arrangement arrangement = given.instrument().hasHands() && given.ladder().size() > 1 ? given : Documents.grown(given.tune(), people.getFirst().student().plays());
            Path folder = target == null ? Path.of("") : target;
            PrivateFiles.createFolders(folder);
            ClassSheets sheets = ClassSheets.of(arrangement, people, contents, done -> { }, () -> false);
            List<ClassSheets.Written> written = sheets.write(folder, arrangement.tune().title());
            written.forEach(w -> tune.out().println(w.file()));
            open.people().wrote(ClassSheets.noted(written, Instant.now()));
            open.tunes().all().read().stream().filter(t -> t.title().equals(arrangement.tune().title())).findFirst().ifPresentOrElse(
                    entry -> open.people().give(sheets.given(entry.id(), open.tunes().current(entry.id()).id(), Instant.now())),
                    () -> tune.err().printf("%s:0:0: warning: the tune is not on the library's shelf, so nothing was written down about who was given it%n", tune.file()));
            return read.status();
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the sheets could not be written there; choose another folder with --out".formatted(target));
        }
    }
}
