package wildflourish.app.practice;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.stream.Stream;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;

/** How far one thing has come, day by day, over the minutes practised on each of them. */
final class HistoryChart extends Painted {

    private static final double LEFT = 66;
    private static final double RIGHT = 24;
    private static final double TOP = 40;
    private static final double MINUTES = 110;
    private static final double BETWEEN = 56;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.UK);

    private Optional<PracticeHistory.Line> line = Optional.empty();
    private SortedMap<LocalDate, Double> minutes = new java.util.TreeMap<>();

    HistoryChart() {
        super("history-chart");
    }

    void show(Optional<PracticeHistory.Line> one, SortedMap<LocalDate, Double> practised) {
        line = one;
        minutes = practised;
        setAccessibleText(one.map(l -> l.name() + ": " + HistoryRow.reached(l)).orElse("nothing chosen"));
        paint();
    }

    /** The days along the bottom. */
    private record Days(LocalDate first, long count, double from, double width) {

        double x(LocalDate day) {
            return from + (ChronoUnit.DAYS.between(first, day) + 0.5) * width / count;
        }
    }

    @Override
    void paint(GraphicsContext g) {
        paper(g);
        if (minutes.isEmpty() || tall() < 220) {
            return;
        }
        LocalDate first = minutes.firstKey();
        long count = Math.max(7, ChronoUnit.DAYS.between(first, minutes.lastKey()) + 1);
        Days days = new Days(first, count, LEFT, wide() - LEFT - RIGHT);
        double bottom = tall() - MINUTES - BETWEEN;
        line.ifPresent(l -> reached(g, l, days, bottom));
        minutes(g, days);
    }

    private void reached(GraphicsContext g, PracticeHistory.Line one, Days days, double bottom) {
        g.setFont(CanvasPainter.text(Face.SERIF_BOLD, 16));
        g.setTextAlign(TextAlignment.LEFT);
        g.setFill(palette().of(Ink.MUSIC));
        g.fillText(one.name(), 12, 24);
        g.setFont(CanvasPainter.text(Face.SANS, 13));
        List<Double> values = Stream.concat(one.best().values().stream(), one.tried().values().stream()).toList();
        double low = values.stream().mapToDouble(d -> d).min().orElseThrow();
        double high = values.stream().mapToDouble(d -> d).max().orElseThrow();
        double step = nice(Math.max(4, high - low) / 4);
        double least = Math.floor(low / step) * step - step;
        double most = Math.ceil(high / step) * step + step * 0.5;
        for (double mark = Math.max(0, least); mark <= most; mark += step) {
            double y = y(mark, least, most, one.gesture(), bottom);
            g.setStroke(palette().of(Ink.STAVE));
            g.setLineWidth(0.5);
            g.strokeLine(LEFT, y, wide() - RIGHT, y);
            g.setFill(palette().of(Ink.QUIET));
            g.setTextAlign(TextAlignment.RIGHT);
            g.fillText(String.valueOf(Math.round(mark)), LEFT - 8, y + 4);
        }
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText((one.gesture() ? "milliseconds, shorter is higher" : one.unit() + "s a minute") + ": full dots even, rings not yet", LEFT, TOP + 4);
        line(g, one, days, least, most, bottom);
    }

    private void line(GraphicsContext g, PracticeHistory.Line one, Days days, double least, double most, double bottom) {
        g.setLineWidth(2);
        g.setStroke(palette().of(Ink.ROLL));
        one.tried().forEach((day, value) -> {
            double x = days.x(day);
            double y = y(value, least, most, one.gesture(), bottom);
            g.strokeOval(x - 5, y - 5, 10, 10);
        });
        if (one.best().isEmpty()) {
            return;
        }
        double beforeX = -1;
        double beforeY = 0;
        boolean falling = false;
        g.setStroke(palette().of(Ink.GLIDE));
        g.setFill(palette().of(Ink.GLIDE));
        g.setLineWidth(2);
        for (Map.Entry<LocalDate, Double> day : one.best().entrySet()) {
            double x = days.x(day.getKey());
            double y = y(day.getValue(), least, most, one.gesture(), bottom);
            if (beforeX >= 0) {
                g.strokeLine(beforeX, beforeY, x, y);
                falling = y > beforeY;
            }
            g.fillOval(x - 5, y - 5, 10, 10);
            beforeX = x;
            beforeY = y;
        }
        g.setFill(palette().of(Ink.MUSIC));
        g.setTextAlign(TextAlignment.RIGHT);
        g.fillText(String.valueOf(Math.round(one.best().lastEntry().getValue())), beforeX - 8, beforeY + (falling ? 20 : -9));
    }

    private static double y(double value, double least, double most, boolean down, double bottom) {
        double share = (value - least) / (most - least);
        return TOP + 18 + (bottom - TOP - 18) * (down ? share : 1 - share);
    }

    private void minutes(GraphicsContext g, Days days) {
        double bottom = tall() - 26;
        double most = Math.max(5, minutes.values().stream().mapToDouble(d -> d).max().orElse(5));
        g.setFont(CanvasPainter.text(Face.SANS, 13));
        g.setFill(palette().of(Ink.QUIET));
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText("minutes practised, everything together", LEFT, bottom - MINUTES - 6);
        double width = Math.min(26, days.width() / days.count() * 0.6);
        long every = Math.max(1, Math.round(Math.ceil(58 / (days.width() / days.count()))));
        for (long d = 0; d < days.count(); d++) {
            LocalDate day = days.first().plusDays(d);
            double x = days.x(day);
            double spent = minutes.getOrDefault(day, 0.0);
            double tall = spent / most * (MINUTES - 22);
            g.setFill(palette().of(Ink.BREATH));
            g.fillRect(x - width / 2, bottom - tall, width, tall);
            g.setTextAlign(TextAlignment.CENTER);
            if (tall > 0) {
                g.setFill(palette().of(Ink.MUSIC));
                g.fillText(spent < 1 ? "<1" : String.valueOf(Math.round(spent)), x, bottom - tall - 4);
            }
            if (d % every == 0) {
                g.setFill(palette().of(Ink.QUIET));
                g.fillText(day.format(DAY), x, bottom + 18);
            }
        }
        g.setStroke(palette().of(Ink.STAVE));
        g.setLineWidth(1);
        g.strokeLine(LEFT, bottom + 0.5, wide() - RIGHT, bottom + 0.5);
    }

    /** The next of 1, 2, 5, 10, … at or above a step. */
    private static double nice(double step) {
        double power = Math.pow(10, Math.floor(Math.log10(step)));
        for (double factor : List.of(1.0, 2.0, 5.0)) {
            if (factor * power >= step) {
                return factor * power;
            }
        }
        return 10 * power;
    }
}
