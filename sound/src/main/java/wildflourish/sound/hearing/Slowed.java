package wildflourish.sound.hearing;

import java.util.Arrays;

/**
 * Sound at another tempo and the same pitch, by waveform similarity: pieces of the sound are laid over one another at an even distance, each taken from near its place where it goes
 * on most like the one before (WSOLA: W. Verhelst, M. Roelands, <i>An overlap-add technique based on waveform similarity</i>, ICASSP 1993). What is taken is the sound itself, so
 * its pitch and colour stay; and so does an attack, once.
 */
public final class Slowed extends Derived {

    /** Half of a piece, from which the next one begins: pieces of 25 ms hold two periods of the lowest note that is heard here. */
    private static final double HOP_SECONDS = 0.0125;
    /** How far from its place a piece may be taken: a period of that note. */
    private static final double REACH_SECONDS = 0.011;
    /** Where pieces are alike is looked for in so many times fewer samples first. */
    private static final int COARSE = 4;

    private final double tempo;
    private final int hop;
    private final int reach;
    private final float[] window;
    private final Held held;
    private final float[][] tail;
    private final float[][] ready;
    private int readyAt;
    private int readyTo;
    private long piece;
    private long last = Long.MIN_VALUE;
    private long left = -1;
    private long given;

    /**
     * The sound at a tempo.
     *
     * @param tempo 0.5 for half as fast, from 0.2 to 5
     */
    public Slowed(Audio source, double tempo) {
        super(source);
        if (!(tempo >= 0.2 && tempo <= 5)) {
            throw new IllegalArgumentException("a tempo is from 20 to 500 per cent");
        }
        this.tempo = tempo;
        this.hop = (int) Math.round(HOP_SECONDS * source.rate());
        this.reach = (int) Math.round(REACH_SECONDS * source.rate());
        this.window = new float[2 * hop];
        for (int i = 0; i < window.length; i++) {
            window[i] = (float) (0.5 - 0.5 * Math.cos(Math.PI * (i + 0.5) / hop));
        }
        this.held = new Held(source);
        this.tail = new float[source.channels()][hop];
        this.ready = new float[source.channels()][hop];
    }

    @Override
    public int read(float[][] block) {
        int done = 0;
        while (done < block[0].length) {
            if (readyAt == readyTo && !next()) {
                break;
            }
            int count = Math.min(block[0].length - done, readyTo - readyAt);
            for (int c = 0; c < ready.length; c++) {
                System.arraycopy(ready[c], readyAt, block[c], done, count);
            }
            readyAt += count;
            done += count;
        }
        return done;
    }

    /** Makes one hop of sound; false at the end. */
    private boolean next() {
        long place = Math.round(piece * hop * tempo) - hop;
        held.reachTo(place + reach + 3L * hop);
        if (left < 0 && held.ended()) {
            left = Math.round(held.end() / tempo);
        }
        if (left >= 0 && given >= left) {
            return false;
        }
        long from = last == Long.MIN_VALUE ? place : likest(place, last + hop);
        for (int c = 0; c < ready.length; c++) {
            for (int i = 0; i < hop; i++) {
                ready[c][i] = tail[c][i] + window[i] * held.at(c, from + i);
                tail[c][i] = window[hop + i] * held.at(c, from + hop + i);
            }
        }
        last = from;
        piece++;
        // The first half of the first piece is faded in from nothing: it lies before the beginning.
        if (piece == 1) {
            return next();
        }
        readyAt = 0;
        readyTo = (int) Math.min(hop, left < 0 ? hop : left - given);
        given += readyTo;
        held.forget(Math.min(place, last) - 2L * reach);
        return true;
    }

    /** Where, near a place, the sound is most like what would have come next. */
    private long likest(long place, long wanted) {
        if (Math.abs(wanted - place) <= 1) {
            return wanted;
        }
        long best = place;
        double most = Double.NEGATIVE_INFINITY;
        for (long from = place - reach; from <= place + reach; from += COARSE) {
            double like = likeness(from, wanted, COARSE);
            if (like > most) {
                most = like;
                best = from;
            }
        }
        long near = best;
        most = Double.NEGATIVE_INFINITY;
        for (long from = near - COARSE + 1; from < near + COARSE; from++) {
            double like = likeness(from, wanted, 1);
            if (like > most) {
                most = like;
                best = from;
            }
        }
        return best;
    }

    /** Normalised correlation over a piece; what is nearer its place wins where nothing else tells. */
    private double likeness(long from, long wanted, int step) {
        double product = 0;
        double power = 1e-9;
        for (int i = 0; i < 2 * hop; i += step) {
            float a = held.mixed(from + i);
            product += a * held.mixed(wanted + i);
            power += a * a;
        }
        return product / Math.sqrt(power);
    }

    /** The part of the sound that is still needed, by places counted from its beginning; before it and behind it there is silence. */
    private static final class Held {

        private static final int BLOCK = 8192;

        private final Audio source;
        private final float[][] block;
        private float[][] kept;
        private float[] mixed = new float[2 * BLOCK];
        private long start;
        private int size;
        private boolean ended;

        Held(Audio source) {
            this.source = source;
            this.block = new float[source.channels()][BLOCK];
            this.kept = new float[source.channels()][2 * BLOCK];
        }

        void reachTo(long place) {
            while (!ended && start + size < place) {
                int count = source.read(block);
                ended = count < BLOCK;
                if (size + count > mixed.length) {
                    mixed = Arrays.copyOf(mixed, 2 * mixed.length);
                    for (int c = 0; c < kept.length; c++) {
                        kept[c] = Arrays.copyOf(kept[c], mixed.length);
                    }
                }
                for (int c = 0; c < kept.length; c++) {
                    System.arraycopy(block[c], 0, kept[c], size, count);
                }
                for (int i = 0; i < count; i++) {
                    float sum = 0;
                    for (float[] channel : block) {
                        sum += channel[i];
                    }
                    mixed[size + i] = sum;
                }
                size += count;
            }
        }

        boolean ended() {
            return ended;
        }

        long end() {
            return start + size;
        }

        float at(int channel, long place) {
            long i = place - start;
            return i < 0 || i >= size ? 0 : kept[channel][(int) i];
        }

        float mixed(long place) {
            long i = place - start;
            return i < 0 || i >= size ? 0 : mixed[(int) i];
        }

        void forget(long before) {
            int many = Math.clamp(before - start, 0, size);
            if (many >= BLOCK) {
                for (float[] channel : kept) {
                    System.arraycopy(channel, many, channel, 0, size - many);
                }
                System.arraycopy(mixed, many, mixed, 0, size - many);
                start += many;
                size -= many;
            }
        }
    }
}
