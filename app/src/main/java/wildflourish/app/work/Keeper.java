package wildflourish.app.work;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.library.Backups;
import wildflourish.library.Edition;
import wildflourish.library.EditionEntry;
import wildflourish.library.Habit;
import wildflourish.library.Index;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.Meeting;
import wildflourish.library.People;
import wildflourish.library.Progress;
import wildflourish.library.Saved;
import wildflourish.library.Steps;

/**
 * Keeps every edit as it is made, in the order in which it is made, so that no edit waits for the disk. What cannot be written for
 * the moment waits and is tried again; what can never be is set aside, and told.
 */
public final class Keeper implements AutoCloseable {

    private final Library library;
    private final Consumer<String> say;
    private final Aside aside;
    private final Saves saves;
    /** Where each open tune stands, by its id. */
    private final Map<Long, Walk> open = new ConcurrentHashMap<>();
    /** The editions of other programs that have been told. */
    private final Set<Long> told = ConcurrentHashMap.newKeySet();
    private final Map<String, Supplier<String>> toRemember = new ConcurrentHashMap<>();
    private volatile Consumer<String> another = words -> { };
    private volatile boolean anotherTold;

    /**
     * A keeper over an open library, which it closes in the end.
     *
     * @param say tells the teacher something, from any thread
     */
    public Keeper(Library library, Aside aside, Consumer<String> say) {
        this.library = library;
        this.aside = aside;
        this.say = say;
        this.saves = new Saves(say);
    }

    /** Told, from any thread, how much cannot be written at the moment and why; empty when everything can. */
    public void onStanding(Consumer<String> listener) {
        saves.onStanding(listener);
    }

    /**
     * Told once, from any thread, that another library is in the place of the one that was opened: nothing is read or written until
     * {@link #openWhatIsThere}.
     */
    public void onAnotherLibrary(Consumer<String> listener) {
        another = listener;
    }

    /** Passes on whatever it is; that the library is another one is told besides. */
    private LibraryFault seen(LibraryFault fault) {
        if (fault.isAnotherLibrary() && !anotherTold) {
            anotherTold = true;
            another.accept(fault.getMessage());
        }
        return fault;
    }

    /** Goes on with the library that is in the file's place now. No tune is open any more. Never on the interface's thread. */
    public void openWhatIsThere() {
        saves.settle();
        library.openWhatIsThere();
        open.clear();
        told.clear();
        anotherTold = false;
    }

    /** Puts a back-up in the library's place, and goes on with what it held; as {@link Library#restore}. Never on the interface's thread. */
    public Backups.Restored restore(Path backup, boolean force, Progress progress) {
        saves.settle();
        Backups.Restored restored = library.restore(backup, Documents::canRead, force, progress);
        open.clear();
        told.clear();
        anotherTold = false;
        return restored;
    }

    /** How many edits have not been written yet. */
    public int unkept() {
        return saves.unkept();
    }

    /** What cannot be written now is set aside, and not waited for. */
    public void giveUp() {
        saves.giveUp();
    }

    /**
     * Asks the library something, on the caller's thread, when what was done before has been written: never on the interface's
     * thread. What goes wrong there is thrown here.
     */
    public <T> T ask(Function<Library, T> question) {
        saves.settle();
        try {
            return question.apply(library);
        } catch (LibraryFault e) {
            throw seen(e);
        }
    }

    /** Opens a tune: its steps. Waits until its edits are written; never on the interface's thread. Before the first edit of it. */
    public Steps open(long tune) {
        saves.settle(tune);
        Steps steps = ask(l -> l.tunes().steps(tune));
        open.put(tune, new Walk(steps.editions().stream().map(EditionEntry::id).toList(), steps.at()));
        return steps;
    }

    private void add(Saves.Save save) {
        saves.add(new Saves.Save(save.tune(), () -> {
            try {
                save.save().run();
            } catch (LibraryFault e) {
                throw seen(e);
            }
        }, save.otherwise()));
    }

    private void keep(String what, Runnable save) {
        add(new Saves.Save(Saves.NO_TUNE, save, because -> "%s: %s was not kept".formatted(because, what)));
    }

    private Walk walk(long tune) {
        return Objects.requireNonNull(open.get(tune), "the tune is not open");
    }

    /** Saves an edit of an open tune; its document is written here, off the interface's thread. */
    public void save(long tune, String what, Supplier<String> document) {
        add(new Saves.Save(tune, () -> {
            Saved saved = library.tunes().save(tune, walk(tune).current(), what, document.get());
            walk(tune).add(saved.edition().id());
            saved.meanwhile().ifPresent(this::tell);
        }, because -> {
            walk(tune).add(walk(tune).current());
            return aside.put(tune, document.get()).map(file -> "%s: the tune as it was after “%s” is set aside in %s, to be brought in again"
                    .formatted(because, what, file)).orElseGet(() -> "%s, and nothing can be set aside: write the tune to a file now".formatted(because));
        }));
    }

    private void tell(EditionEntry other) {
        if (told.add(other.id())) {
            say.accept("another program has changed this tune too (“%s”): both are kept, and its version is under Earlier".formatted(other.what()));
        }
    }

    /** Goes one edition back. */
    public void undo(long tune) {
        step(tune, -1);
    }

    /** Goes one edition forward. */
    public void redo(long tune) {
        step(tune, 1);
    }

    private void step(long tune, int by) {
        add(new Saves.Save(tune, () -> {
            Walk walk = walk(tune);
            Optional<EditionEntry> meanwhile = library.tunes().stand(tune, walk.current(), walk.stepTo(by));
            walk.step(by);
            meanwhile.ifPresent(this::tell);
        }, because -> {
            walk(tune).step(by);
            return "%s: after the next start the tune is as it was before you undid or redid this".formatted(because);
        }));
    }

    /** Adds a tune to the library, after what has been asked for before; its id. Never on the interface's thread. */
    public long add(String title, String type, String key, String meter, String document) {
        return write(l -> l.tunes().add(title, type, key, meter, document));
    }

    /**
     * Keeps a ladder that was grown for a tune while nobody worked on it: unless another edition is current by now. Whether it was
     * kept. Never on the interface's thread.
     */
    public boolean addGrown(Edition before, String document) {
        return write(l -> {
            Optional<Walk> walk = Optional.ofNullable(open.get(before.tune()));
            if (l.tunes().current(before.tune()).id() != before.id() || walk.filter(w -> w.current() != before.id()).isPresent()) {
                return false;
            }
            long grown = l.tunes().save(before.tune(), before.id(), "ladder grown", document).edition().id();
            walk.ifPresent(w -> w.replace(grown));
            return true;
        });
    }

    private <T> T write(Function<Library, T> change) {
        CompletableFuture<T> written = new CompletableFuture<>();
        add(new Saves.Save(Saves.NO_TUNE, () -> written.complete(change.apply(library)), because -> {
            written.completeExceptionally(new LibraryFault(because, null));
            return because;
        }));
        try {
            return written.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("nobody waits for the library any more");
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException fault ? fault : new IllegalStateException(e.getCause());
        }
    }

    /** Keeps an instrument as the teacher has it. */
    public void keepInstrument(String id, String document) {
        keep("your instrument", () -> library.drawer().keepInstrument(id, document));
    }

    /** Keeps a teacher's instrument no longer. */
    public void forgetInstrument(String id) {
        keep("that this instrument is gone", () -> library.drawer().forgetInstrument(id));
    }

    /** Keeps the text of a lick under its name; an empty one ends it. */
    public void lick(String name, Optional<String> document) {
        keep("your lick", () -> document.ifPresentOrElse(d -> library.drawer().keepLick(name, d), () -> library.drawer().forgetLick(name)));
    }

    /** Keeps where a pitch is played on an instrument; an empty place ends the habit. */
    public void habit(String instrument, String pitch, Optional<String> place) {
        Habit habit = new Habit(instrument, pitch, place.orElse(""));
        keep("your habit", () -> {
            if (place.isPresent()) {
                library.drawer().keepHabit(habit);
            } else {
                library.drawer().endHabit(habit);
            }
        });
    }

    /** Takes in a student; their id. Never on the interface's thread. */
    public long add(Student student) {
        return write(l -> l.people().add(student));
    }

    /** Writes down a lesson, a workshop or a jam; its id. Never on the interface's thread. */
    public long meet(Meeting meeting) {
        return write(l -> l.people().meet(meeting));
    }

    /** Changes something about the people of the library; {@code what} is for reading, as in {@code what Ina learns}. */
    public void people(String what, Consumer<People> change) {
        keep(what, () -> change.accept(library.people()));
    }

    /** Writes a pass into the practice log. */
    public void log(LoggedPass pass) {
        keep("a practised pass", () -> library.log().add(pass));
    }

    /** Takes a tune off the shelf, or puts it back; its editions stay. */
    public void shelve(long tune, boolean on) {
        keep(on ? "a tune put back" : "a tune taken off", () -> {
            if (on) {
                library.tunes().putBack(tune);
            } else {
                library.tunes().remove(tune);
            }
        });
    }

    /** Writes anew what the shelf tells of a tune. */
    public void describe(long tune, String title, String type, String key, String meter) {
        keep("what the shelf tells of “%s”".formatted(title), () -> library.tunes().describe(tune, title, type, key, meter));
    }

    /** Keeps what tunes are found by. */
    public void keepNotes(List<Index.Notes> worked) {
        keep("what tunes are found by", () -> library.index().keep(worked));
    }

    /** Sets the words on a tune, in place of those it had. */
    public void tag(long tune, List<String> words) {
        keep("the words on a tune", () -> library.index().tag(tune, words));
    }

    /** Keeps a value under a name; of several in a hurry only the last is made and written, behind. */
    public void remember(String name, Supplier<String> value) {
        if (toRemember.put(name, value) == null) {
            add(new Saves.Save(Saves.NO_TUNE, () -> {
                Supplier<String> latest;
                do {
                    latest = Objects.requireNonNull(toRemember.get(name));
                    library.drawer().remember(name, latest.get());
                } while (!toRemember.remove(name, latest));
            }, because -> {
                toRemember.remove(name);
                return anotherTold ? "" : "%s: where you are was not kept".formatted(because);
            }));
        }
    }

    /** Where edits are put that the library cannot take. */
    public Aside aside() {
        return aside;
    }

    /** Waits until everything asked for so far has been written or set aside, however long that takes. */
    public void finish() {
        saves.finish();
    }

    /** Waits until everything asked for so far has been written, or nothing can be for the moment. */
    public void settle() {
        saves.settle();
    }

    /** Writes what is left, or sets it aside, and closes the library. */
    @Override
    public void close() {
        saves.close();
        library.close();
    }
}
