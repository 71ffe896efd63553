package wildflourish.score.engrave;

import java.util.List;
import java.util.Set;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Ladder;

/**
 * What to engrave.
 *
 * @param ladder the rungs there are; the lowest is the bare tune
 * @param open rungs shown as full staves
 * @param folded whether the other rungs are shown as thin lines of marks, or not at all
 * @param strip the rung whose fingers the strip under the notes shows; −1 for no strip
 * @param aids where to breathe and where to use the air button
 * @param width width of the page in staff spaces
 */
public record ScoreRequest(
        Situation situation, Ladder ladder, Set<Integer> open, boolean folded, int strip, Aids aids, double width) {

    /** A request without marks of breath or air. */
    public ScoreRequest(
            Situation situation, Ladder ladder, Set<Integer> open, boolean folded, int strip, double width) {
        this(situation, ladder, open, folded, strip, Aids.NONE, width);
    }

    public ScoreRequest {
        open = Set.copyOf(open);
    }

    /** The rungs shown, from the top of the page to the ground. */
    List<Integer> fromTop() {
        return java.util.stream.IntStream.iterate(ladder.size() - 1, r -> r >= 0, r -> r - 1)
                .filter(r -> folded || open.contains(r))
                .boxed()
                .toList();
    }
}
