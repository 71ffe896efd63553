package wildflourish.core.planning;

import java.util.Optional;

/**
 * How a note on strings is struck or bowed.
 *
 * @param down whether the stroke goes down
 * @param joined whether it is one stroke with the note before
 * @param advice a slur to add or to split so that the strokes come out right, as a sentence; empty for none
 */
public record Stroke(boolean down, boolean joined, Optional<String> advice) {

    public String word() {
        return down ? "down" : "up";
    }
}
