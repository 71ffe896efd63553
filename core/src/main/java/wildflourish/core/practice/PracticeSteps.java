package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Tempo;

/** The tempi a student climbs through: evenness first, then faster (common practice; the shares are data). */
public final class PracticeSteps {

    /** Shares of the goal's tempo in percent, ascending. */
    record Table(String provenance, List<Integer> percent) {}

    private static final List<Integer> PERCENT = DataFile.read("practice-steps.json", Table.class).percent();

    private PracticeSteps() {}

    /** From half the goal's tempo up to the goal, rounded to whole counts. */
    public static List<Tempo> upTo(Tempo goal) {
        List<Tempo> steps = new ArrayList<>();
        for (int percent : PERCENT) {
            steps.add(goal.withCount(Math.max(1, Math.round(goal.perMinute().toDouble() * percent / 100))));
        }
        return steps;
    }
}
