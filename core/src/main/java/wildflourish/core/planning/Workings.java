package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Timeline;

/**
 * The ways a plan could have gone. Each stage is a note that has to be played; where the hands look back, an option is a
 * place together with the place before it.
 */
final class Workings {

    /** What it costs to go against the teacher's own choice; left out of every cost that is shown. */
    private static final int AGAINST_CHOICE = 1 << 20;

    /** What it costs to lie where an ornament cannot be done; left out of every cost that is shown. */
    private static final int AGAINST_DEMAND = 1 << 16;

    private static final int[] NO_LEADERS = {};

    private final Instrument instrument;
    private final Hands hands;
    private final Weights weights;
    private final Leanings leanings;
    private final List<Integer> notes;
    private final List<List<Place>> places;
    private final List<Optional<String>> chosen;
    private final List<Optional<String>> habits;
    /** The places of each stage, and how many places before it each of them is told apart by. */
    private final Place[][] byStage;
    private final int[] widths;
    private final OneFingering one;
    /** The fingering of most notes of each group; −1 where it is not decided. */
    private final int[] leaders;
    /** What each place of each stage costs by itself, what goes against a choice included, what goes against a demand left out. */
    private final int[][] own;
    private final Choices choices;
    private final int[][][] step;
    private final ShortestPath paths;
    private final int[] path;

    /** {@code before} are workings for the same notes and places in the same hands, from which the steps are taken over. */
    Workings(
            Timeline tune, Instrument instrument, School school, Choices choices, Leanings leanings,
            List<Integer> notes, List<List<Place>> places, OneFingering one, int[] leaders, Optional<Workings> before) {
        this.one = one;
        this.leaders = leaders;
        this.instrument = instrument;
        this.notes = notes;
        this.places = places;
        this.leanings = leanings;
        this.choices = choices;
        if (before.isPresent() && before.get().choices.equals(choices) && before.get().leanings.with(leanings.demand()).equals(leanings)) {
            // Only what is demanded of the notes is another: what their places cost is known.
            Workings known = before.get();
            this.hands = known.hands;
            this.weights = known.weights;
            this.chosen = known.chosen;
            this.habits = known.habits;
            this.byStage = known.byStage;
            this.widths = known.widths;
            this.own = known.own;
            this.step = known.step;
            this.paths = new ShortestPath(new Steps(), step);
            this.path = paths.path();
            return;
        }
        this.hands = Hands.of(instrument, school);
        this.weights = Weights.of(instrument, school);
        this.chosen = new ArrayList<>();
        this.habits = new ArrayList<>();
        for (int s = 0; s < notes.size(); s++) {
            List<Place> here = places.get(s);
            chosen.add(choices.at(instrument, notes.get(s)).filter(c -> stands(c, here)));
            habits.add(choices.habit(instrument, tune.note(notes.get(s)).pitch()).filter(h -> stands(h, here)));
        }
        this.byStage = places.stream().map(p -> p.toArray(Place[]::new)).toArray(Place[][]::new);
        this.widths = new int[byStage.length];
        for (int s = 0; s < widths.length; s++) {
            widths[s] = hands.looksBack() ? s > 0 ? byStage[s - 1].length : 1 : one.combinations(s);
        }
        this.own = new int[byStage.length][];
        Weights.Sum sum = weights.new Sum();
        for (int s = 0; s < own.length; s++) {
            own[s] = new int[byStage[s].length];
            for (int p = 0; p < own[s].length; p++) {
                Place place = byStage[s][p];
                own(s, place, sum);
                own[s][p] = sum.take() + (chosen.get(s).filter(c -> !c.equals(place.text())).isPresent() ? AGAINST_CHOICE : 0);
            }
        }
        this.step = before.map(b -> b.step).orElseGet(() -> ShortestPath.steps(new Steps()));
        this.paths = new ShortestPath(new Steps(), step);
        this.path = paths.path();
    }

    private static boolean stands(String text, List<Place> places) {
        return places.stream().anyMatch(p -> p.text().equals(text));
    }

    private int width(int stage) {
        return widths[stage];
    }

    private Place place(int stage, int option) {
        return widths[stage] == 1 ? byStage[stage][option] : byStage[stage][option / widths[stage]];
    }

    private final class Steps implements ShortestPath.Road {

        private final Weights.Sum sum = weights.new Sum();

        @Override
        public int stages() {
            return notes.size();
        }

        @Override
        public int options(int stage) {
            return byStage[stage].length * width(stage);
        }

        @Override
        public int alone(int stage, int option) {
            int odd = one.odd(stage, option / widths[stage], option % widths[stage], leaders);
            return own[stage][option / widths[stage]] + undemanded(stage, place(stage, option)) + odd * weights.of(Term.ODD_FINGERING);
        }

        @Override
        public int between(int stage, int from, int to) {
            Place before = null;
            if (hands.looksBack()) {
                int wanted = to % width(stage);
                if (from / width(stage - 1) != wanted) {
                    return ShortestPath.NEVER;
                }
                before = stage > 1 ? byStage[stage - 2][from % width(stage - 1)] : null;
            } else if (one.isJoined(stage) && from % width(stage - 1) != to % width(stage)) {
                return ShortestPath.NEVER;
            }
            hands.between(before, place(stage - 1, from), place(stage, to), sum);
            return sum.take();
        }
    }

    private int undemanded(int stage, Place place) {
        return leanings.demand().allows(notes.get(stage), place) ? 0 : AGAINST_DEMAND;
    }

    private void own(int stage, Place place, Tally tally) {
        hands.alone(place, tally);
        tally.add(Term.FIGURE, leanings.departs(notes.get(stage), place));
        tally.add(Term.BELLOWS_TRAVEL, leanings.strain(notes.get(stage), place));
        tally.add(Term.AGAINST_HABIT, habits.get(stage).filter(h -> !h.equals(place.text())).isPresent());
    }

    /** The places of the cheapest plan, stage by stage. */
    List<Place> best() {
        return along(path);
    }

    /**
     * The places of the cheapest plan in which the bellows stay within a room of so many grains as far as may be.
     *
     * @param grains for each stage how many grains it lasts
     */
    List<Place> bestWithin(int[] grains, int room) {
        int[][] moves = new int[grains.length][];
        for (int s = 0; s < grains.length; s++) {
            moves[s] = new int[byStage[s].length];
            for (int o = 0; o < moves[s].length; o++) {
                int stage = s;
                moves[s][o] = bellows(place(s, o)).map(d -> d == Bellows.PULL ? grains[stage] : -grains[stage]).orElse(0);
            }
        }
        return along(new BellowsTravel(paths.own(), step, moves, room, weights.of(Term.BELLOWS_TRAVEL)).path());
    }

    /** Which way the bellows go for a place, if they go one way. */
    static Optional<Bellows> bellows(Place place) {
        return place instanceof Place.Pressed p ? p.direction() : Optional.empty();
    }

    /** What the cheapest plan costs, what goes against choices, demands and the leaders that are decided included. */
    int total() {
        return paths.cost();
    }

    /** How many notes of a group of one fingering are fingered otherwise than most of them in the cheapest plan. */
    int odd(int group) {
        return one.odd(group, s -> path[s] / widths[s]);
    }

    /** How many notes of all groups are fingered otherwise than most of their group in the cheapest plan. */
    int odd() {
        int odd = 0;
        for (int s = 0; s < path.length; s++) {
            odd += one.odd(s, path[s] / widths[s], path[s] % widths[s], NO_LEADERS);
        }
        for (int group = 0; group < one.groups(); group++) {
            odd += odd(group);
        }
        return odd;
    }

    private List<Place> along(int[] path) {
        List<Place> all = new ArrayList<>();
        for (int s = 0; s < path.length; s++) {
            all.add(place(s, path[s]));
        }
        return all;
    }

    private Weights.Count count(List<Place> path) {
        Weights.Count count = new Weights.Count();
        tally(path, count);
        return count;
    }

    int cost(List<Place> path) {
        Weights.Sum sum = weights.new Sum();
        tally(path, sum);
        return sum.take();
    }

    private void tally(List<Place> path, Tally tally) {
        for (int s = 0; s < path.size(); s++) {
            own(s, path.get(s), tally);
            if (s > 0) {
                hands.between(hands.looksBack() && s > 1 ? path.get(s - 2) : null, path.get(s - 1), path.get(s), tally);
            }
        }
    }

    /**
     * What the cheapest plan spends, the dearest first; its costs add up to {@link #cost} of it.
     *
     * @param odd what notes cost beside that are fingered otherwise than the others of their pitch
     */
    List<Spent> spent(int odd) {
        List<Place> path = best();
        int[] count = new int[Term.values().length];
        List<List<Integer>> where = new ArrayList<>();
        for (int t = 0; t < count.length; t++) {
            where.add(new ArrayList<>());
        }
        for (int s = 0; s < path.size(); s++) {
            int note = notes.get(s);
            Tally tally = (term, times) -> {
                count[term.ordinal()] += times;
                if (times > 0) {
                    where.get(term.ordinal()).add(note);
                }
            };
            own(s, path.get(s), tally);
            if (s > 0) {
                hands.between(hands.looksBack() && s > 1 ? path.get(s - 2) : null, path.get(s - 1), path.get(s), tally);
            }
        }
        if (odd > 0) {
            count[Term.ODD_FINGERING.ordinal()] += odd / weights.of(Term.ODD_FINGERING);
        }
        List<Spent> spent = new ArrayList<>();
        for (Term term : Term.values()) {
            int times = count[term.ordinal()];
            if (times > 0 && weights.of(term) > 0) {
                spent.add(new Spent(term.id(), times, times * weights.of(term), weights.inWords(term, times), where.get(term.ordinal())));
            }
        }
        spent.sort(java.util.Comparator.comparingInt(Spent::cost).reversed());
        return spent;
    }

    private int stage(int note) {
        return java.util.Collections.binarySearch(notes, note);
    }

    boolean isChosen(int note) {
        int stage = stage(note);
        return stage >= 0 && chosen.get(stage).isPresent();
    }

    /** Every place that was weighed for a note. */
    List<Place> placesOf(int note) {
        int stage = stage(note);
        return stage < 0 ? List.of() : places.get(stage);
    }

    /** Every other place of a note, the cheapest first; of places that are called the same, the cheapest alone. */
    List<Alternative> alternatives(int note) {
        int stage = stage(note);
        if (stage < 0) {
            return List.of();
        }
        Map<Place, Integer> best = new LinkedHashMap<>();
        for (int o = 0; o < places.get(stage).size() * width(stage); o++) {
            best.merge(place(stage, o), paths.through(stage, o), Math::min);
        }
        Place taken = place(stage, path[stage]);
        int base = best.remove(taken);
        boolean free = chosen.get(stage).isEmpty();
        Map<String, Alternative> bySpot = new LinkedHashMap<>();
        best.entrySet().stream()
                .map(e -> new Alternative(e.getKey(), e.getValue() - base - (free ? 0 : AGAINST_CHOICE)
                        - undemanded(stage, e.getKey()) + undemanded(stage, taken)))
                .sorted(java.util.Comparator.comparingInt(Alternative::extra))
                .filter(a -> !a.place().inWords().equals(taken.inWords()))
                .forEach(a -> bySpot.putIfAbsent(a.place().inWords(), a));
        return List.copyOf(bySpot.values());
    }

    /** What the plan saves, and what it gives for that, against the cheapest plan with another place for a note. */
    String comparison(int note, Place other) {
        int stage = stage(note);
        int option = -1;
        for (int o = 0; o < places.get(stage).size() * width(stage); o++) {
            if (place(stage, o).equals(other)
                    && (option < 0 || paths.through(stage, o) < paths.through(stage, option))) {
                option = o;
            }
        }
        Weights.Count here = count(best());
        Weights.Count there = count(along(paths.pathThrough(stage, option)));
        List<String> saved = new ArrayList<>();
        List<String> given = new ArrayList<>();
        for (Term term : Term.values()) {
            int more = there.of(term) - here.of(term);
            if (more != 0 && weights.of(term) > 0) {
                (more > 0 ? saved : given).add(weights.inWords(term, Math.abs(more)));
            }
        }
        if (saved.isEmpty() && given.isEmpty()) {
            return "costs the hands the same";
        }
        String gain = saved.isEmpty() ? "saves nothing" : "saves " + Sentence.listed(saved);
        return given.isEmpty() ? gain : gain + ", for " + Sentence.listed(given);
    }

    int weight(Term term) {
        return weights.of(term);
    }

    Instrument instrument() {
        return instrument;
    }
}
