package wildflourish.core.lesson;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.SortedSet;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;

/**
 * When something that was learned is to be played again: intervals that grow by a factor each time it was played well, after Pimsleur (1967).
 *
 * @param firstDays days after the first good day
 * @param factor by which each interval is longer than the one before
 * @param longestDays no interval is longer
 * @param climbingDays while the next rung can be taken, no interval is shorter
 */
public record Review(String provenance, int firstDays, int factor, int longestDays, int climbingDays) {

    /** The rule as its data file has it. */
    public static final Review RULE = DataFile.read("lesson/review.json", Review.class);

    public Review {
        if (firstDays < 1 || factor < 1 || longestDays < firstDays) {
            throw new DataFault("lesson/review.json: intervals are a day or more, and grow");
        }
    }

    /** Days from the last good day to the next time, after so many good days. */
    public int interval(int goodDays) {
        long days = firstDays;
        for (int i = 1; i < goodDays && days < longestDays; i++) {
            days *= factor;
        }
        return (int) Math.min(days, longestDays);
    }

    /** The day on which something is due again; {@code good} is not empty. */
    public LocalDate due(SortedSet<LocalDate> good) {
        return good.last().plusDays(interval(good.size()));
    }

    /** By how many days it is overdue; 0 where it is not. */
    public long overdue(SortedSet<LocalDate> good, LocalDate today) {
        return Math.max(0, ChronoUnit.DAYS.between(due(good), today));
    }
}
