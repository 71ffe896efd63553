package wildflourish.formats.musicxml;

import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import wildflourish.core.tune.Tune;

/** The bar lines of a measure, with their repeats and the brackets of endings. */
final class MeasureLines {

    private static final Map<BarLine.Style, BarStyle> STYLES = Map.of(BarLine.Style.NONE, BarStyle.NONE, BarLine.Style.DOUBLE, BarStyle.LIGHT_LIGHT,
            BarLine.Style.FINAL, BarStyle.LIGHT_HEAVY, BarLine.Style.OPENING, BarStyle.HEAVY_LIGHT, BarLine.Style.DOTTED, BarStyle.DOTTED);

    private final Tune tune;
    private final int b;
    private final Bar bar;
    private final List<Object> now;

    MeasureLines(Tune tune, int b, List<Object> now) {
        this.tune = tune;
        this.b = b;
        this.bar = tune.bars().get(b);
        this.now = now;
    }

    /** The line before it, where that is more than the one behind the measure before. */
    void left() {
        BarLine before = b == 0 ? tune.opening() : tune.bars().get(b - 1).closing();
        boolean starts = bar.ending().filter(Ending::starts).isPresent();
        boolean opens = b == 0 && before.style() == BarLine.Style.OPENING;
        if (before.repeatsAfter() == 0 && !starts && !opens) {
            return;
        }
        Barline line = new Barline();
        line.setLocation(RightLeftMiddle.LEFT);
        if (before.repeatsAfter() > 0 || opens) {
            line.setBarStyle(style(BarStyle.HEAVY_LIGHT));
        }
        bar.ending().filter(Ending::starts).ifPresent(e -> line.setEnding(ending(e, StartStopDiscontinue.START)));
        if (before.repeatsAfter() > 0) {
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
