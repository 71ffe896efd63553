package wildflourish.score.engrave;

import java.util.List;
import java.util.Set;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Timeline;

/**
 * What to engrave.
 *
 * @param version the rung in hand, whose fingers the strip under the notes shows; the other rungs are those of its ladder
 * @param open rungs shown as full staves
 * @param folded whether the other rungs are shown as thin lines of marks, or not at all
 * @param strip whether there is a strip of fingers; on no instrument there is none
 * @param aids where to breathe and where to use the air button
 * @param width width of the page in staff spaces
 */
public record ScoreRequest(Version version, Set<Integer> open, boolean folded, boolean strip, Aids aids, double width) {

    /** A request without marks of breath or air. */
    public ScoreRequest(Version version, Set<Integer> open, boolean folded, boolean strip, double width) {
        this(version, open, folded, strip, Aids.NONE, width);
    }

    public ScoreRequest {
        open = Set.copyOf(open);
    }

    Ladder ladder() {
        return version.arrangement().ladder();
    }

    /** The plain tune. */
    Timeline tune() {
        return version.bare().tune();
    }

    /** The rungs shown, from the top of the page to the ground. */
    List<Integer> fromTop() {
        return java.util.stream.IntStream.iterate(ladder().size() - 1, r -> r >= 0, r -> r - 1)
                .filter(r -> folded || open.contains(r))
                .boxed()
                .toList();
    }
}
