package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Bow directions: the written slurs in one bow each, down-bows on the first beats, and where neither comes out by itself the
 * fewest and best slurs to add or to split. Exact, by the same shortest path as the places.
 */
final class Bowing {

    /** What goes against the grain; weights without a unit. */
    record Costs(
            String provenance, int upOnFirstBeat, int upInMidBar, int slurAdded, int slurSplit, int retake) {}

    private static final Costs COSTS = DataFile.read("planning/bowing.json", Costs.class);
    private static final Ratio QUAVER = Ratio.of(1, 8);

    /** Four ways to play a note: a new bow down or up, or joined to the note before on a down-bow or an up-bow. */
    private static final int WAYS = 4;

    private final List<Stand> notes;
    private final boolean[] slurred;

    private Bowing(Timeline tune, IntPredicate joined) {
        notes = tune.notes().stream().filter(n -> !n.heldOver()).toList();
        slurred = new boolean[notes.size()];
        int open = 0;
        for (int i = 0; i < notes.size(); i++) {
            slurred[i] = open > 0 || joined.test(notes.get(i).index());
            open = Math.max(0, open + notes.get(i).note().slursOpening() - notes.get(i).note().slursClosing());
        }
    }

    static List<Optional<Stroke>> of(Timeline tune, IntPredicate joined) {
        Bowing bowing = new Bowing(tune, joined);
        int[] path = new ShortestPath(bowing.new Bows()).path();
        List<Optional<Stroke>> strokes = new ArrayList<>(Collections.nCopies(tune.size(), Optional.empty()));
        for (int i = 0; i < path.length; i++) {
            strokes.set(bowing.notes.get(i).index(),
                    Optional.of(new Stroke(isDown(path[i]), isJoined(path[i]), bowing.advice(i, isJoined(path[i])))));
        }
        return strokes;
    }

    private static boolean isDown(int way) {
        return way % 2 == 0;
    }

    private static boolean isJoined(int way) {
        return way >= 2;
    }

    private Optional<String> advice(int i, boolean joined) {
        if (joined == slurred[i]) {
            return Optional.empty();
        }
        String pair = "%s and %s".formatted(notes.get(i - 1).pitch().spoken(), notes.get(i).pitch().spoken());
        return Optional.of(joined ? "slur " + pair + " here, so that the down-bow falls on the beat"
                : "change the bow between " + pair + " here, so that the down-bow falls on the beat");
    }

    private final class Bows implements ShortestPath.Road {

        @Override
        public int stages() {
            return notes.size();
        }

        @Override
        public int options(int stage) {
            return stage == 0 ? 2 : WAYS;
        }

        @Override
        public int alone(int stage, int way) {
            if (isDown(way) || isJoined(way)) {
                return 0;
            }
            return switch (notes.get(stage).strength()) {
                case 3 -> COSTS.upOnFirstBeat();
                case 2 -> COSTS.upInMidBar();
                default -> 0;
            };
        }

        @Override
        public int between(int stage, int from, int to) {
            if (isJoined(to)) {
                boolean sameBow = isDown(from) == isDown(to);
                boolean written = slurred[stage];
                boolean pairOnly = !isJoined(from) || slurred[stage - 1];
                if (!sameBow || !written && !(pairOnly && mayJoin(stage))) {
                    return ShortestPath.NEVER;
                }
                return written ? 0 : COSTS.slurAdded();
            }
            int split = slurred[stage] ? COSTS.slurSplit() : 0;
            boolean turns = isDown(from) != isDown(to);
            return split + (turns || afterRest(stage) ? 0 : COSTS.retake());
        }

        /** A slur may be added between two quavers or shorter notes of one bar that follow without a rest. */
        private boolean mayJoin(int stage) {
            Stand a = notes.get(stage - 1);
            Stand b = notes.get(stage);
            return a.bar() == b.bar() && !afterRest(stage) && !a.pitch().equals(b.pitch())
                    && !QUAVER.isLess(a.sounding()) && !QUAVER.isLess(b.sounding()) && b.strength() == 0;
        }

        private boolean afterRest(int stage) {
            Stand a = notes.get(stage - 1);
            return a.onset().plus(a.sounding()).isLess(notes.get(stage).onset());
        }
    }
}
