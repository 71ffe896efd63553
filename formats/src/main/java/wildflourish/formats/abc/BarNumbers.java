package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;

/** Numbers the bars as they are printed: a pickup is 0, the two pieces of a bar that a repeat sign cuts have one number. */
final class BarNumbers {

    private BarNumbers() {}

    static List<Bar> of(List<Bar> bars, Meter first) {
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
