package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * Cuts a tune into phrases of two bars along its bar lines: a part ends at a double bar or repeat sign, a pickup belongs
 * to the phrase that it leads into, and an ending is a phrase of its own.
 */
public final class Phrases {

    private static final int BARS = 2;

    private Phrases() {}

    /** The phrases in order; together they hold every note once. */
    public static List<Phrase> of(Timeline timeline) {
        Tune tune = timeline.tune();
        List<Phrase> phrases = new ArrayList<>();
        char part = 'A';
        int inPart = 1;
        int from = 0;
        int full = 0;
        boolean partStarts = true;
        for (int b = 0; b < tune.bars().size(); b++) {
            Bar bar = tune.bars().get(b);
            int end = b + 1 < tune.bars().size() ? timeline.barStarts().get(b + 1) : timeline.size();
            boolean pickup = full == 0 && bar.length().isLess(tune.head().meter().barLength().times(
                    wildflourish.core.tune.Ratio.of(1, 2)));
            full += pickup ? 0 : 1;
            boolean partEnds = bar.closing().closesSection() && !pickup;
            boolean endingNext = b + 1 < tune.bars().size()
                    && tune.bars().get(b + 1).ending().filter(e -> e.starts()).isPresent();
            if ((full == BARS || partEnds || endingNext || b == tune.bars().size() - 1) && end > from) {
                phrases.add(new Phrase(part + String.valueOf(inPart++), from, end, partStarts));
                from = end;
                full = 0;
                partStarts = false;
            }
            if (partEnds && !endingNext && b + 1 < tune.bars().size()) {
                part = part == 'Z' ? 'A' : (char) (part + 1);
                inPart = 1;
                full = 0;
                partStarts = true;
            }
        }
        return phrases;
    }
}
