package wildflourish.core.planning;

import java.util.Arrays;

/**
 * The cheapest way through a row of stages when the bellows have only so much travel: each option moves them one way by a few
 * grains, and what would go beyond either end costs so much a grain. Exact, by dynamic programming over how far open they are;
 * where they begin is free.
 */
final class BellowsTravel {

    private final int[][] own;
    private final int[][][] step;
    private final int[][] moves;
    private final int room;
    private final int perGrain;

    /**
     * @param own what each option costs by itself, stage by stage
     * @param step what it costs to come to it from each option of the stage before
     * @param moves how many grains each option opens the bellows; less than nothing where it closes them
     * @param room how many grains there are
     */
    BellowsTravel(int[][] own, int[][][] step, int[][] moves, int room, int perGrain) {
        this.own = own;
        this.step = step;
        this.moves = moves;
        this.room = room;
        this.perGrain = perGrain;
    }

    /** The options of the cheapest way. */
    int[] path() {
        int stages = own.length;
        int[][] best = new int[0][];
        int[][][] came = new int[stages][][];
        for (int s = 0; s < stages; s++) {
            int[][] next = new int[own[s].length][room + 1];
            came[s] = new int[own[s].length][room + 1];
            for (int to = 0; to < next.length; to++) {
                Arrays.fill(next[to], ShortestPath.NEVER);
                for (int open = 0; open <= room; open++) {
                    int at = open + moves[s][to];
                    int lands = Math.max(0, Math.min(room, at));
                    int from = s == 0 ? -1 : cheapestBefore(best, step[s], to, open);
                    int sum = own[s][to] + Math.abs(at - lands) * perGrain + (s == 0 ? 0 : best[from][open] + step[s][from][to]);
                    if (sum < next[to][lands]) {
                        next[to][lands] = sum;
                        came[s][to][lands] = s == 0 ? open : from * (room + 1) + open;
                    }
                }
            }
            best = next;
        }
        return traced(best, came);
    }

    private static int cheapestBefore(int[][] best, int[][] step, int to, int open) {
        int cheapest = 0;
        for (int from = 1; from < best.length; from++) {
            if (best[from][open] + step[from][to] < best[cheapest][open] + step[cheapest][to]) {
                cheapest = from;
            }
        }
        return cheapest;
    }

    private int[] traced(int[][] best, int[][][] came) {
        int[] path = new int[own.length];
        int option = 0;
        int open = 0;
        for (int o = 0; o < best.length; o++) {
            for (int at = 0; at <= room; at++) {
                if (best[o][at] < best[option][open]) {
                    option = o;
                    open = at;
                }
            }
        }
        for (int s = own.length - 1; s >= 0; s--) {
            path[s] = option;
            int code = came[s][option][open];
            option = code / (room + 1);
            open = code % (room + 1);
        }
        return path;
    }
}
