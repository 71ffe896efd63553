package wildflourish.core.tune;

import java.util.List;

/**
 * A plain tune as written.
 *
 * @param opening the bar line before the first bar, if the writer set one
 */
public record Tune(Head head, BarLine opening, List<Bar> bars) {

    public Tune {
        bars = List.copyOf(bars);
    }

    public String title() {
        return head.title();
    }

    public Tune withHead(Head newHead) {
        return new Tune(newHead, opening, bars);
    }

    public Tune withBars(List<Bar> newBars) {
        return new Tune(head, opening, newBars);
    }

    /** From what is short: every note would be counted at each look into what has been worked out. */
    @Override
    public int hashCode() {
        return 31 * head.hashCode() + bars.size();
    }
}
