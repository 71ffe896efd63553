package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Breaks bars into systems so that all are filled as evenly as can be: the least sum of squared stretch over all ways to
 * break, found exactly. A break that the writer made costs less.
 */
final class SystemBreaks {

    private static final double OWN_BREAK = 0.12;

    private SystemBreaks() {}

    /**
     * Index after the last bar of each system.
     *
     * @param natural width of each bar unstretched
     * @param writer whether the writer broke the line after each bar
     * @param room width there is for the bars of a system
     */
    static List<Integer> of(List<Double> natural, List<Boolean> writer, double room) {
        int n = natural.size();
        double[] best = new double[n + 1];
        int[] from = new int[n + 1];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        best[0] = 0;
        for (int end = 1; end <= n; end++) {
            double width = 0;
            for (int start = end - 1; start >= 0 && end - start <= 40; start--) {
                width += natural.get(start);
                boolean alone = start == end - 1;
                if (width > room * 1.12 && !alone) {
                    break;
                }
                double stretch = room / width - 1;
                double squeeze = stretch < 0 ? stretch * 6 : stretch;
                boolean last = end == n && stretch > 0;
                double cost = (last ? 0.2 : 1) * squeeze * squeeze + 0.02
                        - (writer.get(end - 1) && end < n ? OWN_BREAK : 0);
                if (best[start] + cost < best[end]) {
                    best[end] = best[start] + cost;
                    from[end] = start;
                }
            }
        }
        List<Integer> ends = new ArrayList<>();
        for (int end = n; end > 0; end = from[end]) {
            ends.addFirst(end);
        }
        return ends;
    }
}
