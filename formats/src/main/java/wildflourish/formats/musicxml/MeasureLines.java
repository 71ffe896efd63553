package wildflourish.formats.musicxml;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.BarStyle;
import org.audiveris.proxymusic.BarStyleColor;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Repeat;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.StartStopDiscontinue;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;

/** The bar lines of a measure, with their repeats and the brackets of endings. */
final class MeasureLines {

    private static final Map<BarLine.Style, BarStyle> STYLES = Map.of(BarLine.Style.NONE, BarStyle.NONE, BarLine.Style.DOUBLE, BarStyle.LIGHT_LIGHT,
            BarLine.Style.FINAL, BarStyle.LIGHT_HEAVY, BarLine.Style.OPENING, BarStyle.HEAVY_LIGHT, BarLine.Style.DOTTED, BarStyle.DOTTED);

    /** The line before a part that is repeated without a sign of its own is called so, and a number: a reader of ours takes it for what was written. */
    static final String IMPLIED = "implied-repeat-";

    private final Tune tune;
    private final Set<Integer> implied;
    private final int b;
    private final Bar bar;
    private final List<Object> now;

    /** @param implied the bars that {@link #implied(Tune)} gives */
    MeasureLines(Tune tune, Set<Integer> implied, int b, List<Object> now) {
        this.tune = tune;
        this.implied = implied;
        this.b = b;
        this.bar = tune.bars().get(b);
        this.now = now;
    }

    /**
     * The bars at which a repeat begins that has no sign there: every reader goes back to the beginning from the first of such repeats, but
     * not every one to the end of the part before from the others.
     */
    static Set<Integer> implied(Tune tune) {
        Set<Integer> starts = new HashSet<>();
        if (tune.head().order().isEmpty()) {
            List<Integer> order = PlayOrder.of(tune);
            for (int i = 1; i < order.size(); i++) {
                int from = order.get(i - 1);
                int to = order.get(i);
                if (to > 0 && to <= from && tune.bars().get(from).closing().repeatsBefore() > 0 && tune.bars().get(to - 1).closing().repeatsAfter() == 0) {
                    starts.add(to);
                }
            }
        }
        return starts;
    }

    /** The line before it, where that is more than the one behind the measure before. */
    void left() {
        BarLine before = b == 0 ? tune.opening() : tune.bars().get(b - 1).closing();
        boolean starts = bar.ending().filter(Ending::starts).isPresent();
        boolean opens = b == 0 && before.style() == BarLine.Style.OPENING;
        boolean implies = implied.contains(b);
        if (before.repeatsAfter() == 0 && !starts && !opens && !implies) {
            return;
        }
        Barline line = new Barline();
        line.setLocation(RightLeftMiddle.LEFT);
        if (implies) {
            line.setId(IMPLIED + b);
        }
        if (before.repeatsAfter() > 0 || opens || implies) {
            line.setBarStyle(style(BarStyle.HEAVY_LIGHT));
        }
        bar.ending().filter(Ending::starts).ifPresent(e -> line.setEnding(ending(e, StartStopDiscontinue.START)));
        if (before.repeatsAfter() > 0 || implies) {
            Repeat repeat = new Repeat();
            repeat.setDirection(BackwardForward.FORWARD);
            line.setRepeat(repeat);
        }
        now.add(line);
    }

    /** The line behind it, where it is no plain one. */
    void right() {
        Barline line = new Barline();
        line.setLocation(RightLeftMiddle.RIGHT);
        BarLine closing = bar.closing();
        if (closing.repeatsBefore() > 0) {
            line.setBarStyle(style(BarStyle.LIGHT_HEAVY));
            Repeat repeat = new Repeat();
            repeat.setDirection(BackwardForward.BACKWARD);
            if (closing.repeatsBefore() > 1) {
                repeat.setTimes(MusicXmlWriter.whole(closing.repeatsBefore() + 1L));
            }
            line.setRepeat(repeat);
        } else {
            Optional.ofNullable(STYLES.get(closing.style())).ifPresent(s -> line.setBarStyle(style(s)));
        }
        boolean last = b + 1 == tune.bars().size();
        Optional<Ending> next = last ? Optional.empty() : tune.bars().get(b + 1).ending();
        if (bar.ending().isPresent() && (next.isEmpty() || next.get().starts())) {
            line.setEnding(ending(bar.ending().get(), closing.closesSection() ? StartStopDiscontinue.STOP : StartStopDiscontinue.DISCONTINUE));
        }
        if (line.getBarStyle() != null || line.getEnding() != null) {
            now.add(line);
        }
    }

    private static BarStyleColor style(BarStyle style) {
        BarStyleColor coloured = new BarStyleColor();
        coloured.setValue(style);
        return coloured;
    }

    private static org.audiveris.proxymusic.Ending ending(Ending ending, StartStopDiscontinue type) {
        org.audiveris.proxymusic.Ending bracket = new org.audiveris.proxymusic.Ending();
        bracket.setNumber(String.join(",", ending.times().stream().map(String::valueOf).toList()));
        bracket.setType(type);
        return bracket;
    }
}
