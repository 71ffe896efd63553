package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Which finger of the plucking hand takes each note of a tune: each has strings of its own, and no finger plucks two notes
 * running where another can take one of them. Exact, by the same shortest path as the places.
 */
final class Plucking {

    /**
     * @param fingers their names, the thumb first
     * @param homes for each string from the short one, or the lowest, on: which fingers it belongs to, the first choice first
     * @param away for each step from the first choice
     * @param again for the same finger twice running on notes no longer than a quaver
     * @param againSlow the same on longer notes
     */
    record Rules(
            String provenance, List<String> fingers, List<List<Integer>> homes, int away, int again, int againSlow) {}

    private static final Rules RULES = DataFile.read("planning/plucking.json", Rules.class);
    private static final Ratio QUAVER = Ratio.of(1, 8);

    private Plucking() {}

    /** One for each note of the timeline; empty where none is made. */
    static List<Optional<String>> of(Timeline tune, List<Place> places) {
        List<Stand> notes = tune.notes().stream().filter(n -> !n.heldOver() && places.get(n.index()) instanceof Place.Stopped).toList();
        int[] path = new ShortestPath(new ShortestPath.Road() {
            @Override
            public int stages() {
                return notes.size();
            }

            @Override
            public int options(int stage) {
                return RULES.fingers().size();
            }

            @Override
            public int alone(int stage, int finger) {
                int string = Math.min(RULES.homes().size() - 1, ((Place.Stopped) places.get(notes.get(stage).index())).index());
                int at = RULES.homes().get(string).indexOf(finger);
                return RULES.away() * (at < 0 ? RULES.fingers().size() : at);
            }

            @Override
            public int between(int stage, int from, int to) {
                return from != to ? 0 : QUAVER.isLess(notes.get(stage - 1).sounding()) ? RULES.againSlow() : RULES.again();
            }
        }).path();
        List<Optional<String>> fingers = new ArrayList<>(Collections.nCopies(tune.size(), Optional.empty()));
        for (int i = 0; i < path.length; i++) {
            fingers.set(notes.get(i).index(), Optional.of(RULES.fingers().get(path[i])));
        }
        return fingers;
    }
}
