package wildflourish.app.practice;

import java.util.List;
import wildflourish.core.practice.Expected;

/**
 * How a turn is laid out in rows, as few bars in each as there is room for.
 *
 * @param rowMs how long a row lasts, in milliseconds
 * @param height of a row, in pixels
 * @param scale pixels for a millisecond
 * @param first the row at the top
 */
record LaneRows(double rowMs, int count, double height, double scale, int first) {

    static final double LEFT = 22;
    static final double RIGHT = 14;
    static final double TOP = 30;
    private static final double ROW = 200;
    private static final double LEAST_ROW = 62;
    private static final double COMFORTABLE_ROW = 82;
    /** As near as two onsets may stand, in pixels. */
    private static final double CLOSEST = 13;

    /** The rows of a turn on so many pixels, the one that is played now among those that are seen. */
    static LaneRows of(PracticeState state, PracticeState.Turn turn, double onWidth, double onHeight) {
        double width = Math.max(100, onWidth - LEFT - RIGHT);
        double length = turn.expected().lengthMs();
        List<Double> bars = turn.bars();
        double bar = bars.size() > 1 ? (bars.getLast() - bars.getFirst()) / (bars.size() - 1) : length;
        double closest = closest(turn.expected());
        double room = onHeight - TOP;
        double rowMs = bar;
        boolean fits = false;
        for (int n = 1; n <= 8 && !fits; n *= 2) {
            // As few bars in a row as there is room for, and no more than can be told apart.
            boolean apart = n == 1 || width / (bar * n) * closest >= CLOSEST;
            rowMs = apart ? bar * n : rowMs;
            fits = Math.ceil(length / (bar * n) - 1e-6) * COMFORTABLE_ROW <= room;
        }
        rowMs = Math.min(rowMs, length);
        int count = (int) Math.max(1, Math.ceil(length / rowMs - 1e-6));
        double height = Math.clamp(room / count, LEAST_ROW, ROW);
        int fit = (int) Math.max(1, Math.floor(room / height));
        int now = (int) Math.clamp(Math.floor(Math.max(0, state.nowMs()) / rowMs), 0, count - 1);
        int first = count <= fit ? 0 : Math.clamp(now - fit / 2, 0, count - fit);
        return new LaneRows(rowMs, count, height, width / rowMs, first);
    }

    private static double closest(Expected expected) {
        double closest = expected.lengthMs();
        for (int i = 1; i < expected.size(); i++) {
            closest = Math.min(closest, expected.onsets().get(i).atMs() - expected.onsets().get(i - 1).atMs());
        }
        return closest;
    }

    double x(double ms) {
        return LEFT + (ms - row(ms) * rowMs) * scale;
    }

    int row(double ms) {
        return (int) Math.clamp(Math.floor((ms + 1e-6) / rowMs), 0, count - 1);
    }

    double y(int row) {
        return TOP + (row - first + 0.5) * height;
    }
}
