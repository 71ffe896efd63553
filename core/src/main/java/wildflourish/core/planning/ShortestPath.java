package wildflourish.core.planning;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The cheapest way through a row of stages, one option in each, and the cheapest way through any given option: exact, by
 * dynamic programming forward and backward, in time linear in the stages and square in the options.
 */
final class ShortestPath {

    /** More than any real cost; a step that cannot be taken costs this. */
    static final int NEVER = 1 << 26;

    /** The costs. */
    interface Road {

        int stages();

        int options(int stage);

        int alone(int stage, int option);

        /** From an option of the stage before to one of this stage. */
        int between(int stage, int from, int to);
    }

    private final int[][] own;
    private final int[][][] step;
    private final int[][] ahead;
    private final int[][] cameFrom;
    private final int stages;
    /** Found when first asked for: a plan is often made only for its cheapest way. */
    private int @Nullable [][] behind;
    private int @Nullable [][] goesTo;

    /** What every step of a road costs, stage by stage, from each option before to each here. */
    static int[][][] steps(Road road) {
        int[][][] step = new int[road.stages()][][];
        for (int s = 1; s < step.length; s++) {
            int here = road.options(s);
            step[s] = new int[road.options(s - 1)][here];
            for (int from = 0; from < step[s].length; from++) {
                for (int to = 0; to < here; to++) {
                    step[s][from][to] = road.between(s, from, to);
                }
            }
        }
        return step;
    }

    /** Finds all ways over a road; of two equally cheap ones the earlier option is taken. */
    ShortestPath(Road road) {
        this(road, steps(road));
    }

    /** As above, over a road whose steps are known from before: only what its options cost has changed. */
    ShortestPath(Road road, int[][][] step) {
        stages = road.stages();
        ahead = new int[stages][];
        cameFrom = new int[stages][];
        own = new int[stages][];
        this.step = step;
        for (int s = 0; s < stages; s++) {
            own[s] = new int[road.options(s)];
            for (int o = 0; o < own[s].length; o++) {
                own[s][o] = road.alone(s, o);
            }
        }
        forward();
    }

    private void forward() {
        for (int s = 0; s < stages; s++) {
            int here = own[s].length;
            ahead[s] = own[s].clone();
            cameFrom[s] = new int[here];
            for (int to = 0; s > 0 && to < here; to++) {
                int best = Integer.MAX_VALUE;
                for (int from = 0; from < ahead[s - 1].length; from++) {
                    int sum = Math.min(NEVER, ahead[s - 1][from] + step[s][from][to]);
                    if (sum < best) {
                        best = sum;
                        cameFrom[s][to] = from;
                    }
                }
                ahead[s][to] = Math.min(NEVER, best + own[s][to]);
            }
        }
    }

    private synchronized void backward() {
        if (behind != null) {
            return;
        }
        int[][] behind = new int[stages][];
        goesTo = new int[stages][];
        for (int s = stages - 1; s >= 0; s--) {
            int here = own[s].length;
            behind[s] = new int[here];
            goesTo[s] = new int[here];
            for (int from = 0; s + 1 < stages && from < here; from++) {
                int best = Integer.MAX_VALUE;
                for (int to = 0; to < behind[s + 1].length; to++) {
                    int sum = Math.min(NEVER, step[s + 1][from][to] + own[s + 1][to] + behind[s + 1][to]);
                    if (sum < best) {
                        best = sum;
                        goesTo[s][from] = to;
                    }
                }
                behind[s][from] = best;
            }
        }
        this.behind = behind;
    }

    /** What each option costs by itself, stage by stage. */
    int[][] own() {
        return own;
    }

    /** The cost of the cheapest way through an option. */
    int through(int stage, int option) {
        backward();
        return Math.min(NEVER, ahead[stage][option] + Objects.requireNonNull(behind)[stage][option]);
    }

    /** The cost of the cheapest way of all. */
    int cost() {
        int best = stages == 0 ? 0 : NEVER;
        for (int o = 0; stages > 0 && o < ahead[stages - 1].length; o++) {
            best = Math.min(best, ahead[stages - 1][o]);
        }
        return best;
    }

    /** The options of the cheapest way of all. */
    int[] path() {
        if (stages == 0) {
            return new int[0];
        }
        int last = stages - 1;
        int chosen = 0;
        for (int o = 1; o < ahead[last].length; o++) {
            chosen = ahead[last][o] < ahead[last][chosen] ? o : chosen;
        }
        return pathThrough(last, chosen);
    }

    /** The options of the cheapest way through an option. */
    int[] pathThrough(int stage, int option) {
        int[] path = new int[stages];
        path[stage] = option;
        for (int s = stage; s > 0; s--) {
            path[s - 1] = cameFrom[s][path[s]];
        }
        if (stage + 1 < stages) {
            backward();
        }
        for (int s = stage; s + 1 < stages; s++) {
            path[s + 1] = Objects.requireNonNull(goesTo)[s][path[s]];
        }
        return path;
    }
}
