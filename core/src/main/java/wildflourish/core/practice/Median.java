package wildflourish.core.practice;

import java.util.List;

/** The middle of some values, which a few wild ones do not move. */
final class Median {

    private Median() {}

    /** The middle one; of an even number the mean of the middle two. There must be at least one. */
    static double of(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        int n = sorted.size();
        return n % 2 == 1 ? sorted.get(n / 2) : (sorted.get(n / 2 - 1) + sorted.get(n / 2)) / 2;
    }
}
