package wildflourish.core.hearing;

import java.util.Arrays;
import java.util.List;

/** The line on which moments heard lie over moments wanted: how fast somebody plays, here and on the whole. */
final class TimeLine {

    /** So many notes on either side give the line at a note. */
    private static final int AROUND = 8;

    private final double start;
    private final double slope;

    private TimeLine(double start, double slope) {
        this.start = start;
        this.slope = slope;
    }

    /**
     * The least-squares line through all that was heard.
     *
     * @param onsets in milliseconds, one for each note; not a number where it was not heard
     */
    static TimeLine of(List<Wanted> wanted, double[] onsets) {
        double n = 0;
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        for (int i = 0; i < onsets.length; i++) {
            if (!Double.isNaN(onsets[i])) {
                double at = wanted.get(i).atMs();
                n++;
                x += at;
                y += onsets[i];
                xx += at * at;
                xy += at * onsets[i];
            }
        }
        double spread = n * xx - x * x;
        double slope = n < 2 || spread <= 0 ? 0 : (n * xy - x * y) / spread;
        return new TimeLine(n == 0 ? Double.NaN : (y - slope * x) / n, slope);
    }

    /** The line through the notes around one of them. */
    static TimeLine around(List<Wanted> wanted, double[] onsets, int note) {
        int from = Math.max(0, note - AROUND);
        int to = Math.min(onsets.length, note + AROUND + 1);
        return of(wanted.subList(from, to), Arrays.copyOfRange(onsets, from, to));
    }

    /** When each note is expected by the middle of what those around it say, so that a few that lie wrong count for nothing; not a number where nothing is known. */
    static double[] expected(List<Wanted> wanted, double[] onsets) {
        double slope = of(wanted, onsets).slope;
        double[] expected = new double[onsets.length];
        for (int i = 0; i < onsets.length; i++) {
            double at = wanted.get(i).atMs();
            double[] said = java.util.stream.IntStream.range(Math.max(0, i - AROUND), Math.min(onsets.length, i + AROUND + 1)).filter(j -> !Double.isNaN(onsets[j]))
                    .mapToDouble(j -> onsets[j] + slope * (at - wanted.get(j).atMs())).sorted().toArray();
            expected[i] = said.length == 0 || slope <= 0 ? Double.NaN : said[said.length / 2];
        }
        return expected;
    }

    /** Whether there is a line. */
    boolean isKnown() {
        return slope > 0;
    }

    /** When something that is wanted at a moment falls. */
    double at(double wantedMs) {
        return start + slope * wantedMs;
    }

    /** Played milliseconds for each that is wanted. */
    double slope() {
        return slope;
    }
}
