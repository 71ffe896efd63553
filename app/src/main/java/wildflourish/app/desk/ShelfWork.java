package wildflourish.app.desk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.IntConsumer;
import wildflourish.app.trellis.Openings;
import wildflourish.app.work.Background;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.SafeWrite;
import wildflourish.app.work.TuneIndex;
import wildflourish.core.finding.Finding;
import wildflourish.core.fit.Hardness;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.search.Profile;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.door.TuneFiles;
import wildflourish.library.Edition;
import wildflourish.library.LibraryFault;
import wildflourish.library.TuneEntry;
import wildflourish.sound.input.MidiNotes;

/** What takes time about the shelf: tunes that come in from files, and ladders grown for all of them. */
final class ShelfWork {

    private static final System.Logger LOG = System.getLogger("wildflourish");
    private static final Background.Words GROWING =
            new Background.Words("growing the shelf", "the shelf could not be grown to its end; what was grown is kept");

    private static final Background.Words INDEXING = Background.Words.silent("not every tune can be found by its notes at the moment");

    private final DeskModel desk;
    private final Keeper keeper;
    private final Background background;
    private Optional<MidiNotes> keyboard = Optional.empty();

    ShelfWork(DeskModel desk, Keeper keeper, Background background) {
        this.desk = desk;
        this.keeper = keeper;
        this.background = background;
    }

    private record CameIn(TuneBook book, List<Long> ids) {}

    /** Reads a file and puts its tunes on the shelf; one tune alone is opened at once. */
    void bringIn(Path file) {
        String name = file.getFileName().toString();
        background.run(new Background.Words("reading " + name, "the file %s could not be brought in; the shelf is as it was".formatted(name)), job -> {
            try {
                if (Files.size(file) > TuneFiles.LARGEST) {
                    throw new IOException("larger than 64 MB");
                }
                TuneBook book = TuneFiles.read(Files.readAllBytes(file), percent -> {
                    if (job.stopped()) {
                        throw new CancellationException("stopped");
                    }
                    job.tell("reading %s: %d %%".formatted(name, percent));
                });
                List<Finding> findings = new ArrayList<>(book.findings());
                findings.addAll(alreadyHere(book.tunes()));
                return Optional.of(new CameIn(new TuneBook(book.tunes(), findings), addAll(book.tunes(), job)));
            } catch (IOException e) {
                return Optional.<CameIn>empty();
            }
        }, came -> came.ifPresentOrElse(c -> show(name, c),
                () -> desk.say("%s cannot be read; check its name and whether you may read it".formatted(file))));
    }

    /** Tunes that the shelf has already, under whatever name and in whatever key. */
    private List<Finding> alreadyHere(List<BookTune> tunes) {
        Map<Long, TuneIndex.Found> index = keeper.ask(l -> TuneIndex.of(l, keeper::keepNotes, () -> false));
        List<TuneEntry> entries = keeper.ask(l -> l.tunes().all().read());
        List<Finding> here = new ArrayList<>();
        for (BookTune tune : tunes) {
            Profile profile = Profile.of(tune.tune());
            entries.stream().filter(e -> Optional.ofNullable(index.get(e.id())).flatMap(TuneIndex.Found::profile).filter(profile::isSameTuneAs).isPresent()).findFirst()
                    .ifPresent(e -> here.add(Finding.warning(tune.line(), 0, "“%s” begins like “%s”, which is here already in %s".formatted(
                            tune.tune().title(), e.title(), e.key()), "both are on the shelf now; take one off with Delete if they are the same")));
        }
        return here;
    }

    /** Puts the demo class's tunes on the shelf. */
    void bringInDemo() {
        background.run(new Background.Words("fetching the demo class", "the demo class could not be brought in; the shelf is as it was"), job -> {
            addAll(DeskApplication.demo().tunes(), job);
            return true;
        }, done -> {
            desk.refresh();
            desk.say("the Thursday class of Marram Strand: Enter opens a tune");
        });
    }

    private void show(String name, CameIn came) {
        List<Long> ids = came.ids();
        desk.shelf().setFindings(name, came.book().findings());
        desk.refresh();
        if (ids.size() == 1 && !came.book().hasErrors()) {
            desk.open(ids.getFirst());
        } else {
            desk.show("shelf");
        }
        desk.say(ids.isEmpty() ? "no tune could be read; see what was found below"
                : ids.size() == 1 ? "one tune came in" : ids.size() + " tunes came in");
    }

    /** Puts a tune that was written here on the shelf and opens it. */
    void putUp(BookTune tune) {
        background.run(new Background.Words("putting the tune on the shelf", "the tune could not be put on the shelf; its text is still there"),
                job -> add(keeper::add, tune), id -> {
            desk.refresh();
            desk.open(id);
            desk.say("“%s” is on the shelf".formatted(tune.tune().title()));
        });
    }

    /** Brings what tunes are found by up to date, behind. */
    void index() {
        background.latest("index", INDEXING, job -> keeper.ask(l -> TuneIndex.of(l, keeper::keepNotes, job::stopped)), desk.shelf()::setIndex, () -> { });
    }

    /** Works out how hard the tunes on the shelf are on an instrument, behind, the latest asked for first. */
    void weigh(Instrument instrument) {
        background.latest("hardness", new Background.Words("weighing the tunes", "not every tune could be weighed; the shelf is as it was"), job -> {
            Map<Long, Hardness> found = new HashMap<>();
            List<TuneEntry> tunes = keeper.ask(l -> l.tunes().all().read());
            for (TuneEntry tune : tunes) {
                if (job.stopped()) {
                    break;
                }
                job.tell("weighing the tunes: %d of %d".formatted(found.size(), tunes.size()));
                try {
                    BookTune read = Documents.read(keeper.ask(l -> l.tunes().current(tune.id())).document());
                    found.put(tune.id(), Hardness.of(Arrangement.bare(read.tune(), instrument).version(0)));
                } catch (LibraryFault | IllegalStateException e) {
                    LOG.log(System.Logger.Level.WARNING, "a tune of the library could not be read", e);
                }
            }
            return found;
        }, found -> desk.shelf().setHardness(instrument.name(), found), () -> { });
    }

    /** Sets the words on a tune. */
    void tag(long tune, List<String> words) {
        keeper.tag(tune, words);
        index();
        desk.say(words.isEmpty() ? "no tags" : "tagged: " + String.join(", ", words));
    }

    /** Writes every tune on the shelf into one book of ABC, its ladder with it. */
    void writeBook(Path file) {
        background.run(new Background.Words("writing the library", "the book could not be written; the library is as it was"), job -> {
            StringBuilder book = new StringBuilder("%abc-2.1\n\n");
            List<TuneEntry> tunes = keeper.ask(l -> l.tunes().all().read());
            int written = 0;
            for (TuneEntry tune : tunes) {
                if (job.stopped()) {
                    return "stopped; nothing was written";
                }
                book.append(keeper.ask(l -> l.tunes().current(tune.id())).document().strip().replaceFirst("(?m)\\AX:.*$", "X:" + ++written)).append("\n\n");
                job.tell("writing the library: %d of %d".formatted(written, tunes.size()));
            }
            try {
                SafeWrite.write(file, book.toString().getBytes(StandardCharsets.UTF_8));
                return "%d tunes are in %s".formatted(written, file);
            } catch (IOException e) {
                return "%s cannot be written; choose another place".formatted(file);
            }
        }, desk::say);
    }

    /** A MIDI keyboard's keys, on the interface's thread; false where there is no keyboard. */
    boolean listen(IntConsumer keys) {
        listenNoMore();
        keyboard = MidiNotes.open(new MidiNotes.Keys() {
            @Override
            public void down(int midi) {
                background.onInterface(() -> keys.accept(midi));
            }

            @Override
            public void up(int midi) {}
        });
        desk.say(keyboard.isPresent() ? "play a few notes of the tune" : "no MIDI keyboard is plugged in, or another program has it");
        return keyboard.isPresent();
    }

    /** Lets the keyboard go. */
    void listenNoMore() {
        keyboard.ifPresent(MidiNotes::close);
        keyboard = Optional.empty();
    }

    /** Takes a tune off the shelf; it can be brought back as it was. */
    void takeOff(long tune) {
        desk.shelf().tunes().stream().filter(e -> e.id() == tune).findFirst().ifPresent(e -> {
            keeper.shelve(tune, false);
            desk.shelf().tookOff(e);
            desk.refresh();
            desk.say("“%s” is off the shelf, with all its editions; Ctrl+Z brings it back".formatted(e.title()));
        });
    }

    /** Puts a tune that was taken off on the shelf again. */
    void putBack(TuneEntry tune) {
        keeper.shelve(tune.id(), true);
        desk.refresh();
        desk.say("“%s” is back on the shelf".formatted(tune.title()));
    }

    /** Writes the entry of a tune anew when its title, key or meter have been put right. */
    void follow(long id, Head head) {
        desk.shelf().tunes().stream().filter(e -> e.id() == id && !isAsOn(e, head)).findFirst().ifPresent(e -> {
            keeper.describe(id, head.title(), type(head), head.key().spoken(), head.meter().toString());
            desk.refresh();
        });
    }

    private static boolean isAsOn(TuneEntry entry, Head head) {
        return entry.equals(new TuneEntry(entry.id(), head.title(), type(head), head.key().spoken(), head.meter().toString()));
    }

    private static String type(Head head) {
        return head.rhythm().isEmpty() ? TuneType.of(head).id() : head.rhythm();
    }

    private List<Long> addAll(List<BookTune> tunes, Background.Job job) {
        List<Long> ids = new ArrayList<>();
        for (BookTune tune : tunes) {
            if (!job.stopped()) {
                ids.add(add(keeper::add, tune));
                if (tunes.size() > 20) {
                    job.tell("bringing in: %d of %d".formatted(ids.size(), tunes.size()));
                }
            }
        }
        return ids;
    }

    /** What takes a tune in; its id. */
    interface Intake {
        long add(String title, String type, String key, String meter, String document);
    }

    /** Puts one tune into a library; its id. */
    static long add(Intake library, BookTune tune) {
        Head head = tune.tune().head();
        String document = tune.arrangement().map(a -> AbcWriter.write(a, 0)).orElseGet(
                () -> AbcWriter.write(tune.tune(), tune.unread()));
        return library.add(head.title(), type(head), head.key().spoken(), head.meter().toString(), document);
    }

    /**
     * Grows a ladder for every tune on the shelf that has none yet, in the background, as a new edition of each; what is grown
     * before it is stopped is kept.
     */
    void growAll() {
        background.latest("growing", GROWING, job -> {
            List<TuneEntry> tunes = keeper.ask(l -> l.tunes().all().read());
            int grown = 0;
            int unread = 0;
            for (int i = 0; i < tunes.size() && !job.stopped(); i++) {
                try {
                    grown += grow(tunes.get(i).id()) ? 1 : 0;
                } catch (IllegalStateException | LibraryFault e) {
                    LOG.log(System.Logger.Level.WARNING, "a tune of the shelf could not be read", e);
                    unread++;
                }
                job.tell("growing the shelf: %d of %d".formatted(i + 1, tunes.size()));
            }
            return new Grown(grown, unread);
        }, all -> desk.say(all.inWords()), () -> { });
    }

    /** How many ladders were grown, and how many tunes could not be read. */
    private record Grown(int grown, int unread) {

        String inWords() {
            String done = grown == 0 ? unread == 0 ? "every tune has its ladder already" : "no ladder was grown"
                    : "%d tune%s grown".formatted(grown, grown == 1 ? "" : "s");
            return unread == 0 ? done : "%s; %d could not be read and %s as before".formatted(done, unread, unread == 1 ? "is" : "are");
        }
    }

    /** Grows one tune's ladder, unless it has one or somebody works on it meanwhile; whether it has a new one. */
    private boolean grow(long id) {
        Edition now = keeper.ask(l -> l.tunes().current(id));
        BookTune read = Documents.read(now.document());
        return read.arrangement().isEmpty()
                && keeper.addGrown(now, Documents.write(Documents.grown(read, Instruments.known(Openings.FIRST_INSTRUMENT))));
    }
}
