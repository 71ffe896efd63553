package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Difference;
import wildflourish.core.tune.Timeline;

/** How one arrangement of a tune departs from another, in a teacher's words. */
public final class Departures {

    /** So many single changes are named; of more it is said how many there are. */
    private static final int NAMED = 6;

    private Departures() {}

    /**
     * What was otherwise, a line each without a full stop; nothing where all is the same.
     *
     * @param now what it is compared with
     * @param then what is described
     * @param rung whose notes are compared one by one; from 0
     */
    public static List<String> of(Arrangement now, Arrangement then, int rung) {
        List<String> lines = new ArrayList<>();
        if (!now.tune().equals(then.tune())) {
            lines.add("the tune itself is another");
        }
        if (!now.instrument().id().equals(then.instrument().id()) || now.instrument().capo() != then.instrument().capo()) {
            lines.add("on the " + then.instrument().spoken() + (then.instrument().capo() == 0 ? "" : ", capo " + then.instrument().capo()));
        }
        if (!now.tempo().equals(then.tempo())) {
            lines.add("tempo " + then.tempo().spoken());
        }
        if (!now.speeds().equals(then.speeds())) {
            lines.add("student: " + then.speeds().name());
        }
        if (!now.school().equals(then.school())) {
            lines.add("other schools");
        }
        if (then.ladder().size() != now.ladder().size()) {
            lines.add("%d rungs".formatted(then.ladder().size()));
        }
        if (now.tune().equals(then.tune()) && rung < then.ladder().size() && rung < now.ladder().size()) {
            notes(now, then, rung, lines);
        }
        if (lines.isEmpty() && !now.ladder().equals(then.ladder())) {
            lines.add("other rungs differ, or their names");
        }
        if (!now.choices().equals(then.choices())) {
            lines.add("other places chosen by hand");
        }
        if (!now.marks().equals(then.marks())) {
            lines.add("phrases marked otherwise");
        }
        if (!now.wishes().equals(then.wishes())) {
            lines.add("other wishes for growing");
        }
        if (!now.rounds().equals(then.rounds())) {
            lines.add("other rounds");
        }
        return lines;
    }

    private static void notes(Arrangement now, Arrangement then, int rung, List<String> lines) {
        List<Difference.Change> changes = Difference.between(now.ladder().setting(rung), then.ladder().setting(rung));
        Timeline tune = Timeline.of(then.tune());
        for (Difference.Change change : changes.subList(0, Math.min(NAMED, changes.size()))) {
            Vocabulary vocabulary = Vocabulary.of((change.added() ? then : now).instrument());
            lines.add((change.added() ? "with " : "without ") + RunnerUp.told(change, tune, vocabulary));
        }
        if (changes.size() > NAMED) {
            lines.add("and %d more on this rung".formatted(changes.size() - NAMED));
        }
    }
}
