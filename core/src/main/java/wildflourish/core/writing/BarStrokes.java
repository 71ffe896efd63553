package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Strokes of the pen that are about bars: their lines, repeats, endings, parts and the lines of the stave. */
public final class BarStrokes {

    private BarStrokes() {}

    /** At the end of the tune the next note begins a new bar; elsewhere a bar is divided here, or the line here taken away. */
    public static Pen line(Pen pen) {
        Page page = new Page(pen.tune());
        List<Page.Spot> spots = page.spots();
        if (spots.isEmpty() || pen.at() == 0) {
            return pen;
        }
        if (pen.at() == spots.size()) {
            return new Pen(pen.tune(), pen.at(), pen.at(), !pen.newBar(), pen.length());
        }
        Page.Spot before = spots.get(pen.at() - 1);
        Page.Spot next = spots.get(pen.at());
        if (before.bar() == next.bar()) {
            page.split(before.bar(), next.element());
        } else {
            page.join(before.bar());
        }
        return new Pen(page.tune(), pen.at(), pen.at(), false, pen.length());
    }

    /** The part that ends with this bar is played again, or no more. */
    public static Pen repeat(Pen pen) {
        if (pen.size() == 0) {
            return pen;
        }
        Page page = new Page(pen.tune());
        int bar = pen.bar();
        BarLine line = page.bar(bar).closing();
        boolean on = line.repeatsBefore() == 0;
        boolean last = bar == page.size() - 1;
        BarLine.Style style = on || !last ? BarLine.Style.THIN : BarLine.Style.FINAL;
        page.setBar(bar, Page.with(page.bar(bar), new BarLine(style, on ? 1 : 0, line.repeatsAfter()), page.bar(bar).endsSystem()));
        int start = bar - 1;
        while (start >= 0 && !page.bar(start).closing().closesSection()) {
            start--;
        }
        if (start < 0) {
            page.setOpening(on ? new BarLine(BarLine.Style.THIN, 0, 1) : BarLine.NONE);
        } else if (page.bar(start).ending().filter(e -> e.times().contains(1)).isEmpty()) {
            Bar before = page.bar(start);
            BarLine opens = new BarLine(BarLine.Style.THIN, before.closing().repeatsBefore(), on ? 1 : 0);
            page.setBar(start, Page.with(before, before.closing().repeatsBefore() > 0 || on ? opens : new BarLine(BarLine.Style.DOUBLE, 0, 0), before.endsSystem()));
        }
        return new Pen(page.tune(), pen.at(), pen.from(), pen.at() == pen.size(), pen.length());
    }

    /** This bar is a first ending, then a second, then none. */
    public static Pen ending(Pen pen) {
        if (pen.size() == 0) {
            return pen;
        }
        Page page = new Page(pen.tune());
        Bar bar = page.bar(pen.bar());
        int now = bar.ending().map(e -> e.times().getFirst()).orElse(0);
        Optional<Ending> next = now == 0 ? Optional.of(new Ending(List.of(1), true)) : now == 1 ? Optional.of(new Ending(List.of(2), true)) : Optional.empty();
        boolean last = pen.bar() == page.size() - 1;
        BarLine closing = now == 0 ? new BarLine(BarLine.Style.THIN, 1, 0)
                : now == 1 ? new BarLine(last ? BarLine.Style.FINAL : BarLine.Style.DOUBLE, 0, bar.closing().repeatsAfter()) : new BarLine(last ? BarLine.Style.FINAL : BarLine.Style.THIN, 0, bar.closing().repeatsAfter());
        page.setBar(pen.bar(), new Bar(bar.number(), bar.elements(), closing, next, bar.part(), bar.endsSystem()));
        return new Pen(page.tune(), pen.at(), pen.from(), pen.at() == pen.size(), pen.length());
    }

    /** The part that begins with this bar has a name, or none. */
    public static Pen part(Pen pen, Optional<String> name) {
        if (pen.size() == 0) {
            return pen;
        }
        Page page = new Page(pen.tune());
        Bar bar = page.bar(pen.bar());
        page.setBar(pen.bar(), new Bar(bar.number(), bar.elements(), bar.closing(), bar.ending(), name, bar.endsSystem()));
        return new Pen(page.tune(), pen.at(), pen.from(), pen.newBar(), pen.length());
    }

    /** The lines of the stave end anew every four bars and with each part. */
    public static Pen newLines(Pen pen) {
        Page page = new Page(pen.tune());
        List<Bar> bars = new ArrayList<>();
        int since = 0;
        for (int b = 0; b < page.size(); b++) {
            Bar bar = page.bar(b);
            since += bar.length().isLess(page.meter(b).barLength()) && (b == 0 || bar.closing().closesSection() && since == 0) ? 0 : 1;
            boolean ends = b + 1 == page.size() || since >= 4 && page.bar(b + 1).ending().isEmpty();
            since = ends ? 0 : since;
            bars.add(Page.with(bar, bar.closing(), ends));
        }
        Tune inLines = Words.with(pen.tune().withBars(bars), Lyrics.of(Timeline.of(pen.tune())));
        return new Pen(inLines, pen.at(), pen.from(), pen.newBar(), pen.length());
    }
}
