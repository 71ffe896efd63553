package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class BellowsTravelTest {

    private final int[][] own = new int[6][];
    private final int[][][] step = new int[6][][];
    private final int[][] moves = new int[6][];
    private int room;
    private int perGrain;

    private void deal(Random random) {
        room = random.nextInt(5);
        perGrain = random.nextInt(4);
        for (int s = 0; s < own.length; s++) {
            int options = 1 + random.nextInt(3);
            own[s] = random.ints(options, 0, 9).toArray();
            moves[s] = random.ints(options, -3, 4).toArray();
            step[s] = new int[s == 0 ? 0 : own[s - 1].length][];
            for (int from = 0; from < step[s].length; from++) {
                step[s][from] = random.ints(options, 0, 9).toArray();
            }
        }
    }

    /** What a way costs, wherever the bellows begin: the least of all beginnings. */
    private int cost(int[] path) {
        int least = Integer.MAX_VALUE;
        for (int start = 0; start <= room; start++) {
            int open = start;
            int sum = 0;
            for (int s = 0; s < path.length; s++) {
                int at = open + moves[s][path[s]];
                open = Math.max(0, Math.min(room, at));
                sum += own[s][path[s]] + Math.abs(at - open) * perGrain + (s == 0 ? 0 : step[s][path[s - 1]][path[s]]);
            }
            least = Math.min(least, sum);
        }
        return least;
    }

    private int cheapest(int[] path, int stage) {
        if (stage == path.length) {
            return cost(path);
        }
        int least = Integer.MAX_VALUE;
        for (path[stage] = 0; path[stage] < own[stage].length; path[stage]++) {
            least = Math.min(least, cheapest(path, stage + 1));
        }
        return least;
    }

    /** Against every way there is, from every beginning. */
    @Property(tries = 300)
    void theWayIsTheCheapestThereIs(@ForAll long seed) {
        deal(new Random(seed));
        int[] found = new BellowsTravel(own, step, moves, room, perGrain).path();
        assertThat(cost(found)).isEqualTo(cheapest(new int[own.length], 0));
    }
}
