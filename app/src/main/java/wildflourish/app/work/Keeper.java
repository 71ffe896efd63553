package wildflourish.app.work;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import wildflourish.core.practice.LoggedPass;
import wildflourish.library.Edition;
import wildflourish.library.EditionEntry;
import wildflourish.library.Habit;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;

/**
 * Keeps every edit as it is made: one after another on a thread of its own, so that no edit waits for the disk. A fault is
 * told to {@code trouble} and what the library held before stays.
 */
public final class Keeper implements AutoCloseable {

    private final Library library;
    private final Consumer<String> trouble;
    private final ExecutorService thread;
    /** The current edition of each open tune, by its id. */
    private final Map<Long, Long> current = new HashMap<>();
    private final Map<String, String> toRemember = new ConcurrentHashMap<>();

    /** A keeper over an open library, which it closes in the end. */
    public Keeper(Library library, Consumer<String> trouble) {
        this(library, trouble, Executors.newSingleThreadExecutor(task -> {
            Thread keeper = new Thread(task, "keeper");
            keeper.setDaemon(false);
            return keeper;
        }));
    }

    Keeper(Library library, Consumer<String> trouble, ExecutorService thread) {
        this.library = library;
        this.trouble = trouble;
        this.thread = thread;
    }

    /**
     * Asks the library something, after whatever has been asked of it before, and waits for the answer: never on the interface's
     * thread. What goes wrong there is thrown here.
     */
    public <T> T ask(Function<Library, T> question) {
        try {
            return thread.submit(() -> question.apply(library)).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("nobody waits for the library any more");
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException fault ? fault : new IllegalStateException(e.getCause());
        }
    }

    private void keep(Runnable work) {
        thread.execute(() -> {
            try {
                work.run();
            } catch (LibraryFault e) {
                trouble.accept(e.getMessage());
            }
        });
    }

    /**
     * The steps of a tune that undo and redo walk: editions from the first to the last, and which is current.
     *
     * @param document of the current one
     */
    public record Steps(List<EditionEntry> editions, int current, String document) {}

    /** Opens a tune: its chain of editions. Must be called before the edits of that tune. */
    public Steps open(long tune) {
        Edition now = library.tunes().current(tune);
        current.put(tune, now.id());
        List<EditionEntry> steps = new ArrayList<>(library.tunes().ancestors(now.id()));
        Collections.reverse(steps);
        int at = steps.size() - 1;
        steps.addAll(library.tunes().descendants(now.id()));
        return new Steps(steps, at, now.document());
    }

    /** Saves an edit of an open tune; its document is written here, off the interface's thread. */
    public void save(long tune, String what, Supplier<String> document) {
        keep(() -> current.put(tune, library.tunes().save(tune, Objects.requireNonNull(current.get(tune)), what, document.get()).id()));
    }

    /** Goes one edition back. */
    public void undo(long tune) {
        keep(() -> library.tunes().undo(Objects.requireNonNull(current.get(tune))).ifPresent(e -> current.put(tune, e.id())));
    }

    /** Goes one edition forward. */
    public void redo(long tune) {
        keep(() -> library.tunes().redo(Objects.requireNonNull(current.get(tune))).ifPresent(e -> current.put(tune, e.id())));
    }

    /** Keeps an instrument as the teacher has it. */
    public void keepInstrument(String id, String document) {
        keep(() -> library.drawer().keepInstrument(id, document));
    }

    /** Keeps a teacher's instrument no longer. */
    public void forgetInstrument(String id) {
        keep(() -> library.drawer().forgetInstrument(id));
    }

    /** Keeps the text of a lick under its name; an empty one ends it. */
    public void lick(String name, Optional<String> document) {
        keep(() -> document.ifPresentOrElse(d -> library.drawer().keepLick(name, d), () -> library.drawer().forgetLick(name)));
    }

    /** Keeps where a pitch is played on an instrument; an empty place ends the habit. */
    public void habit(String instrument, String pitch, Optional<String> place) {
        Habit habit = new Habit(instrument, pitch, place.orElse(""));
        keep(() -> {
            if (place.isPresent()) {
                library.drawer().keepHabit(habit);
            } else {
                library.drawer().endHabit(habit);
            }
        });
    }

    /** Writes a pass into the practice log. */
    public void log(LoggedPass pass) {
        keep(() -> library.log().add(pass));
    }

    /** Keeps a value under a name; of several in a hurry only the last is written. */
    public void remember(String name, String value) {
        if (toRemember.put(name, value) == null) {
            keep(() -> {
                String latest = toRemember.remove(name);
                if (latest != null) {
                    library.drawer().remember(name, latest);
                }
            });
        }
    }

    /** Waits until everything asked for so far has been written. */
    public void settle() {
        try {
            thread.submit(() -> { }).get(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
            trouble.accept("the last edits are still being written");
        }
    }

    @Override
    public void close() {
        thread.shutdown();
        try {
            if (!thread.awaitTermination(30, TimeUnit.SECONDS)) {
                trouble.accept("the last edits are still being written");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        library.close();
    }
}
