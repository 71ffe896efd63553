package wildflourish.core.hearing;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** The line on which moments heard lie over moments wanted: how fast somebody plays, here and on the whole. */
final class TimeLine {

    /** So many notes on either side give the line at a note. */
    private static final int AROUND = 8;

    /** In one place it is so many times as fast or as slow as on the whole at most. */
    private static final double DRIFTS = 1.4;

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

    /**
     * When each note is expected by the middle of what those around it say, so that a few that lie wrong count for nothing; not a number where nothing is known. How fast it goes there is
     * the middle of what each two of them say (H. Theil 1950, P. K. Sen, J. Am. Stat. Assoc. 63, 1968): a tempo may drift.
     */
    static double[] expected(List<Wanted> wanted, double[] onsets) {
        double whole = of(wanted, onsets).slope;
        double[] expected = new double[onsets.length];
        for (int i = 0; i < onsets.length; i++) {
            int[] around = IntStream.range(Math.max(0, i - AROUND), Math.min(onsets.length, i + AROUND + 1)).filter(j -> !Double.isNaN(onsets[j])).toArray();
            double[] slopes = Arrays.stream(around).boxed().flatMapToDouble(j -> Arrays.stream(around).filter(k -> wanted.get(k).atMs() > wanted.get(j).atMs())
                    .mapToDouble(k -> (onsets[k] - onsets[j]) / (wanted.get(k).atMs() - wanted.get(j).atMs()))).sorted().toArray();
            double slope = slopes.length == 0 ? whole : Math.clamp(slopes[slopes.length / 2], whole / DRIFTS, whole * DRIFTS);
            double at = wanted.get(i).atMs();
            double[] said = Arrays.stream(around).mapToDouble(j -> onsets[j] + slope * (at - wanted.get(j).atMs())).sorted().toArray();
            expected[i] = said.length == 0 || whole <= 0 ? Double.NaN : said[said.length / 2];
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
