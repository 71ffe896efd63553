package wildflourish.app.work;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import wildflourish.library.LibraryFault;

/**
 * The thread on which everything is saved, in the order in which it was done; nothing else runs on it. What cannot be written for
 * the moment waits there, and is tried again until it is written, or set aside when the program ends.
 */
final class Saves implements AutoCloseable {

    private static final System.Logger LOG = System.getLogger("wildflourish");
    static final long NO_TUNE = 0;
    private static final Duration PAUSE = Duration.ofMillis(300);
    private static final Duration AT_THE_END = Duration.ofSeconds(5);
    private static final long LAST_WAIT_S = 60;

    /**
     * Something to be saved.
     *
     * @param tune whose edit it is, or {@link #NO_TUNE}
     * @param save writes it, all or nothing
     * @param otherwise what is done with it when it can never be written: says what became of it
     */
    record Save(long tune, Runnable save, Otherwise otherwise) {}

    /** Puts what was to be saved elsewhere. */
    interface Otherwise {

        /** Does so; where to, in words, which are empty where nobody has to know. */
        String set(String because);
    }

    private final Consumer<String> say;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("keeper").factory());
    private final Map<Long, Integer> pending = new HashMap<>();
    private Consumer<String> standing = words -> { };
    private int unkept;
    private String stuck = "";
    private long giveUpAt = Long.MAX_VALUE;

    Saves(Consumer<String> say) {
        this.say = say;
    }

    /** Told, from any thread, what cannot be written at the moment and why; empty when everything can. */
    synchronized void onStanding(Consumer<String> listener) {
        standing = listener;
    }

    synchronized void add(Save save) {
        unkept++;
        pending.merge(save.tune(), 1, Integer::sum);
        tellStanding();
        thread.execute(() -> {
            try {
                keep(save);
            } finally {
                kept(save);
            }
        });
    }

    private synchronized void kept(Save save) {
        unkept--;
        pending.computeIfPresent(save.tune(), (tune, n) -> n == 1 ? null : Integer.valueOf(n - 1));
        tellStanding();
        notifyAll();
    }

    private void keep(Save save) {
        while (true) {
            try {
                if (isOver() && !stuck().isEmpty()) {
                    setAside(save, stuck());
                } else {
                    save.save().run();
                    stick("");
                }
                return;
            } catch (LibraryFault e) {
                if (!e.mayPass() || isOver()) {
                    setAside(save, e.getMessage());
                    return;
                }
                // The first half says why; that nothing was lost goes without saying while it waits.
                stick(e.getMessage().split(";", 2)[0]);
                pause();
            } catch (RuntimeException e) {
                LOG.log(System.Logger.Level.ERROR, "an edit could not be kept", e);
                setAside(save, "it could not be written");
                return;
            }
        }
    }

    /** Whatever goes wrong here as well is told, and the next edit goes on. */
    private void setAside(Save save, String because) {
        try {
            String words = save.otherwise().set(because);
            if (!words.isEmpty()) {
                say.accept(words);
            }
        } catch (RuntimeException e) {
            LOG.log(System.Logger.Level.ERROR, "an edit could not be set aside", e);
            say.accept(because + "; an edit is lost: undo it, and do it once more");
        }
    }

    private synchronized String stuck() {
        return stuck;
    }

    private synchronized void stick(String because) {
        stuck = because;
        tellStanding();
        notifyAll();
    }

    private void tellStanding() {
        int edits = unkept - pending.getOrDefault(NO_TUNE, 0);
        String what = edits == 0 ? "nothing can be kept now" : "%d edit%s not kept yet".formatted(edits, edits == 1 ? "" : "s");
        standing.accept(stuck.isEmpty() ? "" : what + ": " + stuck);
    }

    private synchronized boolean isOver() {
        return giveUpAt != Long.MAX_VALUE && System.nanoTime() >= giveUpAt;
    }

    private synchronized void pause() {
        try {
            wait(PAUSE.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            giveUpAt = System.nanoTime();
        }
    }

    /** How much has not been written yet. */
    synchronized int unkept() {
        return unkept;
    }

    /** Waits until everything has been written, or nothing can be for the moment. */
    synchronized void settle() {
        while (unkept > 0 && stuck.isEmpty()) {
            await();
        }
    }

    /** Waits until everything has been written or set aside. */
    synchronized void finish() {
        while (unkept > 0) {
            await();
        }
    }

    /** Waits until every edit of a tune has been written. */
    synchronized void settle(long tune) {
        while (pending.containsKey(tune)) {
            await();
        }
    }

    private void await() {
        try {
            wait();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("nobody waits for the library any more");
        }
    }

    /** What cannot be written now is set aside. */
    synchronized void giveUp() {
        giveUpAt = System.nanoTime();
        notifyAll();
    }

    /** Writes what is left, or sets it aside. */
    @Override
    public void close() {
        synchronized (this) {
            giveUpAt = Math.min(giveUpAt, System.nanoTime() + AT_THE_END.toNanos());
        }
        thread.shutdown();
        try {
            if (!thread.awaitTermination(LAST_WAIT_S, TimeUnit.SECONDS)) {
                say.accept("the disk of the library does not answer: the last edits may be missing");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
