package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Place;

/**
 * That a wind player keeps to one fingering for one note: notes of one pitch are a group, and of a pitch that a school leaves to its place
 * those of one bar. Each note of a group that is fingered otherwise than its <em>leader</em>, the fingering of most of them, costs one
 * {@link Term#ODD_FINGERING}.
 *
 * <p>Since the most frequent fingering is the leader that costs least, the cheapest plan of all is the cheapest over all choices of leaders.
 * Leaders of whole-tune groups are chosen by the caller ({@link Solving}); those of a bar are part of the state of the shortest path: each
 * stage of the bar stands there once for each combination of them, and a combination is kept until the bar ends.
 */
final class OneFingering {

    /** For hands of whom nothing of the kind is asked. */
    static final OneFingering NONE = new OneFingering(0);

    /** More combinations in one bar are not told apart: its further groups are treated as if they went through the whole tune. */
    private static final int MOST_COMBINATIONS = 64;

    /** Notes that are to have one fingering; {@code bar} is −1 where that holds for the whole tune. */
    private record Key(int bar, List<Place> places) {}

    private final List<List<Integer>> groups = new ArrayList<>();
    private final List<Integer> options = new ArrayList<>();
    private final int[] groupOf;
    private final int[] combinations;
    private final int[] runOf;
    private final int[] strideOf;
    private final int[] localSize;

    private OneFingering(int stages) {
        groupOf = new int[stages];
        combinations = new int[stages];
        runOf = new int[stages];
        strideOf = new int[stages];
        localSize = new int[stages];
        Arrays.fill(groupOf, -1);
        Arrays.fill(combinations, 1);
        Arrays.fill(runOf, -1);
    }

    /** Whether the fingering of a stage is left to its place by the player's school. */
    interface ByPlace {
        boolean is(List<Place> places);
    }

    /**
     * The groups of a tune's notes.
     *
     * @param places the places of each stage
     * @param bars the bar of each stage, which never falls
     * @param free whether a stage belongs to a group at all: not where the teacher keeps a habit for its pitch, which says the same and more
     */
    static OneFingering of(List<List<Place>> places, int[] bars, boolean[] free, ByPlace byPlace) {
        OneFingering made = new OneFingering(places.size());
        Map<Key, List<Integer>> all = new LinkedHashMap<>();
        for (int s = 0; s < places.size(); s++) {
            if (free[s] && places.get(s).size() > 1) {
                all.computeIfAbsent(new Key(byPlace.is(places.get(s)) ? bars[s] : -1, places.get(s)), k -> new ArrayList<>()).add(s);
            }
        }
        all.values().removeIf(stages -> stages.size() < 2);
        Map<Integer, Integer> combinations = new HashMap<>();
        all.forEach((key, stages) -> {
            int sofar = combinations.getOrDefault(key.bar(), 1);
            int size = key.places().size();
            if (key.bar() >= 0 && sofar * size <= MOST_COMBINATIONS) {
                stages.forEach(s -> {
                    made.strideOf[s] = sofar;
                    made.localSize[s] = size;
                });
                combinations.put(key.bar(), sofar * size);
            } else {
                stages.forEach(s -> made.groupOf[s] = made.groups.size());
                made.groups.add(stages);
                made.options.add(size);
            }
        });
        for (int s = 0; s < bars.length; s++) {
            int here = combinations.getOrDefault(bars[s], 1);
            if (here > 1) {
                made.combinations[s] = here;
                made.runOf[s] = bars[s];
            }
        }
        return made;
    }

    /** How many groups go through the whole tune. */
    int groups() {
        return groups.size();
    }

    /** Among how many fingerings the leader of a group is chosen. */
    int options(int group) {
        return options.get(group);
    }

    /** The stages of a group. */
    List<Integer> stages(int group) {
        return groups.get(group);
    }

    /** How many combinations of leaders there are in the bar of a stage. */
    int combinations(int stage) {
        return stage < combinations.length ? combinations[stage] : 1;
    }

    /** Whether a stage has to be in the combination of the stage before it. */
    boolean isJoined(int stage) {
        return stage > 0 && stage < runOf.length && runOf[stage] >= 0 && runOf[stage] == runOf[stage - 1];
    }

    /**
     * How many times a stage is fingered otherwise than its leader: 0 or 1.
     *
     * @param leaders the leader of each group through the whole tune, −1 where it is not chosen yet, which costs nothing
     */
    int odd(int stage, int place, int combination, int[] leaders) {
        if (stage >= groupOf.length) {
            return 0;
        }
        if (localSize[stage] > 0) {
            return combination / strideOf[stage] % localSize[stage] == place ? 0 : 1;
        }
        int group = groupOf[stage];
        return group < 0 || leaders.length == 0 || leaders[group] < 0 || leaders[group] == place ? 0 : 1;
    }

    /** How many of a group's notes are fingered otherwise than most of them, where {@code place} tells the place of a stage. */
    int odd(int group, java.util.function.IntUnaryOperator place) {
        int[] used = new int[options(group)];
        stages(group).forEach(s -> used[place.applyAsInt(s)]++);
        return stages(group).size() - Arrays.stream(used).max().orElse(0);
    }
}
