package wildflourish.core.growth;

import java.util.List;
import wildflourish.core.setting.Ladder;

/**
 * A ladder and why each of its placements stands where it does.
 *
 * @param reasons one list for each rung, in the order of the notes
 */
public record Grown(Ladder ladder, List<List<Reasoned>> reasons) {

    /** A placement with its reason as a sentence without its full stop. */
    public record Reasoned(Candidate candidate, String reason) {}
}
