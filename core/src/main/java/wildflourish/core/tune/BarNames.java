package wildflourish.core.tune;

import java.util.Collection;
import java.util.stream.Collectors;

/** How bars are called by their printed numbers; 0 is the pickup. */
public final class BarNames {

    private BarNames() {}

    /** {@code bar 3}, or {@code pickup}. */
    public static String name(int number) {
        return number == 0 ? "pickup" : "bar " + number;
    }

    /** Within a sentence: {@code bar 3}, or {@code the pickup}. */
    public static String spoken(int number) {
        return number == 0 ? "the pickup" : "bar " + number;
    }

    /** {@code bar 3}, {@code bars 1, 3}, {@code pickup and bar 4}. */
    public static String all(Collection<Integer> numbers) {
        String bars = numbers.stream().filter(n -> n != 0).map(String::valueOf).collect(Collectors.joining(", "));
        String counted = bars.isEmpty() ? "" : (bars.contains(",") ? "bars " : "bar ") + bars;
        return !numbers.contains(0) ? counted : counted.isEmpty() ? "pickup" : "pickup and " + counted;
    }
}
