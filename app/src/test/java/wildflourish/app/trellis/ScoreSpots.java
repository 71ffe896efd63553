package wildflourish.app.trellis;

import javafx.geometry.Point2D;

/** Where notes are on the view, for tests that click on them. */
public final class ScoreSpots {

    private ScoreSpots() {}

    public static Point2D of(ScoreView view, int rung, int note) {
        return view.pointOf(rung, note).orElseThrow();
    }

    /** Whether anything has been engraved for it. */
    public static boolean isEngraved(ScoreView view) {
        return view.isEngraved();
    }
}
