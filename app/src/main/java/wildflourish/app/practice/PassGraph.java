package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.core.practice.Steps;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;

/** The steps up to the goal as the rungs of a trellis, and the passes of this sitting climbing them: full when even. */
final class PassGraph extends Painted {

    private static final double LEFT = 58;
    private static final double APART = 22;

    private @Nullable PracticeState state;

    PassGraph() {
        super("climb");
        setPrefHeight(230);
    }

    void show(PracticeState now) {
        boolean same = state != null && state.passes().equals(now.passes()) && state.steps().equals(now.steps()) && state.run().equals(now.run());
        state = now;
        if (!same) {
            paint();
        }
    }

    /** A pass on a rung. */
    private record Mark(int rung, boolean even) {}

    @Override
    void paint(GraphicsContext g) {
        g.clearRect(0, 0, wide(), tall());
        if (state == null) {
            return;
        }
        List<String> rungs = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        int next = -1;
        if (state.steps().isPresent()) {
            Steps steps = state.steps().get();
            steps.tempi().forEach(t -> rungs.add(String.valueOf(t.perMinute().floor())));
            state.passes().forEach(p -> marks.add(new Mark(nearest(steps, p), p.even())));
            next = steps.at();
        } else if (state.run().isPresent()) {
            var run = state.run().get();
            run.drill().lengthsMs().forEach(l -> rungs.add(l + " ms"));
            for (int i = 0; i < state.passes().size(); i++) {
                marks.add(new Mark(run.drill().lengthsMs().indexOf(run.tries().get(i).lengthMs()), state.passes().get(i).even()));
            }
            next = run.at();
        }
        if (!rungs.isEmpty()) {
            climb(g, rungs, marks, next);
        }
    }

    private static int nearest(Steps steps, PracticeState.Done pass) {
        for (int i = 0; i < steps.tempi().size(); i++) {
            if (pass.words().endsWith(steps.tempi().get(i).spoken())) {
                return i;
            }
        }
        return 0;
    }

    private void climb(GraphicsContext g, List<String> rungs, List<Mark> marks, int next) {
        double width = wide() - 10;
        double step = (tall() - 24) / Math.max(1, rungs.size() - 1);
        int fit = (int) Math.max(1, Math.floor((width - LEFT - 8) / APART));
        int first = Math.max(0, marks.size() + 1 - fit);
        g.setFont(CanvasPainter.text(Face.SANS, 13));
        g.setTextAlign(TextAlignment.RIGHT);
        for (int r = 0; r < rungs.size(); r++) {
            double y = y(r, step);
            g.setLineWidth(r == next ? 2 : 1);
            g.setStroke(palette().of(r == next ? Ink.GLIDE : Ink.STAVE));
            g.strokeLine(LEFT, y, width, y);
            g.setFill(palette().of(r == next ? Ink.MUSIC : Ink.QUIET));
            g.fillText(rungs.get(r), LEFT - 8, y + 4);
        }
        for (int m = first; m < marks.size(); m++) {
            double x = LEFT + 14 + (m - first) * APART;
            double y = y(Math.max(0, marks.get(m).rung()), step);
            if (m > first) {
                g.setStroke(palette().of(Ink.QUIET));
                g.setLineWidth(1);
                g.strokeLine(x - APART, y(Math.max(0, marks.get(m - 1).rung()), step), x, y);
            }
        }
        for (int m = first; m < marks.size(); m++) {
            mark(g, LEFT + 14 + (m - first) * APART, y(Math.max(0, marks.get(m).rung()), step), marks.get(m).even());
        }
    }

    private double y(int rung, double step) {
        return tall() - 12 - rung * step;
    }

    private void mark(GraphicsContext g, double x, double y, boolean even) {
        g.setFill(palette().of(even ? Ink.GLIDE : Ink.PAPER));
        g.fillOval(x - 6, y - 6, 12, 12);
        g.setStroke(palette().of(even ? Ink.GLIDE : Ink.ROLL));
        g.setLineWidth(2);
        g.strokeOval(x - 6, y - 6, 12, 12);
    }
}
