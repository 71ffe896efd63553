package wildflourish.core.practice;

import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;

/**
 * How late a keyboard tells of its keys, found by tapping along with even clicks: the median of tap − click, which a few wild
 * taps do not move.
 *
 * @param delayMs milliseconds from the finger to the program's notice, the player's own habit included; may be below 0 for one
 *     who taps ahead
 * @param spreadMs half of the taps lie within so many milliseconds of it (the median of the distances)
 * @param taps that were used
 */
public record Calibration(double delayMs, double spreadMs, int taps) {

    /**
     * How it is done.
     *
     * @param clicks that are tapped along with
     * @param everyMs from one to the next
     * @param fewest fewer taps tell nothing
     * @param wildestMs taps further apart than this, by their median, are too wild to tell a delay from
     */
    public record Way(String provenance, int clicks, int everyMs, int fewest, double wildestMs) {}

    /** How it is done here. */
    public static final Way WAY = DataFile.read("practice/calibration.json", Way.class);

    /** A delay that was found another day. */
    public static Calibration known(double delayMs) {
        return new Calibration(delayMs, 0, WAY.fewest());
    }

    /** Whether a delay is known. */
    public boolean isKnown() {
        return taps > 0;
    }

    /** No delay known. */
    public static final Calibration NONE = new Calibration(0, 0, 0);

    /**
     * From taps along with clicks, both in ascending milliseconds.
     *
     * @return empty where too few taps can be told apart or they are too wild: then it is done again
     */
    public static Optional<Calibration> of(List<Double> clicks, List<Double> taps) {
        List<Double> late = new java.util.ArrayList<>();
        double half = clicks.size() < 2 ? 250 : (clicks.get(1) - clicks.get(0)) / 2;
        for (double tap : taps) {
            clicks.stream().min(java.util.Comparator.comparingDouble(c -> Math.abs(tap - c)))
                    .filter(c -> Math.abs(tap - c) < half).ifPresent(c -> late.add(tap - c));
        }
        if (late.size() < WAY.fewest()) {
            return Optional.empty();
        }
        double delay = Median.of(late);
        double spread = Median.of(late.stream().map(l -> Math.abs(l - delay)).toList());
        return spread > WAY.wildestMs() ? Optional.empty() : Optional.of(new Calibration(delay, spread, late.size()));
    }

}
