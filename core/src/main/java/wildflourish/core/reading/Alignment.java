package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wildflourish.core.data.DataFile;

/**
 * How far one phrase is from another, note against note: an edit distance on pitch and time in which a note may also stand
 * against several that fill its time (Mongeau and Sankoff 1990). Exact, by dynamic programming.
 *
 * @param distance in hundredths of a quaver; 0 for the same notes
 * @param steps scale steps by which the second phrase was moved down to be compared
 * @param pairs what stands against what, in order
 */
record Alignment(int distance, int steps, List<Pair> pairs) {

    /**
     * Tones that stand against one another: one against one, one against several, or one against none.
     *
     * @param from index of the first tone of the first phrase, and the one after the last; equal where there is none
     */
    record Pair(int from, int to, int otherFrom, int otherTo, int cost) {}

    record Weights(
            String provenance, List<Integer> perStep, int further, int otherSpelling, int length, int lost, int divided,
            int moved, int shared, int sharedNotes, int beginning, int unevenOneIn, int nearly,
            int divideInto) {}

    static final Weights WEIGHTS = DataFile.read("reading/likeness.json", Weights.class);

    /** The nearest alignment, the second phrase moved by as many steps as brings it nearest. */
    static Alignment of(List<Tone> first, List<Tone> second) {
        return of(first, second, Integer.MAX_VALUE);
    }

    /** The same where the distance is no more than a limit; else one without pairs, whose distance is beyond the limit. */
    static Alignment of(List<Tone> first, List<Tone> second, int limit) {
        Alignment best = at(first, second, 0, limit);
        if (first.isEmpty() || second.isEmpty()) {
            return best;
        }
        List<Integer> tried = new ArrayList<>(List.of(0));
        for (int k = 0; k < 3; k++) {
            int a = k == 0 ? 0 : k == 1 ? first.size() - 1 : first.size() / 2;
            int b = k == 0 ? 0 : k == 1 ? second.size() - 1 : second.size() / 2;
            int steps = second.get(b).pitch().diatonic() - first.get(a).pitch().diatonic();
            if (!tried.contains(steps)) {
                tried.add(steps);
                Alignment moved = at(first, second, steps, limit);
                best = moved.distance() < best.distance() ? moved : best;
            }
        }
        return best;
    }

    /** The alignment with the second phrase moved down by so many steps of the scale. */
    static Alignment at(List<Tone> first, List<Tone> second, int steps) {
        return at(first, second, steps, Integer.MAX_VALUE);
    }

    private static Alignment at(List<Tone> first, List<Tone> second, int steps, int limit) {
        int beyond = 0;
        int n = first.size();
        int m = second.size();
        int[][] cost = new int[n + 1][m + 1];
        int[][] took = new int[n + 1][m + 1];
        int most = WEIGHTS.divideInto();
        for (int i = 0; i <= n; i++) {
            for (int j = 0; j <= m; j++) {
                if (i == 0 && j == 0) {
                    continue;
                }
                int best = Integer.MAX_VALUE;
                int how = 0;
                if (i > 0) {
                    best = cost[i - 1][j] + lost(first.get(i - 1));
                    how = code(1, 0);
                }
                if (j > 0 && cost[i][j - 1] + lost(second.get(j - 1)) < best) {
                    best = cost[i][j - 1] + lost(second.get(j - 1));
                    how = code(0, 1);
                }
                if (i > 0 && j > 0) {
                    for (int k = 1; k <= Math.min(most, j); k++) {
                        int c = cost[i - 1][j - k] + against(first.get(i - 1), second, j - k, j, -steps);
                        if (c < best) {
                            best = c;
                            how = code(1, k);
                        }
                    }
                    for (int k = 2; k <= Math.min(most, i); k++) {
                        int c = cost[i - k][j - 1] + against(second.get(j - 1), first, i - k, i, steps);
                        if (c < best) {
                            best = c;
                            how = code(k, 1);
                        }
                    }
                }
                cost[i][j] = best;
                took[i][j] = how;
            }
            // No way goes past so many rows at once: where all of them are beyond the limit, every way is.
            beyond = java.util.Arrays.stream(cost[i]).allMatch(c -> c > limit) ? beyond + 1 : 0;
            if (beyond >= most) {
                return new Alignment(Integer.MAX_VALUE, steps, List.of());
            }
        }
        List<Pair> pairs = new ArrayList<>();
        for (int i = n, j = m; i > 0 || j > 0;) {
            int a = took[i][j] / 100;
            int b = took[i][j] % 100;
            pairs.add(new Pair(i - a, i, j - b, j, cost[i][j] - cost[i - a][j - b]));
            i -= a;
            j -= b;
        }
        Collections.reverse(pairs);
        return new Alignment(cost[n][m] + (steps == 0 ? 0 : WEIGHTS.moved()), steps, pairs);
    }

    private static int code(int first, int second) {
        return first * 100 + second;
    }

    private static int lost(Tone tone) {
        return (int) (WEIGHTS.lost() * tone.length() / Tone.QUAVER);
    }

    /** One tone against several that fill its time; {@code steps} are added to the letters of the several. */
    private static int against(Tone one, List<Tone> several, int from, int to, int steps) {
        long sum = 0;
        long length = 0;
        for (int k = from; k < to; k++) {
            Tone other = several.get(k);
            int apart = Math.abs(other.pitch().diatonic() + steps - one.pitch().diatonic());
            int perQuaver = apart < WEIGHTS.perStep().size() ? WEIGHTS.perStep().get(apart) : WEIGHTS.further();
            if (apart == 0 && steps == 0 && other.pitch().midi() != one.pitch().midi()) {
                perQuaver = WEIGHTS.otherSpelling();
            }
            sum += perQuaver * Math.min(other.length(), one.length());
            length += other.length();
        }
        long away = Math.abs(length - one.length());
        return (int) ((sum + WEIGHTS.length() * away) / Tone.QUAVER) + WEIGHTS.divided() * (to - from - 1);
    }
}
