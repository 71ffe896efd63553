package wildflourish.core.planning;

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

    private final int[][] ahead;
    private final int[][] behind;
    private final int[][] cameFrom;
    private final int[][] goesTo;
    private final int stages;

    /** Finds all ways over a road; of two equally cheap ones the earlier option is taken. */
    ShortestPath(Road road) {
        stages = road.stages();
        ahead = new int[stages][];
        behind = new int[stages][];
        cameFrom = new int[stages][];
        goesTo = new int[stages][];
        int[][] own = new int[stages][];
        int[][][] step = new int[stages][][];
        for (int s = 0; s < stages; s++) {
            int here = road.options(s);
            own[s] = new int[here];
            for (int o = 0; o < here; o++) {
                own[s][o] = road.alone(s, o);
            }
            if (s > 0) {
                step[s] = new int[road.options(s - 1)][here];
                for (int from = 0; from < step[s].length; from++) {
                    for (int to = 0; to < here; to++) {
                        step[s][from][to] = road.between(s, from, to);
                    }
                }
            }
        }
        forward(own, step);
        backward(own, step);
    }

    private void forward(int[][] own, int[][][] step) {
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

    private void backward(int[][] own, int[][][] step) {
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
    }

    /** The cost of the cheapest way through an option. */
    int through(int stage, int option) {
        return Math.min(NEVER, ahead[stage][option] + behind[stage][option]);
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
        for (int s = stage; s + 1 < stages; s++) {
            path[s + 1] = goesTo[s][path[s]];
        }
        return path;
    }
}
