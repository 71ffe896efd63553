package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Bow directions: the written slurs in one bow each, down-bows on the first beats, over the tune as it is played out with its
 * repeats and endings; where neither comes out by itself the fewest and best slurs to add or to split. A note has one bow,
 * however often it is played, so a repeat is met on the bow it was begun with. Exact: each stretch that is always played in
 * one go is solved by dynamic programming for every way to begin and to end, then the stretches are put together the same way.
 */
final class Bowing {

    /** What goes against the grain; weights without a unit. */
    record Costs(
            String provenance, int upOnFirstBeat, int upInMidBar, int slurAdded, int slurSplit, int retake) {}

    private static final Costs COSTS = DataFile.read("planning/bowing.json", Costs.class);
    private static final Ratio QUAVER = Ratio.of(1, 8);
    private static final int NEVER = ShortestPath.NEVER;

    /** Four ways to play a note: a new bow down or up, or joined to the note before on a down-bow or an up-bow. */
    private static final int WAYS = 4;

    private final Timeline tune;
    private final List<Stand> notes;
    private final boolean[] slurred;
    private final boolean[] bound;
    private final boolean[] turnsInside;

    private Bowing(Timeline tune, Strokes.Asked asked) {
        this.tune = tune;
        notes = tune.notes().stream().filter(n -> !n.heldOver()).toList();
        slurred = new boolean[notes.size()];
        bound = new boolean[notes.size()];
        turnsInside = new boolean[notes.size()];
        int open = 0;
        for (int i = 0; i < notes.size(); i++) {
            bound[i] = asked.joins(notes.get(i).index());
            slurred[i] = open > 0 || bound[i];
            turnsInside[i] = asked.strokes(notes.get(i).index()) % 2 == 0;
            open = Math.max(0, open + notes.get(i).note().slursOpening() - notes.get(i).note().slursClosing());
        }
    }

    static List<Optional<Stroke>> of(Timeline tune, Strokes.Asked asked) {
        Bowing bowing = new Bowing(tune, asked);
        int[] path = bowing.solve();
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
        if (joined == slurred[i] || i == 0) {
            return Optional.empty();
        }
        String pair = "%s and %s".formatted(notes.get(i - 1).pitch().spoken(), notes.get(i).pitch().spoken());
        return Optional.of(joined ? "slur " + pair + " here, so that the down-bow falls on the beat"
                : "change the bow between " + pair + " here, so that the down-bow falls on the beat");
    }

    /**
     * A stretch that is always played from its first note to its last.
     *
     * @param from its first note
     * @param to index after its last
     */
    private record Section(int from, int to) {}

    /** One way through a section: how its first note is bowed, whether its last bow goes down, what it costs. */
    private record Way(int first, boolean endsDown, int cost, int[] path) {}

    private int[] solve() {
        List<Section> sections = new ArrayList<>();
        List<Integer> played = new ArrayList<>();
        sections(sections, played);
        Map<List<Integer>, Integer> follows = new LinkedHashMap<>();
        for (int k = 0; k + 1 < played.size(); k++) {
            follows.merge(List.of(played.get(k), played.get(k + 1)), 1, Integer::sum);
        }
        List<List<Way>> ways = sections.stream().map(this::ways).toList();
        int[] chosen = together(sections, ways, follows);
        int[] path = new int[notes.size()];
        for (int s = 0; s < sections.size(); s++) {
            int[] own = ways.get(s).get(chosen[s]).path();
            System.arraycopy(own, 0, path, sections.get(s).from(), own.length);
        }
        return path;
    }

    /** Cuts the tune where playing it out jumps, and tells in which order the stretches are played. */
    private void sections(List<Section> sections, List<Integer> played) {
        List<Integer> order = PlayOrder.of(tune.tune());
        TreeSet<Integer> cuts = new TreeSet<>(List.of(0));
        for (int k = 0; k < order.size(); k++) {
            if (k > 0 && order.get(k) != order.get(k - 1) + 1) {
                cuts.add(order.get(k));
                cuts.add(order.get(k - 1) + 1);
            }
        }
        Map<Integer, Integer> byBar = new HashMap<>();
        int from = 0;
        int open = -1;
        for (int i = 0; i <= notes.size(); i++) {
            Integer start = i == notes.size() ? Integer.valueOf(Integer.MAX_VALUE) : cuts.floor(notes.get(i).bar());
            if (open >= 0 && start != open) {
                byBar.put(open, sections.size());
                sections.add(new Section(from, i));
                from = i;
            }
            open = start;
        }
        for (int k = 0; k < order.size(); k++) {
            Integer section = byBar.get(order.get(k));
            if (section != null && cuts.contains(order.get(k))) {
                played.add(section);
            }
        }
    }

    /** The cheapest way through a section for each bowing of its first note and each direction of its last bow. */
    private List<Way> ways(Section section) {
        List<Way> all = new ArrayList<>();
        int size = section.to() - section.from();
        boolean mayBeJoined = section.from() > 0 && slurred[section.from()];
        for (int first = 0; first < (mayBeJoined ? WAYS : 2); first++) {
            int[][] came = new int[size][WAYS];
            int[] best = new int[WAYS];
            Arrays.fill(best, NEVER);
            best[first] = alone(section.from(), first);
            for (int i = 1; i < size; i++) {
                int[] next = new int[WAYS];
                for (int to = 0; to < WAYS; to++) {
                    next[to] = NEVER;
                    for (int way = 0; way < WAYS; way++) {
                        int sum = Math.min(NEVER, best[way] + between(section.from() + i, way, to));
                        if (sum < next[to]) {
                            next[to] = sum;
                            came[i][to] = way;
                        }
                    }
                    next[to] = Math.min(NEVER, next[to] + alone(section.from() + i, to));
                }
                best = next;
            }
            for (boolean down : new boolean[] {true, false}) {
                int end = -1;
                for (int way = 0; way < WAYS; way++) {
                    boolean ends = endsDown(section.to() - 1, way) == down;
                    end = ends && best[way] < NEVER && (end < 0 || best[way] < best[end]) ? way : end;
                }
                if (end >= 0) {
                    all.add(new Way(first, down, best[end], traced(came, end)));
                }
            }
        }
        return all;
    }

    private static int[] traced(int[][] came, int end) {
        int[] path = new int[came.length];
        path[came.length - 1] = end;
        for (int i = came.length - 1; i > 0; i--) {
            path[i - 1] = came[i][path[i]];
        }
        return path;
    }

    /** What has been decided of the sections so far: their ways, and what they cost. */
    private record Decided(int[] chosen, int cost) {}

    /** Chooses a way for each section, section by section; only those that a later one still has to fit are told apart. */
    private int[] together(List<Section> sections, List<List<Way>> ways, Map<List<Integer>, Integer> follows) {
        Map<List<Integer>, Decided> states = Map.of(List.of(), new Decided(new int[0], 0));
        for (int s = 0; s < sections.size(); s++) {
            Map<List<Integer>, Decided> next = new LinkedHashMap<>();
            for (Decided decided : states.values()) {
                for (int w = 0; w < ways.get(s).size(); w++) {
                    int[] chosen = Arrays.copyOf(decided.chosen(), s + 1);
                    chosen[s] = w;
                    int cost = decided.cost() + ways.get(s).get(w).cost();
                    for (Map.Entry<List<Integer>, Integer> pair : follows.entrySet()) {
                        int before = pair.getKey().get(0);
                        int after = pair.getKey().get(1);
                        if (Math.max(before, after) == s) {
                            cost += pair.getValue() * meeting(sections, ways.get(before).get(chosen[before]), after,
                                    ways.get(after).get(chosen[after]));
                        }
                    }
                    List<Integer> open = new ArrayList<>();
                    for (int earlier = 0; earlier <= s; earlier++) {
                        open.add(isOpen(earlier, s, follows) ? chosen[earlier] : -1);
                    }
                    Decided here = new Decided(chosen, Math.min(NEVER, cost));
                    next.merge(open, here, (a, b) -> a.cost() <= b.cost() ? a : b);
                }
            }
            states = next;
        }
        return states.values().stream().min(java.util.Comparator.comparingInt(Decided::cost)).orElseThrow().chosen();
    }

    private static boolean isOpen(int section, int done, Map<List<Integer>, Integer> follows) {
        return follows.keySet().stream().anyMatch(p -> p.get(0) == section && p.get(1) > done || p.get(1) == section && p.get(0) > done);
    }

    /** What it costs to go on from the end of a section to the beginning of one. */
    private int meeting(List<Section> sections, Way before, int after, Way next) {
        int stage = sections.get(after).from();
        if (isJoined(next.first())) {
            return before.endsDown() == isDown(next.first()) ? 0 : COSTS.retake();
        }
        boolean rests = stage > 0 && afterRest(stage);
        return before.endsDown() != isDown(next.first()) || rests ? 0 : COSTS.retake();
    }

    private int alone(int stage, int way) {
        if (isDown(way) || isJoined(way)) {
            return 0;
        }
        return switch (notes.get(stage).strength()) {
            case 3 -> COSTS.upOnFirstBeat();
            case 2 -> COSTS.upInMidBar();
            default -> 0;
        };
    }

    /** Whether the bow goes down at the end of a note: ornaments that take an even number of strokes turn it. */
    private boolean endsDown(int stage, int way) {
        return isDown(way) != turnsInside[stage];
    }

    private int between(int stage, int from, int to) {
        boolean before = endsDown(stage - 1, from);
        if (isJoined(to)) {
            boolean written = slurred[stage];
            boolean pairOnly = !isJoined(from) || slurred[stage - 1];
            if (before != isDown(to) || !written && !(pairOnly && mayJoin(stage))) {
                return NEVER;
            }
            return written ? 0 : COSTS.slurAdded();
        }
        if (bound[stage]) {
            return NEVER;
        }
        int split = slurred[stage] ? COSTS.slurSplit() : 0;
        return split + (before != isDown(to) || afterRest(stage) ? 0 : COSTS.retake());
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
