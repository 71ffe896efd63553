package wildflourish.core.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import wildflourish.core.setting.Rounds;

/** Ways to spread the rungs of a ladder over the times through. */
public final class Spreads {

    private Spreads() {}

    /**
     * The first time nearly bare, the last with everything, those between rising evenly: what teachers plan most (common
     * practice).
     */
    public static List<List<Rounds.Pass>> rising(int times, int passes, int rungs) {
        List<List<Rounds.Pass>> all = new ArrayList<>();
        for (int t = 0; t < times; t++) {
            List<Rounds.Pass> row = new ArrayList<>();
            for (int p = 0; p < passes; p++) {
                row.add(new Rounds.Pass(target(t, times, rungs)));
            }
            all.add(row);
        }
        return all;
    }

    private static int target(int time, int times, int rungs) {
        return times == 1 ? (rungs - 1) / 2 : (int) Math.round(time * (rungs - 1) / (double) (times - 1));
    }

    /**
     * Shuffled within taste: about as full as the plain plan at each time, a rung more or less, a part never twice running the
     * same way where there is another, and the last pass of all the fullest. The same seed gives the same rounds.
     */
    public static Rounds shuffled(Rounds given, int times, List<Passes> passes, int rungs, long seed) {
        Random random = new Random(seed);
        List<List<Rounds.Pass>> all = new ArrayList<>();
        for (int t = 0; t < times; t++) {
            List<Rounds.Pass> row = new ArrayList<>();
            for (int p = 0; p < passes.size(); p++) {
                int target = target(t, times, rungs);
                List<Integer> open = new ArrayList<>();
                for (int r = Math.max(0, target - 1); r <= Math.min(rungs - 1, target + 1); r++) {
                    open.add(r);
                }
                if (open.size() > 1) {
                    open.remove(before(all, row, passes, t, p));
                }
                boolean last = t == times - 1 && p == passes.size() - 1;
                row.add(new Rounds.Pass(last ? rungs - 1 : open.get(random.nextInt(open.size()))));
            }
            all.add(row);
        }
        return new Rounds(all, given.intro(), given.tag(), Optional.of(seed));
    }

    /** The rung on which the same part was played last; none where it was not, as −1. */
    private static Integer before(List<List<Rounds.Pass>> all, List<Rounds.Pass> row, List<Passes> passes, int t, int p) {
        for (int q = p - 1; q >= 0; q--) {
            if (passes.get(q).part() == passes.get(p).part()) {
                return row.get(q).rung();
            }
        }
        for (int q = passes.size() - 1; t > 0 && q >= 0; q--) {
            if (passes.get(q).part() == passes.get(p).part()) {
                return all.get(t - 1).get(q).rung();
            }
        }
        return -1;
    }
}
