package wildflourish.sound.engine;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Moment;
import wildflourish.sound.transport.Playback;
import wildflourish.sound.transport.Sounding;
import wildflourish.sound.voice.Voice;

/**
 * Plays courses, and recordings, on a device, on a thread of its own that sleeps while there is nothing to play. What was playing fades out while
 * the next begins, so that no change clicks. When the device is lost, another is taken and a notice given.
 */
public final class Engine implements AutoCloseable {

    /** Samples rendered at a time: 5.3 milliseconds. */
    static final int BLOCK = 256;

    /** Samples in which what was playing fades out: 10 milliseconds. */
    static final int FADE = 480;

    private static final int LEAVING = 4;

    private final Supplier<Output> outputs;
    private final Consumer<String> notices;
    private final Thread thread;
    private final AtomicReference<Order> order = new AtomicReference<>();
    private final float[] mix = new float[BLOCK];
    private final float[] one = new float[BLOCK];
    private final @Nullable Sounding[] leaving = new Sounding[LEAVING];
    private final int[] fade = new int[LEAVING];
    private final Limiter limiter = new Limiter();
    private volatile @Nullable Output output;
    private volatile @Nullable Playing playing;
    private volatile boolean closed;
    private @Nullable Sounding current;
    private long written;
    private int ringing;

    /** What to do next: play something else, or nothing. */
    private record Order(Optional<Sounding> sounding) {}

    /** What is being played, and the device's sample at which it began. */
    private record Playing(Sounding what, Output on, long startedAt) {

        Optional<Course> course() {
            return what instanceof Playback playback ? Optional.of(playback.course()) : Optional.empty();
        }
    }

    /** An engine on the sound card, or where there is none on a device that keeps time in silence. */
    public static Engine onSoundCard(Consumer<String> notices) {
        return new Engine(() -> {
            try {
                return SoundCard.open();
            } catch (Output.OutputLost e) {
                return new SimulatedOutput(1, 1);
            }
        }, notices);
    }

    /**
     * An engine.
     *
     * @param outputs gives a device: at the start, and again whenever one is lost; called on the engine's thread
     * @param notices told what a user should know, on the engine's thread
     */
    public Engine(Supplier<Output> outputs, Consumer<String> notices) {
        this.outputs = outputs;
        this.notices = notices;
        this.thread = new Thread(this::run, "sound");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        thread.start();
    }

    /** Plays a course from now on; what was playing fades out. Making it ready is the caller's work, a few milliseconds. */
    public void play(Course course) {
        play(new Playback(course));
    }

    /** Plays something else than a course from now on. */
    public void play(Sounding what) {
        order.set(new Order(Optional.of(what)));
        LockSupport.unpark(thread);
    }

    /** Stops what is playing; it fades out. */
    public void stop() {
        order.set(new Order(Optional.empty()));
        LockSupport.unpark(thread);
    }

    /** What is heard at this moment; empty when no course is played. A course that is over stays until the next order. */
    public Optional<Moment> now() {
        Playing now = playing;
        return now == null ? Optional.empty() : now.course().map(c -> c.at(heard(now)));
    }

    /** How many samples have been heard of something; empty where that is not what is played. */
    public OptionalLong heardOf(Sounding what) {
        Playing now = playing;
        return now == null || now.what() != what ? OptionalLong.empty() : OptionalLong.of(heard(now));
    }

    /** What is being played; empty when nothing is. */
    public Optional<Course> course() {
        Playing now = playing;
        return now == null ? Optional.empty() : now.course();
    }

    private static long heard(Playing now) {
        return now.on().heard() - now.startedAt() - Limiter.DELAY;
    }

    /** The device in use; empty before there is one. */
    public Optional<Output> output() {
        return Optional.ofNullable(output);
    }

    /** Milliseconds from rendering a sample to hearing it, as the device tells. */
    public double latencyMs() {
        return output().map(o -> (o.latency() + Limiter.DELAY) * 1000.0 / Voice.RATE).orElse(0.0);
    }

    private void run() {
        output = outputs.get();
        while (!closed) {
            Order next = order.getAndSet(null);
            if (next != null) {
                carryOut(next);
            }
            if (current == null && ringing <= 0) {
                LockSupport.park();
                if (!closed && order.get() != null) {
                    output.resume();
                }
                continue;
            }
            try {
                render();
            } catch (RuntimeException e) {
                drop(e);
            }
            write();
        }
        output.close();
    }

    /** Nothing that goes wrong in a voice may end the thread: what is played is given up, and the next can be played. */
    private void drop(RuntimeException fault) {
        System.getLogger(Engine.class.getName()).log(System.Logger.Level.ERROR, "rendering failed", fault);
        current = null;
        playing = null;
        java.util.Arrays.fill(leaving, null);
        java.util.Arrays.fill(mix, 0);
        notices.accept("this could not be played; the tune is as it was");
    }

    private void carryOut(Order next) {
        if (current != null) {
            leave(current);
        }
        current = next.sounding().orElse(null);
        playing = next.sounding().map(p -> new Playing(p, device(), written)).orElse(null);
        ringing = FADE + Limiter.DELAY + BLOCK;
    }

    private void leave(Sounding playback) {
        int slot = 0;
        for (int i = 0; i < LEAVING; i++) {
            slot = fade[i] < fade[slot] ? i : slot;
        }
        leaving[slot] = playback;
        fade[slot] = FADE;
    }

    private void render() {
        java.util.Arrays.fill(mix, 0);
        if (current != null) {
            current.render(mix, 0, BLOCK);
            if (current.isDone()) {
                current = null;
                ringing = Limiter.DELAY + BLOCK;
            }
        } else {
            ringing -= BLOCK;
        }
        for (int i = 0; i < LEAVING; i++) {
            if (leaving[i] != null) {
                fadeOut(i);
            }
        }
        limiter.limit(mix, 0, BLOCK);
    }

    private void fadeOut(int slot) {
        java.util.Arrays.fill(one, 0);
        leaving[slot].render(one, 0, BLOCK);
        for (int i = 0; i < BLOCK; i++) {
            mix[i] += one[i] * Math.max(0, fade[slot] - i) / FADE;
        }
        fade[slot] = Math.max(0, fade[slot] - BLOCK);
        if (fade[slot] == 0) {
            leaving[slot] = null;
        }
    }

    /** The device, which is opened before anything is played. */
    private Output device() {
        return Objects.requireNonNull(output);
    }

    private void write() {
        try {
            device().write(mix, BLOCK);
            written += BLOCK;
        } catch (Output.OutputLost e) {
            device().close();
            Output other = outputs.get();
            output = other;
            Playing now = playing;
            if (now != null) {
                // What is played goes on where it is, on the new device's own count.
                playing = new Playing(now.what(), other, now.startedAt() - written);
            }
            written = 0;
            notices.accept("the sound device was lost; going on with " + other.name());
        }
    }

    @Override
    public void close() {
        closed = true;
        LockSupport.unpark(thread);
        try {
            thread.join(2000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
