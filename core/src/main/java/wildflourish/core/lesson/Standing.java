package wildflourish.core.lesson;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.tune.Tempo;

/**
 * Where a student is with a tune, by what was measured of them.
 *
 * @param rung the rung they are on
 * @param goal the tempo they are going for
 * @param reached the fastest even pass of the whole tune on this rung; where there is none, what has been reached in every passage that was practised: the slowest of their
 *     bests
 * @param part whether {@code reached} is of passages only
 * @param last the day on which they played it last, on whatever rung
 * @param good days with an even pass of the whole tune at the goal or above, on this rung
 * @param stuck passages without a gain for long, the longest first
 * @param passes how many were measured, on whatever rung
 */
public record Standing(int rung, Tempo goal, Optional<Tempo> reached, boolean part, Optional<LocalDate> last, SortedSet<LocalDate> good, List<PracticeHistory.Line> stuck, int passes) {

    /** What the practice screen calls the whole of a tune. */
    public static final String WHOLE = "the whole tune";

    public Standing {
        good = Collections.unmodifiableSortedSet(new TreeSet<>(good));
        stuck = List.copyOf(stuck);
    }

    /**
     * From the passes of one student in one tune, the oldest first.
     *
     * @param rungName the name under which passes on this rung are logged
     */
    public static Standing of(int rung, String rungName, Tempo goal, List<LoggedPass> passes, ZoneId zone) {
        List<LoggedPass> here = passes.stream().filter(p -> p.rung().equals(rungName) && p.tempo().filter(t -> t.beat().equals(goal.beat())).isPresent()).toList();
        Map<String, Tempo> best = new TreeMap<>();
        SortedSet<LocalDate> good = new TreeSet<>();
        for (LoggedPass pass : here) {
            Tempo tempo = pass.tempo().orElseThrow();
            if (pass.even()) {
                best.merge(pass.passage(), tempo, (a, b) -> a.perMinute().isLess(b.perMinute()) ? b : a);
                if (pass.passage().equals(WHOLE) && !tempo.perMinute().isLess(goal.perMinute())) {
                    good.add(day(pass, zone));
                }
            }
        }
        boolean whole = here.stream().anyMatch(p -> p.passage().equals(WHOLE));
        boolean everyPassage = here.stream().map(LoggedPass::passage).allMatch(best::containsKey);
        Optional<Tempo> reached = whole ? Optional.ofNullable(best.get(WHOLE))
                : everyPassage ? best.values().stream().min((a, b) -> a.perMinute().compareTo(b.perMinute())) : Optional.empty();
        Optional<LocalDate> last = passes.isEmpty() ? Optional.empty() : Optional.of(day(passes.getLast(), zone));
        return new Standing(rung, goal, reached, !whole && !here.isEmpty(), last, good, PracticeHistory.of(here, zone).stuck(), passes.size());
    }

    private static LocalDate day(LoggedPass pass, ZoneId zone) {
        return pass.at().atZone(zone).toLocalDate();
    }

    /** Whether they play the whole of it evenly at its goal. */
    public boolean isThere() {
        return !part && reached.filter(r -> !r.perMinute().isLess(goal.perMinute())).isPresent();
    }

    /** How far they are, in per cent of the goal's tempo; 0 where nothing was even yet. */
    public int percent() {
        return reached.map(r -> (int) Math.floor(100 * r.perMinute().toDouble() / goal.perMinute().toDouble())).orElse(0);
    }
}
