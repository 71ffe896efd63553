package wildflourish.core.practice;

import java.util.List;
import java.util.Optional;

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

    /** Fewer taps than these tell nothing. */
    public static final int FEWEST = 6;

    /** Taps further from the middle than this are too wild to tell a delay from. */
    public static final double WILDEST_MS = 45;

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
        if (late.size() < FEWEST) {
            return Optional.empty();
        }
        double delay = Median.of(late);
        double spread = Median.of(late.stream().map(l -> Math.abs(l - delay)).toList());
        return spread > WILDEST_MS ? Optional.empty() : Optional.of(new Calibration(delay, spread, late.size()));
    }

}
