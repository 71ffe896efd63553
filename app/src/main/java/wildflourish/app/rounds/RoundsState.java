package wildflourish.app.rounds;

import java.util.List;
import wildflourish.core.rounds.Passes;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Rounds;

/**
 * What the rounds screen shows.
 *
 * @param arrangement the open tune's
 * @param passes the passes through its parts, in the order played
 * @param rounds its rounds, with as many passes as it has
 * @param time the time through in hand
 * @param pass the pass in hand
 * @param set the tunes that follow the open one
 * @param linked whether tunes of the set are linked
 * @param seconds how long the whole lasts; negative while that is being worked out
 */
public record RoundsState(
        Arrangement arrangement, List<Passes> passes, Rounds rounds, int time, int pass, List<InSet> set, boolean linked,
        double seconds) {

    /** A tune of the set. */
    public record InSet(long id, String title, Arrangement arrangement) {}

    public RoundsState {
        passes = List.copyOf(passes);
        set = List.copyOf(set);
    }

    RoundsState at(int otherTime, int otherPass) {
        return new RoundsState(arrangement, passes, rounds, otherTime, otherPass, set, linked, seconds);
    }

    RoundsState lasting(double newSeconds) {
        return new RoundsState(arrangement, passes, rounds, time, pass, set, linked, newSeconds);
    }

    /** {@code 2 minutes 37 seconds}. */
    public String lasting() {
        if (seconds < 0) {
            return "…";
        }
        int whole = (int) Math.round(seconds);
        return whole < 60 ? "%d seconds".formatted(whole)
                : "%d minute%s %d seconds".formatted(whole / 60, whole / 60 == 1 ? "" : "s", whole % 60);
    }
}
