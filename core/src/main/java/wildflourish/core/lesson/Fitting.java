package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is done at each stage of a lesson so that it is worth most in the time there is: an optimum, found by dynamic programming over stages, minutes and how far the lesson
 * has come. Of ways that are worth the same, the shorter is taken.
 *
 * @param worth in thousandths of a tune
 */
record Fitting(int worth, int minutes, List<Stage.Choice> choices) {

    /** The best that could be reached with some minutes gone, and by which choice. */
    private record Reached(int worth, Stage.@Nullable Choice by, @Nullable Reached before) {}

    Fitting {
        choices = List.copyOf(choices);
    }

    /** The best way through all stages in so many minutes; empty where even the shortest is too long. */
    static Optional<Fitting> best(List<Stage> stages, int minutes) {
        Map<Integer, @Nullable Reached[]> come = new HashMap<>();
        Reached[] start = new Reached[minutes + 1];
        start[0] = new Reached(0, null, null);
        come.put(0, start);
        for (Stage stage : stages) {
            Map<Integer, @Nullable Reached[]> next = new HashMap<>();
            come.forEach((state, reached) -> stage.choices(state).forEach(c -> {
                @Nullable Reached[] there = next.computeIfAbsent(c.leads(), k -> new Reached[minutes + 1]);
                for (int m = 0; m + c.minutes() <= minutes; m++) {
                    Reached before = reached[m];
                    Reached now = there[m + c.minutes()];
                    if (before != null && (now == null || before.worth + c.worth() > now.worth)) {
                        there[m + c.minutes()] = new Reached(before.worth + c.worth(), c, before);
                    }
                }
            }));
            come = next;
        }
        return best(come.values(), minutes);
    }

    private static Optional<Fitting> best(Iterable<@Nullable Reached[]> ends, int minutes) {
        Reached best = null;
        int taken = 0;
        for (int m = 0; m <= minutes; m++) {
            for (@Nullable Reached[] end : ends) {
                Reached here = end[m];
                if (here != null && (best == null || here.worth > best.worth)) {
                    best = here;
                    taken = m;
                }
            }
        }
        if (best == null) {
            return Optional.empty();
        }
        LinkedList<Stage.Choice> choices = new LinkedList<>();
        for (Reached at = best; at.by != null && at.before != null; at = at.before) {
            choices.addFirst(at.by);
        }
        return Optional.of(new Fitting(best.worth, taken, new ArrayList<>(choices)));
    }
}
