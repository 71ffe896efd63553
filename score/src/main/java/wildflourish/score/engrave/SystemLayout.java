package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;

/**
 * The bars of one system with the place of every column.
 *
 * @param left where the staves begin
 * @param right where they end
 * @param key the signature printed at the start
 * @param meter printed at the start; null on all systems but the first
 * @param musicLeft where the first bar begins
 */
record SystemLayout(
        double left, double right, Key key, @Nullable Meter meter, double musicLeft, boolean opens, List<Placed> bars) {

    /** A bar from x to {@code end} (the right edge of its bar line); {@code xs} holds the origin of each column. */
    record Placed(Columns.BarColumns bar, double x, double end, double[] xs) {}

    /** Sets the bars into the room there is: stretched to fill it, except for a last system that is far from full. */
    static SystemLayout of(
            List<Columns.BarColumns> bars, double left, double right, double musicLeft, Key key, @Nullable Meter meter,
            boolean opens, boolean last) {
        double room = right - musicLeft;
        double natural = bars.stream().mapToDouble(Columns.BarColumns::natural).sum();
        double stretch = last && natural < room * 0.7 ? 1.25 : stretchFor(bars, room);
        List<Placed> placed = new ArrayList<>();
        double x = musicLeft;
        for (Columns.BarColumns bar : bars) {
            double end = x + bar.width(stretch);
            placed.add(new Placed(bar, x, end, origins(bar, x, stretch)));
            x = end;
        }
        return new SystemLayout(left, x, key, meter, musicLeft, opens, placed);
    }

    /**
     * The same system with the notes of another version of the tune: each column stands where this system has one at the
     * same moment of the bar, else between those before and after it as its time is between theirs.
     *
     * @param all every bar of the other version
     */
    SystemLayout withNotesOf(List<Columns.BarColumns> all) {
        List<Placed> placed = new ArrayList<>();
        for (Placed here : bars) {
            Columns.BarColumns other = all.get(here.bar().index());
            double[] xs = new double[other.columns().size()];
            for (int i = 0; i < xs.length; i++) {
                xs[i] = at(here, other.columns().get(i));
            }
            placed.add(new Placed(other, here.x(), here.end(), xs));
        }
        return new SystemLayout(left, right, key, meter, musicLeft, opens, placed);
    }

    private static double at(Placed bar, Columns.Column column) {
        List<Columns.Column> columns = bar.bar().columns();
        double end = bar.end() - bar.bar().line();
        for (int i = columns.size() - 1; i >= 0; i--) {
            Columns.Column here = columns.get(i);
            boolean change = column.note() < 0 && column.element() instanceof wildflourish.core.tune.Change;
            if (change == here.element() instanceof wildflourish.core.tune.Change && !column.offset().isLess(here.offset())) {
                double next = i + 1 < columns.size() ? bar.xs()[i + 1] : end;
                double past = column.offset().minus(here.offset()).toDouble();
                double whole = here.element().length().toDouble();
                return bar.xs()[i] + (past <= 0 || whole <= 0 ? 0 : Math.min(0.95, past / whole) * (next - bar.xs()[i]));
            }
        }
        return bar.xs().length > 0 ? bar.xs()[0] : bar.x();
    }

    private static double stretchFor(List<Columns.BarColumns> bars, double room) {
        double low = 0.05;
        double high = 20;
        for (int i = 0; i < 50; i++) {
            double middle = (low + high) / 2;
            double width = 0;
            for (Columns.BarColumns bar : bars) {
                width += bar.width(middle);
            }
            if (width > room) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return low;
    }

    private static double[] origins(Columns.BarColumns bar, double x, double stretch) {
        List<Columns.Column> columns = bar.columns();
        double[] xs = new double[columns.size()];
        double at = x + Columns.LEAD;
        for (int i = 0; i < xs.length; i++) {
            Columns.Column c = columns.get(i);
            at += i == 0 ? c.left() : 0;
            xs[i] = at;
            double rod = c.right() + (i + 1 < xs.length ? columns.get(i + 1).left() : 0) + 0.35;
            at += Math.max(rod, c.spring() * stretch);
        }
        return xs;
    }
}
