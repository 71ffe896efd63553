package wildflourish.sound.hearing;

/**
 * Sound read at another speed, so that its pitch moves with its tempo: band-limited interpolation with a windowed sinc (J. O. Smith, P. Gossett, <i>A flexible sampling-rate
 * conversion method</i>, ICASSP 1984).
 */
public final class Resampled extends Derived {

    /** Zero crossings of the sinc on either side. */
    private static final int CROSSINGS = 16;
    /** How far one step goes. */
    private static final double FARTHEST = 4;
    private static final int BLOCK = 4096;
    /** The share of the band that is kept, so that nothing folds back. */
    private static final double KEPT = 0.95;
    /** Steps of the table between two crossings. */
    private static final int STEPS = 512;

    private final double speed;
    private final double cutoff;
    private final int wing;
    private final float[] table;
    private final float[][] held;
    private final float[][] block;
    private long start;
    private int size;
    private boolean ended;
    private long given;

    /**
     * The sound at a speed.
     *
     * @param speed 2 for an octave up and twice as fast, from 0.25 to 4
     */
    public Resampled(Audio source, double speed) {
        this(source, speed, BLOCK);
    }

    /** The same, reading so many samples at once: few where they come in as they are played. */
    public Resampled(Audio source, double speed, int atOnce) {
        super(source);
        if (!(speed >= 1 / FARTHEST && speed <= FARTHEST)) {
            throw new IllegalArgumentException("a sound can be moved by two octaves at most");
        }
        this.speed = speed;
        this.cutoff = KEPT * Math.min(1, 1 / speed);
        this.wing = (int) Math.ceil(CROSSINGS / cutoff) + 1;
        this.table = new float[CROSSINGS * STEPS + 2];
        for (int i = 0; i < table.length; i++) {
            double x = (double) i / STEPS;
            double sinc = x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
            double hann = x >= CROSSINGS ? 0 : 0.5 + 0.5 * Math.cos(Math.PI * x / CROSSINGS);
            table[i] = (float) (sinc * hann * cutoff);
        }
        this.held = new float[source.channels()][4 * (atOnce + 2 * wing)];
        this.block = new float[source.channels()][atOnce];
    }

    /**
     * The sound at so many samples a second, whatever it has: by several steps where one would be too far.
     *
     * @param rate of the samples that are read from it; what it says of itself stays that of the source
     */
    public static Audio at(Audio source, int rate) {
        double speed = (double) source.rate() / rate;
        Audio read = source;
        while (speed > FARTHEST || speed < 1 / FARTHEST) {
            double step = speed > 1 ? FARTHEST : 1 / FARTHEST;
            read = new Resampled(read, step);
            speed /= step;
        }
        return new Resampled(read, speed);
    }

    @Override
    public int read(float[][] out) {
        int done = 0;
        for (; done < out[0].length; done++) {
            double place = given * speed;
            long middle = (long) Math.floor(place);
            fill(middle + wing + 1);
            if (ended && place > start + size - 1) {
                break;
            }
            for (int c = 0; c < held.length; c++) {
                out[c][done] = at(held[c], place, middle);
            }
            given++;
        }
        return done;
    }

    private float at(float[] samples, double place, long middle) {
        double sum = 0;
        long first = Math.max(start, middle - wing);
        long end = Math.min(start + size - 1, middle + wing);
        for (long i = first; i <= end; i++) {
            double x = Math.abs(place - i) * cutoff * STEPS;
            int step = (int) x;
            if (step < table.length - 1) {
                sum += samples[(int) (i - start)] * (table[step] + (x - step) * (table[step + 1] - table[step]));
            }
        }
        return (float) sum;
    }

    private void fill(long to) {
        while (!ended && start + size < to) {
            int many = Math.clamp((long) Math.floor(given * speed) - wing - start, 0, size);
            if (size + block[0].length > held[0].length) {
                for (float[] channel : held) {
                    System.arraycopy(channel, many, channel, 0, size - many);
                }
                start += many;
                size -= many;
            }
            int count = source.read(block);
            ended = count < block[0].length;
            for (int c = 0; c < held.length; c++) {
                System.arraycopy(block[c], 0, held[c], size, count);
            }
            size += count;
        }
    }
}
