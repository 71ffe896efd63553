package wildflourish.app.practice;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;
import wildflourish.app.paint.CanvasPainter;
import wildflourish.core.hearing.HeardPass;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Matching;
import wildflourish.core.practice.StepRule;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;

/**
 * A turn drawn against the pulse: rows of some bars, a ring where each onset is expected, a dot where it came. Early ones stand
 * above the line, late ones hang below it, as far as they are off.
 */
final class PulseLanes extends Painted {

    /** Pixels for a millisecond off the pulse, and where that stops growing. */
    private static final double OFF = 0.3;
    private static final double MOST_OFF = 25;

    private final Supplier<StepRule> rule;
    private @Nullable PracticeState state;

    /** Lanes that tell right from wrong by the rule that is in force. */
    PulseLanes(Supplier<StepRule> rule) {
        super("lanes");
        this.rule = rule;
        getStyleClass().add("lanes");
        setFocusTraversable(true);
        setAccessibleText("onsets against the pulse");
    }

    void show(PracticeState now) {
        state = now;
        paint();
    }

    @Override
    void paint(GraphicsContext g) {
        paper(g);
        PracticeState now = state;
        if (now == null) {
            return;
        }
        g.setFont(CanvasPainter.text(Face.SANS, 13));
        g.setFill(palette().of(Ink.QUIET));
        g.setTextAlign(TextAlignment.LEFT);
        if (now.turn().isEmpty()) {
            g.fillText("Enter begins. A ring is where a note is expected, a dot is where it came.", LaneRows.LEFT, LaneRows.TOP,
                    wide() - LaneRows.LEFT - 8);
            return;
        }
        PracticeState.Turn turn = now.turn().get();
        g.fillText("above the line: early      below: late" + (turn.heard().isEmpty() ? "" : "      tick: the ornament spoke      cross above: it did not"), LaneRows.LEFT, 18);
        LaneRows rows = LaneRows.of(now, turn, wide(), tall());
        pulse(g, turn, rows);
        boolean own = now.phase() != PracticeState.Phase.LISTENING;
        if (own) {
            turn.measured().ifPresentOrElse(m -> measured(g, turn, m, rows), () -> coming(g, now, turn, rows));
        }
        boolean moving = now.phase() == PracticeState.Phase.LISTENING || now.phase() == PracticeState.Phase.PLAYING
                || now.phase() == PracticeState.Phase.CALIBRATING;
        if (moving && now.nowMs() >= 0 && now.nowMs() <= turn.expected().lengthMs()) {
            int row = rows.row(now.nowMs());
            g.setStroke(palette().of(Ink.GLIDE));
            g.setLineWidth(2);
            double x = rows.x(now.nowMs());
            g.strokeLine(x, rows.y(row) - rows.height() * 0.42, x, rows.y(row) + rows.height() * 0.42);
        }
    }

    private void pulse(GraphicsContext g, PracticeState.Turn turn, LaneRows rows) {
        g.setLineWidth(1);
        g.setStroke(palette().of(Ink.STAVE));
        for (int row = 0; row < rows.count(); row++) {
            double end = Math.min(rows.rowMs(), turn.expected().lengthMs() - row * rows.rowMs());
            double y = Math.round(rows.y(row)) + 0.5;
            g.strokeLine(LaneRows.LEFT, y, LaneRows.LEFT + end * rows.scale(), y);
        }
        for (double beat : turn.beats()) {
            boolean bar = turn.bars().contains(beat);
            double half = bar ? 24 : 11;
            double y = rows.y(rows.row(beat));
            double x = Math.round(rows.x(beat)) + 0.5;
            g.setLineWidth(bar ? 1.5 : 1);
            g.strokeLine(x, y - half, x, y + half);
        }
        for (Expected.Onset onset : turn.expected().onsets()) {
            ring(g, rows.x(onset.atMs()), rows.y(rows.row(onset.atMs())), onset.pulse() == 1 ? 6 : 4.5);
        }
    }

    private void ring(GraphicsContext g, double x, double y, double radius) {
        g.setFill(palette().paper());
        g.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
        g.setLineWidth(1.5);
        g.setStroke(palette().of(Ink.QUIET));
        g.strokeOval(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    /** What came so far, each against the nearest onset that is expected. */
    private void coming(GraphicsContext g, PracticeState state, PracticeState.Turn turn, LaneRows rows) {
        for (double ms : state.played()) {
            turn.expected().onsets().stream().min(java.util.Comparator.comparingDouble(o -> Math.abs(o.atMs() - ms)))
                    .ifPresent(o -> dot(g, ms, ms - o.atMs(), look(turn.expected(), o, ms - o.atMs()), rows));
        }
    }

    private void measured(GraphicsContext g, PracticeState.Turn turn, Evenness pass, LaneRows rows) {
        for (Matching.Pair pair : pass.matching().pairs()) {
            Expected.Onset onset = turn.expected().onsets().get(pair.expected());
            double ms = pass.played().get(pair.played());
            dot(g, ms, ms - onset.atMs(), look(turn.expected(), onset, ms - onset.atMs()), rows);
        }
        g.setStroke(palette().of(Ink.MISSING));
        g.setLineWidth(2);
        for (int missed : pass.matching().missed()) {
            Expected.Onset onset = turn.expected().onsets().get(missed);
            double x = rows.x(onset.atMs());
            double y = rows.y(rows.row(onset.atMs()));
            g.strokeLine(x - 7, y + 7, x + 7, y - 7);
        }
        for (int extra : pass.matching().extra()) {
            double x = rows.x(pass.played().get(extra));
            double y = rows.y(rows.row(pass.played().get(extra))) + 16;
            g.strokeLine(x - 4, y - 4, x + 4, y + 4);
            g.strokeLine(x - 4, y + 4, x + 4, y - 4);
        }
        pass.oddToTell().ifPresent(o -> odd(g, turn, o, rows));
        turn.heard().ifPresent(h -> ornaments(g, turn, h, rows));
    }

    /** Over each note that has an ornament a tick where it spoke and a cross where it did not. */
    private void ornaments(GraphicsContext g, PracticeState.Turn turn, HeardPass heard, LaneRows rows) {
        List<HeardVersion.Note> notes = heard.played().notes();
        for (int i = 0; i < Math.min(notes.size(), turn.expected().size()); i++) {
            if (notes.get(i).isOrnamented()) {
                double ms = turn.expected().onsets().get(i).atMs();
                double x = rows.x(ms);
                double y = rows.y(rows.row(ms)) - Math.min(30, rows.height() * 0.42);
                boolean came = notes.get(i).came();
                g.setStroke(palette().of(came ? Ink.GLIDE : Ink.MISSING));
                g.setLineWidth(2);
                if (came) {
                    g.strokePolyline(new double[] {x - 5, x - 1, x + 6}, new double[] {y, y + 4, y - 5}, 3);
                } else {
                    g.strokeLine(x - 4, y - 4, x + 4, y + 4);
                    g.strokeLine(x - 4, y + 4, x + 4, y - 4);
                }
            }
        }
    }

    /** The gap furthest off, bracketed. */
    private void odd(GraphicsContext g, PracticeState.Turn turn, Evenness.OddGap odd, LaneRows rows) {
        double from = turn.expected().onsets().get(odd.onset()).atMs();
        double to = odd.onset() + 1 < turn.expected().size() ? turn.expected().onsets().get(odd.onset() + 1).atMs() : turn.expected().lengthMs();
        double left = rows.x(from);
        double right = rows.row(to) == rows.row(from) ? rows.x(to) : wide() - LaneRows.RIGHT;
        double y = rows.y(rows.row(from)) + 30;
        g.setStroke(palette().of(Ink.ROLL));
        g.setLineWidth(1.5);
        g.strokeLine(left, y - 6, left, y);
        g.strokeLine(left, y, right, y);
        g.strokeLine(right, y, right, y - 6);
        g.setFill(palette().of(Ink.ROLL));
        boolean roomBehind = right < wide() - 130;
        g.setTextAlign(roomBehind ? TextAlignment.LEFT : TextAlignment.RIGHT);
        String words = "%s by %d %%".formatted(odd.ratio() < 1 ? "short" : "long", Math.round(Math.abs(odd.ratio() - 1) * 100));
        g.fillText(words, roomBehind ? right + 6 : left - 6, y + 4);
    }

    /** How an onset looks that was expected elsewhere, by the rule in force. */
    private StepRule.Look look(Expected expected, Expected.Onset onset, double off) {
        int index = expected.onsets().indexOf(onset);
        double end = index + 1 < expected.size() ? expected.onsets().get(index + 1).atMs() : expected.lengthMs();
        return rule.get().look(off, end - onset.atMs());
    }

    private void dot(GraphicsContext g, double ms, double off, StepRule.Look look, LaneRows rows) {
        Color colour = palette().of(switch (look) {
            case RIGHT -> Ink.GLIDE;
            case OFF -> Ink.COMPANY;
            case WRONG -> Ink.MISSING;
        });
        double x = Math.clamp(rows.x(Math.max(0, ms)), LaneRows.LEFT - 8, wide() - 6);
        double line = rows.y(rows.row(Math.max(0, ms)));
        double y = line + Math.clamp(off * OFF, -MOST_OFF, MOST_OFF);
        g.setStroke(colour);
        g.setFill(colour);
        g.setLineWidth(2);
        g.strokeLine(x, line, x, y);
        if (look == StepRule.Look.RIGHT) {
            g.fillOval(x - 3.5, y - 3.5, 7, 7);
        } else {
            // Told by its shape as well as by its colour.
            g.fillPolygon(new double[] {x - 5, x, x + 5, x}, new double[] {y, y - 5, y, y + 5}, 4);
        }
    }

    /** What is drawn, in words for those who do not see it. */
    static Optional<String> inWords(PracticeState state) {
        return state.turn().flatMap(PracticeState.Turn::measured).map(m -> "%d of %d notes came; %s".formatted(
                m.matching().pairs().size(), m.expected().size(), m.standsOut().orElse("nothing stands out")));
    }
}
