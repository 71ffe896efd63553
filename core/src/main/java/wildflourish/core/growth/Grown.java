package wildflourish.core.growth;

import java.util.List;
import wildflourish.core.setting.Ladder;

/**
 * A ladder and why each of its placements stands where it does.
 *
 * @param reasons one list for each rung, in the order of the notes
 * @param variations one list for each rung, in the order of the notes
 */
public record Grown(Ladder ladder, List<List<Reasoned>> reasons, List<List<Offer>> variations) {

    public Grown {
        reasons = List.copyOf(reasons);
        variations = List.copyOf(variations);
    }

    /**
     * A placement with its reason.
     *
     * @param reason a sentence without its full stop
     * @param terms everything that was weighed for and against it
     */
    public record Reasoned(Candidate candidate, String reason, List<Weighed> terms) {

        public Reasoned {
            terms = List.copyOf(terms);
        }

        /** {@code 32 in all: 20 on an accented beat, 12 …}. */
        public String weighed() {
            return Weighed.inWords(terms);
        }
    }

    /**
     * One thing that was weighed.
     *
     * @param points in the units of taste; negative against it
     * @param why in the teacher's words
     */
    public record Weighed(int points, String why) {

        /** {@code 32 in all: 20, on an accented beat; 12, a leap}. */
        public static String inWords(List<Weighed> terms) {
            int sum = terms.stream().mapToInt(Weighed::points).sum();
            return "%d in all: %s".formatted(sum, String.join("; ", terms.stream()
                    .map(t -> "%s%d, %s".formatted(t.points < 0 ? "less " : "", Math.abs(t.points), t.why)).toList()));
        }
    }
}
