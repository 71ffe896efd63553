package wildflourish.app.fit;

import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollPane;
import javafx.scene.text.TextAlignment;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.app.paint.Look;
import wildflourish.core.fit.Fit;
import wildflourish.core.tune.Timeline;
import wildflourish.score.display.Bounds;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.engrave.Engraving;

/** The cell in hand on the score with its fingers: the ground of each bar is the stronger the more it costs, and above it stands what that is. */
final class FitScore extends ScrollPane {

    private static final double SPACE = 6;
    private static final double AROUND = 16;
    private static final double STRONGEST = 0.34;

    private final Canvas canvas = new Canvas();
    private final FitModel model;
    private Look look = Look.USUAL;

    FitScore(FitModel model) {
        super();
        this.model = model;
        setId("fit-score");
        setContent(canvas);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setAccessibleText("the key in hand on the score");
        setMinHeight(180);
        setPrefHeight(260);
        widthProperty().addListener((o, before, now) -> ask());
    }

    private double space() {
        return SPACE * Math.sqrt(look.percent() / 100.0);
    }

    /** Asks for the score as wide as there is room. */
    void ask() {
        double room = getWidth() - 2 * AROUND;
        model.setScoreWidth(isVisible() && room > 200 ? Math.floor(room / space()) : 0);
    }

    /** Wants no score any more. */
    void rest() {
        model.setScoreWidth(0);
    }

    void dress(Look other) {
        look = other;
        ask();
        Optional.ofNullable(model.state().get()).ifPresent(this::show);
    }

    void show(FitState now) {
        Optional<Engraving> score = now.looked().flatMap(FitState.Looked::score);
        if (!isVisible() || score.isEmpty() || now.cell().isEmpty()) {
            return;
        }
        double space = space();
        Engraving engraving = score.get();
        canvas.setWidth(engraving.drawing().width() * space + AROUND);
        canvas.setHeight(engraving.drawing().height() * space + 2 * AROUND);
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        g.setFill(look.palette().of(Ink.PAPER));
        g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
        grounds(g, engraving, now.cell().get(), Timeline.of(now.arrangement().tune()), space);
        new CanvasPainter(g, look.palette(), space, 0, AROUND).paint(engraving.drawing().shapes());
    }

    private void grounds(GraphicsContext g, Engraving engraving, Fit.Cell cell, Timeline tune, double space) {
        double most = cell.lie().byBar().values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        SortedMap<Integer, Bounds> bars = new TreeMap<>();
        SortedMap<Integer, Integer> systems = new TreeMap<>();
        engraving.zones().stream().filter(z -> z.rung() == 0 && z.note() < tune.size()).forEach(z -> {
            bars.merge(tune.note(z.note()).bar(), z.area(), Bounds::with);
            systems.put(tune.note(z.note()).bar(), z.system());
        });
        g.setTextAlign(TextAlignment.LEFT);
        g.setFont(CanvasPainter.text(Face.SANS, 11 * Math.sqrt(look.percent() / 100.0)));
        for (Map.Entry<Integer, Bounds> bar : bars.entrySet()) {
            double cost = cell.lie().byBar().getOrDefault(bar.getKey(), 0.0);
            Bounds system = engraving.systems().get(systems.getOrDefault(bar.getKey(), 0));
            double x = bar.getValue().left() * space;
            double width = bar.getValue().width() * space;
            double top = system.top() * space + AROUND - 6;
            g.setGlobalAlpha(most <= 0 ? 0 : STRONGEST * cost / most);
            g.setFill(look.palette().of(Ink.MISSING));
            g.fillRect(x, top, width, (system.bottom() - system.top()) * space + 6);
            g.setGlobalAlpha(1);
            g.setFill(look.palette().of(Ink.QUIET));
            if (cost >= 0.5) {
                g.fillText(String.valueOf(Math.round(cost)), x + 2, top + 4, width);
            }
        }
    }
}
