package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wildflourish.core.data.DataFile;

/**
 * Which played onset is which expected one. Of all ways to pair them in order, leaving out played ones as extra and expected
 * ones as missed, the one with the least sum of
 *
 * <ul>
 *   <li>for each pair after another, by how much the gap between them was longer or shorter than expected, as a share of the
 *       expected gap;
 *   <li>for each pair, its distance from the pulse as a share of the usual gap, little weighed, so that a player who drifts
 *       is followed but one who is a note behind is told so;
 *   <li>a price for each missed and each extra onset
 * </ul>
 *
 * found by dynamic programming over all pairs and all pairs before them. Of equals, the one that pairs earlier onsets.
 *
 * @param pairs in order of time
 * @param missed expected onsets, by index, that nothing was played for
 * @param extra played onsets, by index, that nothing was expected for
 */
public record Matching(List<Pair> pairs, List<Integer> missed, List<Integer> extra, double cost) {

    /** A played onset and the expected one it stands for, both by index. */
    public record Pair(int expected, int played) {}

    /**
     * What is weighed.
     *
     * @param missed price of a missed onset, in expected gaps; so {@code extra} of one too many
     * @param offset weight of the distance from the pulse
     * @param skip no more than so many onsets in a row are taken for missed, or for extra, between two pairs
     */
    public record Weights(String provenance, double missed, double extra, double offset, int skip) {}

    private static final Weights WEIGHTS = DataFile.read("practice/matching.json", Weights.class);

    public Matching {
        pairs = List.copyOf(pairs);
        missed = List.copyOf(missed);
        extra = List.copyOf(extra);
    }

    /** The best pairing of what was played, in ascending milliseconds, with what was expected. */
    public static Matching of(Expected expected, List<Double> played) {
        return of(expected, played, WEIGHTS);
    }

    static Matching of(Expected expected, List<Double> played, Weights weights) {
        int n = expected.size();
        int m = played.size();
        if (n == 0 || m == 0) {
            return new Matching(List.of(), range(0, n), range(0, m), n * weights.missed() + m * weights.extra());
        }
        Costs costs = new Costs(expected, played, weights);
        double[][] best = new double[n][m];
        int[][] from = new int[n][m];
        int lastE = -1;
        int lastP = -1;
        double least = n * weights.missed() + m * weights.extra();
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < m; j++) {
                best[i][j] = costs.first(i, j);
                from[i][j] = -1;
                for (int a = Math.max(0, i - 1 - weights.skip()); a < i; a++) {
                    for (int b = Math.max(0, j - 1 - weights.skip()); b < j; b++) {
                        double cost = best[a][b] + costs.next(a, b, i, j);
                        if (cost < best[i][j] - 1e-12) {
                            best[i][j] = cost;
                            from[i][j] = a * m + b;
                        }
                    }
                }
                double whole = best[i][j] + (n - 1 - i) * weights.missed() + (m - 1 - j) * weights.extra();
                if (whole < least - 1e-12) {
                    least = whole;
                    lastE = i;
                    lastP = j;
                }
            }
        }
        return traced(n, m, from, lastE, lastP, least);
    }

    private static Matching traced(int n, int m, int[][] from, int lastE, int lastP, double cost) {
        List<Pair> pairs = new ArrayList<>();
        int i = lastE;
        int j = lastP;
        while (i >= 0) {
            pairs.add(new Pair(i, j));
            int before = from[i][j];
            i = before < 0 ? -1 : before / m;
            j = before < 0 ? -1 : before % m;
        }
        Collections.reverse(pairs);
        List<Integer> missed = range(0, n);
        List<Integer> extra = range(0, m);
        pairs.forEach(p -> {
            missed.remove(Integer.valueOf(p.expected()));
            extra.remove(Integer.valueOf(p.played()));
        });
        return new Matching(pairs, missed, extra, cost);
    }

    private static List<Integer> range(int from, int to) {
        List<Integer> all = new ArrayList<>();
        for (int i = from; i < to; i++) {
            all.add(i);
        }
        return all;
    }

    /** The sum that is made least, term by term. */
    static final class Costs {

        private final double[] expected;
        private final double[] played;
        private final Weights weights;
        private final double gap;

        Costs(Expected expected, List<Double> played, Weights weights) {
            this.expected = expected.onsets().stream().mapToDouble(Expected.Onset::atMs).toArray();
            this.played = played.stream().mapToDouble(Double::doubleValue).toArray();
            this.weights = weights;
            double all = this.expected.length < 2 ? expected.lengthMs() : this.expected[this.expected.length - 1] - this.expected[0];
            this.gap = Math.max(1, all / Math.max(1, this.expected.length - 1));
        }

        /** A pair with none before it. */
        double first(int i, int j) {
            return i * weights.missed() + j * weights.extra() + offset(i, j);
        }

        /** A pair right after another. */
        double next(int a, int b, int i, int j) {
            double wanted = expected[i] - expected[a];
            return Math.abs(played[j] - played[b] - wanted) / wanted + offset(i, j)
                    + (i - a - 1) * weights.missed() + (j - b - 1) * weights.extra();
        }

        private double offset(int i, int j) {
            return weights.offset() * Math.abs(played[j] - expected[i]) / gap;
        }
    }
}
