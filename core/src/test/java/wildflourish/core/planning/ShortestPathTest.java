package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The cheapest way is the cheapest of all ways, held against every way there is. */
class ShortestPathTest {

    /** A road by its numbers. */
    private record Numbers(int[][] own, int[][][] step) implements ShortestPath.Road {

        static Numbers of(Random random, int stages, int most) {
            int[][] own = new int[stages][];
            for (int s = 0; s < stages; s++) {
                own[s] = random.ints(1 + random.nextInt(3), 0, most).toArray();
            }
            int[][][] step = new int[stages][][];
            for (int s = 1; s < stages; s++) {
                step[s] = new int[own[s - 1].length][own[s].length];
                for (int[] row : step[s]) {
                    for (int to = 0; to < row.length; to++) {
                        row[to] = random.nextInt(most);
                    }
                }
            }
            return new Numbers(own, step);
        }

        @Override
        public int stages() {
            return own.length;
        }

        @Override
        public int options(int stage) {
            return own[stage].length;
        }

        @Override
        public int alone(int stage, int option) {
            return own[stage][option];
        }

        @Override
        public int between(int stage, int from, int to) {
            return step[stage][from][to];
        }

        int cost(int[] way) {
            int sum = own[0][way[0]];
            for (int s = 1; s < way.length; s++) {
                sum += step[s][way[s - 1]][way[s]] + own[s][way[s]];
            }
            return sum;
        }

        List<int[]> ways() {
            List<int[]> ways = new ArrayList<>();
            ways.add(new int[0]);
            for (int[] options : own) {
                List<int[]> longer = new ArrayList<>();
                for (int[] way : ways) {
                    for (int o = 0; o < options.length; o++) {
                        int[] next = java.util.Arrays.copyOf(way, way.length + 1);
                        next[way.length] = o;
                        longer.add(next);
                    }
                }
                ways = longer;
            }
            return ways;
        }
    }

    @Test
    void itIsTheCheapestOfAllWaysAndSoIsThatThroughEachOption() {
        Random random = new Random(2026);
        for (int road = 0; road < 300; road++) {
            Numbers numbers = Numbers.of(random, 1 + random.nextInt(6), 12);
            ShortestPath found = new ShortestPath(numbers);
            List<int[]> ways = numbers.ways();
            int cheapest = ways.stream().mapToInt(numbers::cost).min().orElseThrow();

            assertThat(found.cost()).isEqualTo(cheapest);
            assertThat(numbers.cost(found.path())).isEqualTo(cheapest);
            for (int s = 0; s < numbers.stages(); s++) {
                for (int o = 0; o < numbers.options(s); o++) {
                    int stage = s;
                    int option = o;
                    int through = ways.stream().filter(w -> w[stage] == option).mapToInt(numbers::cost).min().orElseThrow();
                    assertThat(found.through(s, o)).isEqualTo(through);
                    int[] path = found.pathThrough(s, o);
                    assertThat(path[s]).isEqualTo(o);
                    assertThat(numbers.cost(path)).isEqualTo(through);
                }
            }
        }
    }

    /** Of two equally cheap ways the earlier option is taken, seen from the end. */
    @Test
    void ofTwoAlikeTheEarlierIsTaken() {
        Numbers alike = new Numbers(new int[][] {{1, 1}, {2, 2}, {3, 3}}, new int[][][] {{}, {{0, 0}, {0, 0}}, {{0, 0}, {0, 0}}});

        assertThat(new ShortestPath(alike).path()).containsExactly(0, 0, 0);
        assertThat(new ShortestPath(alike).pathThrough(1, 1)).containsExactly(0, 1, 0);
        assertThat(alike.ways().stream().min(Comparator.comparingInt(alike::cost)).orElseThrow()).containsExactly(0, 0, 0);
    }

    @Test
    void aRoadOfNoStagesCostsNothing() {
        ShortestPath none = new ShortestPath(new Numbers(new int[0][], new int[0][][]));

        assertThat(none.cost()).isZero();
        assertThat(none.path()).isEmpty();
    }

    /** What can never be done stays so, however much is added to it. */
    @Test
    void whatCanNeverBeDoneStaysSo() {
        Numbers never = new Numbers(new int[][] {{0}, {ShortestPath.NEVER}, {ShortestPath.NEVER}}, new int[][][] {{}, {{ShortestPath.NEVER}}, {{ShortestPath.NEVER}}});

        assertThat(new ShortestPath(never).cost()).isEqualTo(ShortestPath.NEVER);
        assertThat(new ShortestPath(never).through(0, 0)).isEqualTo(ShortestPath.NEVER);
    }
}
