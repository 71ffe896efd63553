package wildflourish.app.practice;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.practice.Rest;
import wildflourish.core.practice.Steps;
import wildflourish.core.setting.Arrangement;

/** What has been played: the passes with what they tell, and when a rest is due. */
final class PracticeLog {

    private final PracticeModel.Keeping keeping;
    private final Clock clock;
    private final ReadOnlyObjectWrapper<PracticeHistory> history = new ReadOnlyObjectWrapper<>(PracticeHistory.of(List.of(), ZoneId.systemDefault()));
    private final List<LoggedPass> passes = new ArrayList<>();
    private final List<Rest.Spell> stretches = new ArrayList<>();
    private Rest rest = Rest.USUAL;
    private boolean reminded;
    private Optional<Long> whose = Optional.empty();

    PracticeLog(PracticeModel.Keeping keeping, Clock clock) {
        this.keeping = keeping;
        this.clock = clock;
    }

    ReadOnlyObjectProperty<PracticeHistory> history() {
        return history.getReadOnlyProperty();
    }

    List<LoggedPass> passes() {
        return List.copyOf(passes);
    }

    Rest rest() {
        return rest;
    }

    void restAfter(double minutes) {
        rest = Rest.USUAL.after(minutes);
    }

    /** Takes in what was logged earlier. */
    void recall(List<LoggedPass> logged) {
        passes.clear();
        passes.addAll(logged);
        recount();
    }

    /** Whose passes the history is of, and whose those to come are: a student's by their id, or nobody's. */
    void of(Optional<Long> student) {
        if (!student.equals(whose)) {
            whose = student;
            recount();
        }
    }

    /** A pass that ended now. */
    void keep(LoggedPass played, boolean tiring) {
        LoggedPass pass = played.by(whose);
        keeping.log(pass);
        passes.add(pass);
        Instant end = clock.instant();
        stretches.add(new Rest.Spell(end.minusMillis(Math.round(pass.seconds() * 1000)), end, tiring));
        recount();
    }

    private void recount() {
        history.set(PracticeHistory.of(passes.stream().filter(p -> p.student().equals(whose)).toList(), ZoneId.systemDefault()));
    }

    /** The reminder that is due now, if any. */
    Optional<String> due() {
        return rest.due(stretches, clock.instant());
    }

    /** Whether to pause for a reminder: the first time that it is due, and not again before there was a rest. */
    boolean pausesFor(Optional<String> due) {
        boolean first = due.isPresent() && !reminded;
        reminded = due.isPresent();
        return first;
    }

    /** Steps up to an arrangement's tempo, from a step below what was reached evenly before in a stretch of its tune. */
    Steps resuming(Steps steps, long tune, Arrangement arrangement, String passage) {
        Optional<Double> reached = history.get().lines().stream()
                .filter(l -> !l.gesture() && l.tune().filter(id -> id == tune).isPresent() && l.passage().equals(passage)
                        && l.instrument().equals(arrangement.instrument().id()) && l.unit().equals(arrangement.tempo().beatName()))
                .findFirst().flatMap(PracticeHistory.Line::reached);
        return reached.map(r -> steps.resuming(arrangement.tempo().withCount(Math.round(r)))).orElse(steps);
    }
}
