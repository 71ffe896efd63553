package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;

/** Numbers the bars as they are printed: a pickup is 0, the two pieces of a bar that a repeat sign cuts have one number. */
public final class BarNumbers {

    private BarNumbers() {}

    /**
     * The bars with their numbers.
     *
     * @param first the meter of the head
     */
    public static List<Bar> of(List<Bar> bars, Meter first) {
        List<Bar> all = new ArrayList<>();
        Meter now = first;
        int number = 0;
        Ratio missing = Ratio.ZERO;
        for (int b = 0; b < bars.size(); b++) {
            Bar bar = bars.get(b);
            for (Element element : bar.elements()) {
                if (element instanceof Change change && change.meter().isPresent()) {
                    now = change.meter().get();
                }
            }
            Ratio full = now.barLength();
            Ratio length = bar.length();
            boolean pickup = b == 0 && length.isLess(full) && bars.size() > 1;
            boolean secondPiece = missing.isPositive() && length.isLess(full) && !missing.isLess(length)
                    && bars.get(b - 1).closing().closesSection() && bar.ending().filter(Ending::starts).isEmpty();
            if (!pickup && !secondPiece) {
                number++;
            }
            missing = secondPiece ? Ratio.ZERO : pickup ? Ratio.ZERO : full.minus(length);
            all.add(bar.withNumber(number));
        }
        return all;
    }
}
