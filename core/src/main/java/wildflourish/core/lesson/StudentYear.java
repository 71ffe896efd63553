package wildflourish.core.lesson;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.practice.LoggedPass;

/**
 * Twelve months of one student's practice.
 *
 * @param minutes practised in each of the months, the earliest first, those without any too
 * @param days on how many days they practised
 */
public record StudentYear(SortedMap<YearMonth, Double> minutes, int days) {

    private static final int MONTHS = 12;

    public StudentYear {
        minutes = Collections.unmodifiableSortedMap(new TreeMap<>(minutes));
    }

    /** The twelve months that end with the one of {@code today}; {@code passes} are the student's. */
    public static StudentYear of(List<LoggedPass> passes, LocalDate today, ZoneId zone) {
        SortedMap<YearMonth, Double> minutes = new TreeMap<>();
        YearMonth last = YearMonth.from(today);
        for (int m = MONTHS - 1; m >= 0; m--) {
            minutes.put(last.minusMonths(m), 0.0);
        }
        List<LocalDate> days = passes.stream().map(p -> p.at().atZone(zone).toLocalDate()).toList();
        for (int i = 0; i < passes.size(); i++) {
            double length = passes.get(i).seconds() / 60;
            minutes.computeIfPresent(YearMonth.from(days.get(i)), (m, before) -> before + length);
        }
        return new StudentYear(minutes, (int) days.stream().filter(d -> minutes.containsKey(YearMonth.from(d))).distinct().count());
    }

    /** All minutes of the year. */
    public double total() {
        return minutes.values().stream().mapToDouble(m -> m).sum();
    }
}
