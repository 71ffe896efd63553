package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Tempo;

/** The tempi a student climbs through: evenness first, then faster (common practice; the shares from memory). */
public final class PracticeSteps {

    private static final int[] PERCENT = {50, 60, 70, 80, 90, 100};

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
