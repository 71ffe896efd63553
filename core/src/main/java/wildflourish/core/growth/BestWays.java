package wildflourish.core.growth;

import java.util.Arrays;
import java.util.List;
import java.util.function.ToLongBiFunction;

/** Goes through the decisions, the best ways first, and leaves off where what is left cannot reach the best so far. */
final class BestWays {
    private final List<List<Chooser.Ends>> ways;
    private final List<Chooser.Pair> pairs;
    private final long[] rest;
    private final ToLongBiFunction<Option, Option> between;
    private final int[] now;
    private int[] best;
    private long worth = Long.MIN_VALUE;

    /**
     * @param ways of each decision, the best first
     * @param pairs decisions that touch
     * @param rest what the decisions from each on can bring at most
     * @param between what two treatments that follow one another bring
     */
    BestWays(List<List<Chooser.Ends>> ways, List<Chooser.Pair> pairs, long[] rest, ToLongBiFunction<Option, Option> between) {
        this.between = between;
        this.ways = ways;
        this.pairs = pairs;
        this.rest = rest;
        this.now = new int[ways.size()];
        this.best = new int[ways.size()];
    }

    /** For each decision the index of its way in the best of all choices. */
    int[] best() {
        go(0, 0);
        return best;
    }

    private void go(int d, long value) {
        if (d == ways.size()) {
            worth = value;
            best = Arrays.copyOf(now, now.length);
            return;
        }
        for (int w = 0; w < ways.get(d).size(); w++) {
            Chooser.Ends way = ways.get(d).get(w);
            if (value + way.choice().value() + rest[d + 1] <= worth) {
                return;
            }
            now[d] = w;
            long here = value + way.choice().value();
            for (Chooser.Pair pair : pairs) {
                if (Math.max(pair.before(), pair.after()) == d) {
                    here += between.applyAsLong(ways.get(pair.before()).get(now[pair.before()]).last().member(pair.end()),
                            ways.get(pair.after()).get(now[pair.after()]).first().member(pair.start()));
                }
            }
            if (here + rest[d + 1] > worth) {
                go(d + 1, here);
            }
        }
    }
}
