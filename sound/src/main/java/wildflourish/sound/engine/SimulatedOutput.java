package wildflourish.sound.engine;

import java.util.concurrent.locks.LockSupport;
import wildflourish.sound.voice.Voice;

/**
 * A device that nobody hears: it takes samples as fast as a sound card would and keeps the latest of them, so that a program can
 * listen. It can run faster than real time, and can be taken away, as a plug is pulled.
 */
public final class SimulatedOutput implements Output {

    private static final int ROOM = 1024;
    private static final long LONGEST_WAIT_NS = 20_000_000;

    private final double pace;
    private final float[] kept;
    private volatile long written;
    private volatile boolean gone;
    private volatile long startedNs;
    private volatile long startedAt;
    private volatile boolean started;

    /**
     * A device.
     *
     * @param pace 1 for real time, 10 for ten times as fast
     * @param seconds how much of what it was given it keeps
     */
    public SimulatedOutput(double pace, int seconds) {
        this.pace = pace;
        this.kept = new float[seconds * Voice.RATE];
    }

    @Override
    public String name() {
        return "no sound device: keeping time in silence";
    }

    @Override
    public boolean isAudible() {
        return false;
    }

    @Override
    public void write(float[] block, int frames) throws OutputLost {
        if (gone) {
            throw new OutputLost("taken away");
        }
        if (!started || heard() >= written) {
            startedNs = System.nanoTime();
            startedAt = written;
            started = true;
        }
        for (int i = 0; i < frames; i++) {
            kept[(int) ((written + i) % kept.length)] = block[i];
        }
        written += frames;
        while (written - heard() > ROOM && !gone) {
            double wait = (written - heard() - ROOM) / (pace * Voice.RATE) * 1e9;
            LockSupport.parkNanos(Math.clamp((long) wait, 1, LONGEST_WAIT_NS));
            if (Thread.interrupted()) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    @Override
    public long heard() {
        return started ? Math.min(written, startedAt + (long) ((System.nanoTime() - startedNs) * pace * Voice.RATE / 1e9)) : 0;
    }

    @Override
    public int latency() {
        return ROOM;
    }

    @Override
    public void resume() {
        started = false;
        startedAt = written;
    }

    /** Samples written so far. */
    public long written() {
        return written;
    }

    /** The latest samples that were written, the oldest first; fewer where not so many were. */
    public float[] listen(int frames) {
        long end = written;
        int count = (int) Math.min(Math.min(frames, kept.length), end);
        float[] heard = new float[count];
        for (int i = 0; i < count; i++) {
            heard[i] = kept[(int) ((end - count + i) % kept.length)];
        }
        return heard;
    }

    /** From now on the device is gone. */
    public void takeAway() {
        gone = true;
    }

    @Override
    public void close() {
        gone = true;
    }
}
