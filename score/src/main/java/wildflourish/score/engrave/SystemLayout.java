package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
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
        double left, double right, Key key, Meter meter, double musicLeft, boolean opens, List<Placed> bars) {

    /** A bar from x to {@code end} (the right edge of its bar line); {@code xs} holds the origin of each column. */
    record Placed(Columns.BarColumns bar, double x, double end, double[] xs) {}

    /** Sets the bars into the room there is: stretched to fill it, except for a last system that is far from full. */
    static SystemLayout of(
            List<Columns.BarColumns> bars, double left, double right, double musicLeft, Key key, Meter meter,
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
