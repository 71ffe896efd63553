package wildflourish.app.trellis;

import javafx.geometry.Point2D;

/** Where notes are on the view, for tests that click on them. */
public final class ScoreSpots {

    private ScoreSpots() {}

    public static Point2D of(ScoreView view, int rung, int note) {
        return view.pointOf(rung, note).orElseThrow();
    }

    /** How high everything that is drawn is, in pixels. */
    public static double height(ScoreView view) {
        return view.drawnHeight();
    }

    /** What is engraved for it now. */
    public static Object engraving(ScoreView view) {
        return view.engraving();
    }

    /** Whether anything has been engraved for it. */
    public static boolean isEngraved(ScoreView view) {
        return view.isEngraved();
    }
}
