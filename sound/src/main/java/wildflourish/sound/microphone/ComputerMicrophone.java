package wildflourish.sound.microphone;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;
import wildflourish.sound.hearing.Audio;
import wildflourish.sound.hearing.Ears;
import wildflourish.sound.hearing.Resampled;
import wildflourish.sound.input.Stretch;

/** The computer's own microphone. It is listened to on a thread of its own; nothing is kept but the last half minute. */
public final class ComputerMicrophone implements Microphone {

    private static final int LINE_RATE = 48_000;
    private static final int BLOCK = Ears.RATE / 100;
    private static final int KEPT = 30 * Ears.RATE;
    private static final double FULL = 32_768;

    private final Audio line;
    private final Thread reader;
    private final float[] kept = new float[KEPT];
    private long total;
    private long latestNs = System.nanoTime();
    private volatile boolean closed;
    private double beginsAt;
    private int asked;
    private long first;
    private long next;

    /** A microphone on sound that is read as it comes in. */
    ComputerMicrophone(Audio line) {
        this.line = line;
        this.reader = new Thread(this::read, "microphone");
        reader.setDaemon(true);
        reader.start();
    }

    /** Opens it; empty where there is none, or it must not be used. */
    public static Optional<ComputerMicrophone> open() {
        return line().map(ComputerMicrophone::new);
    }

    /** What comes in, without end until it is closed; empty where there is no microphone, or it must not be used. */
    public static Optional<Audio> line() {
        AudioFormat format = new AudioFormat(LINE_RATE, 16, 1, true, false);
        try {
            if (!AudioSystem.isLineSupported(new DataLine.Info(TargetDataLine.class, format))) {
                return Optional.empty();
            }
            TargetDataLine line = AudioSystem.getTargetDataLine(format);
            line.open(format, LINE_RATE / 10 * 2);
            line.start();
            return Optional.of(new Line(line));
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException e) {
            return Optional.empty();
        }
    }

    private void read() {
        Resampled even = new Resampled(line, (double) line.rate() / Ears.RATE, line.rate() / 100);
        float[][] block = new float[1][BLOCK];
        for (int count = even.read(block); count > 0 && !closed; count = even.read(block)) {
            take(block[0], count);
        }
    }

    private synchronized void take(float[] samples, int count) {
        for (int i = 0; i < count; i++) {
            kept[(int) ((total + i) % KEPT)] = samples[i];
        }
        total += count;
        latestNs = System.nanoTime();
    }

    /** How many samples have come in. */
    synchronized long heard() {
        return total;
    }

    @Override
    public String name() {
        return "microphone";
    }

    @Override
    public synchronized void begin(Stretch stretch) {
        asked = 0;
        beginsAt = 0;
        first = -1;
    }

    @Override
    public synchronized float[] upTo(double nowMs) {
        if (nowMs < Double.MAX_VALUE) {
            // Each time tells a little otherwise where the stretch began: their mean is nearer than any of them.
            double now = total + (System.nanoTime() - latestNs) * 1e-9 * Ears.RATE;
            beginsAt += (now - nowMs * Ears.RATE / 1000 - beginsAt) / ++asked;
        }
        if (asked == 0) {
            return new float[0];
        }
        if (first < 0) {
            first = Math.max(Math.max(0, total - KEPT), Math.round(beginsAt - LEAD_MS * Ears.RATE / 1000));
            next = first;
        }
        long from = Math.max(next, total - KEPT);
        float[] more = new float[(int) Math.max(0, total - from)];
        for (int i = 0; i < more.length; i++) {
            more[i] = kept[(int) ((from + i) % KEPT)];
        }
        next = Math.max(next, total);
        return more;
    }

    @Override
    public synchronized double startMs() {
        return first < 0 ? 0 : (first - beginsAt) * 1000 / Ears.RATE;
    }

    @Override
    public void close() {
        closed = true;
        line.close();
    }

    /** A line of the sound device. */
    private record Line(TargetDataLine line) implements Audio {

        @Override
        public int rate() {
            return LINE_RATE;
        }

        @Override
        public int channels() {
            return 1;
        }

        @Override
        public int read(float[][] block) {
            byte[] bytes = new byte[2 * block[0].length];
            int count = line.read(bytes, 0, bytes.length) / 2;
            for (int i = 0; i < count; i++) {
                block[0][i] = (float) ((short) (bytes[2 * i] & 0xff | bytes[2 * i + 1] << 8) / FULL);
            }
            return count;
        }

        @Override
        public void close() {
            line.stop();
            line.close();
        }
    }
}
