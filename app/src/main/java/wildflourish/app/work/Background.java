package wildflourish.app.work;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * The one way to do work that takes time. It runs off the interface's thread, hands its answer back on that thread, can be
 * stopped, and has one road for trouble: the log, and a sentence for the teacher. Of several requests in one slot only the
 * latest counts.
 */
public final class Background implements AutoCloseable {

    /**
     * What is said of a piece of work.
     *
     * @param doing while it runs, as in {@code reading kelp.abc}; empty for what nobody has to know of
     * @param failed when it fails: what became of it, and what to do, without a full stop
     */
    public record Words(String doing, String failed) {

        /** Of work that is over before anybody asks. */
        public static Words silent(String failed) {
            return new Words("", failed);
        }
    }

    /** Work: its answer may be anything, also nothing. */
    public interface Work<T extends @Nullable Object> {
        T run(Job job) throws Exception;
    }

    /** A piece of work under way. */
    public final class Job {

        private final AtomicBoolean stopped = new AtomicBoolean();
        private String doing;

        private Job(String doing) {
            this.doing = doing;
        }

        /** Asked by the work again and again: whether it is to end as it is. From any thread. */
        public boolean stopped() {
            return stopped.get();
        }

        /** What is done at the moment, with how far it is. For the interface's thread. */
        public String doing() {
            return doing;
        }

        /** Tells how far it is, from any thread. */
        public void tell(String words) {
            ui.execute(() -> {
                if (!stopped() && jobs.contains(this)) {
                    doing = words;
                    changed.run();
                }
            });
        }

        /** Ends it; its answer is not waited for. For the interface's thread. */
        public void stop() {
            stopped.set(true);
            end(this);
        }
    }

    private final Executor workers;
    private final Executor ui;
    private final Trouble trouble;
    private final List<Job> jobs = new ArrayList<>();
    private final Map<Object, Job> slots = new HashMap<>();
    private Runnable changed = () -> { };
    private volatile boolean closed;

    /**
     * @param workers run what takes time
     * @param ui runs what is to happen on the thread that owns the interface
     */
    public Background(Executor workers, Executor ui, Trouble trouble) {
        this.workers = workers;
        this.ui = ui;
        this.trouble = trouble;
    }

    /** Told, on the interface's thread, whenever {@link #underWay} may have changed. */
    public void onChange(Runnable listener) {
        changed = listener;
    }

    /** The works that have words, the oldest first. For the interface's thread. */
    public List<Job> underWay() {
        return jobs.stream().filter(j -> !j.doing.isEmpty()).toList();
    }

    /**
     * Runs work and goes on with its answer on the interface's thread, unless it has been stopped. For the interface's thread.
     */
    public <T> Job run(Words words, Work<T> work, Consumer<? super T> then) {
        return run(words, work, then, () -> { });
    }

    /** As above; {@code otherwise} puts right on the interface's thread what waits for the answer, when there is none. */
    public <T> Job run(Words words, Work<T> work, Consumer<? super T> then, Runnable otherwise) {
        Job job = new Job(words.doing());
        begin(job, words, work, then, otherwise);
        return job;
    }

    private <T> void begin(Job job, Words words, Work<T> work, Consumer<? super T> then, Runnable otherwise) {
        jobs.add(job);
        changed.run();
        workers.execute(() -> {
            try {
                T answer = work.run(job);
                answer(job, () -> then.accept(answer), words, otherwise);
            } catch (Exception | StackOverflowError | OutOfMemoryError fault) {
                answer(job, () -> {
                    otherwise.run();
                    trouble.met(fault, words.failed());
                }, words, () -> { });
            }
        });
    }

    /** As {@link #run}, in the place of whatever was asked for in the same slot before. */
    public <T> Job latest(Object slot, Words words, Work<T> work, Consumer<? super T> then, Runnable otherwise) {
        Job before = slots.get(slot);
        if (before != null) {
            before.stop();
        }
        Job job = new Job(words.doing());
        slots.put(slot, job);
        begin(job, words, work, then, otherwise);
        return job;
    }

    /** Does something on the interface's thread, from any other. */
    public void onInterface(Runnable task) {
        ui.execute(task);
    }

    private void answer(Job job, Runnable answer, Words words, Runnable otherwise) {
        ui.execute(() -> {
            if (job.stopped() || closed) {
                return;
            }
            end(job);
            try {
                answer.run();
            } catch (RuntimeException fault) {
                otherwise.run();
                trouble.met(fault, words.failed());
            }
        });
    }

    private void end(Job job) {
        jobs.remove(job);
        slots.values().remove(job);
        changed.run();
    }

    /** Stops everything; no answer comes any more. */
    @Override
    public void close() {
        closed = true;
        List.copyOf(jobs).forEach(j -> j.stopped.set(true));
    }
}
