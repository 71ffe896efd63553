package wildflourish.sound.voice;

/**
 * What no breath, bow or bellows holds quite still: a value that wanders about 0 without aim, a few times a second (noise through two low-passes). The same every time, for tests.
 */
final class Wander {

    private static final double TIMES_A_SECOND = 3;
    private static final double RATE = 1 - Math.exp(-2 * Math.PI * TIMES_A_SECOND * Pitch.EVERY / Voice.RATE);
    /** Noise between −1 and 1 has a third of unit power; each low-pass leaves its share of it. */
    private static final double UNIT = Math.sqrt(12 / RATE);

    private final Noise noise;
    private final double spread;
    private double first;
    private double second;

    /** {@code spread} is its standard deviation. */
    Wander(int seed, double spread) {
        this.noise = new Noise(seed);
        this.spread = spread;
    }

    /** The value for the next {@link Pitch#EVERY} samples. */
    double next() {
        first += (noise.next() - first) * RATE;
        second += (first - second) * RATE;
        return spread * UNIT * second;
    }
}
