package wildflourish.sound.voice;

/** White noise between −1 and 1 from a linear congruence (constants of Numerical Recipes): the same every time, for tests. */
final class Noise {

    private int state;

    Noise(int seed) {
        state = seed;
    }

    double next() {
        state = state * 1664525 + 1013904223;
        return state * (1.0 / 2147483648.0);
    }
}
