package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.TuneType;

/**
 * Solves a plan under what the shortest path from note to note cannot see: that a wind player keeps to one fingering for one
 * note, that the same bar is played in the same places, and that the bellows have only so much travel.
 */
final class Solving {

    /** Rows of fingerings that are tried against each other at most; beyond that the further notes are left as they fall. */
    private static final int MOST_TRIED = 64;
    private static final int SHORTEST_FIGURE = 3;
    private static final int MOST_SPARED = 32;
    private static final double GRAIN_MS = 100;
    /** How much of the bellows' travel a stretch may use before the plan looks for another way, from memory. */
    private static final double ENOUGH_TRAVEL = 0.9;

    private final Timeline tune;
    private final Instrument instrument;
    private final School school;
    private final Choices choices;
    private final List<Integer> notes;
    private final List<List<Place>> places;
    private Optional<Workings> before;

    /** {@code before} are workings for the same notes and places in the same hands, if there are any. */
    Solving(
            Timeline tune, Instrument instrument, School school, Choices choices, List<Integer> notes,
            List<List<Place>> places, Optional<Workings> before) {
        this.before = before;
        this.tune = tune;
        this.instrument = instrument;
        this.school = school;
        this.choices = choices;
        this.notes = notes;
        this.places = places;
    }

    /** The cheapest plan under a demand. */
    Workings best(Planner.Demand demand) {
        Leanings leanings = Leanings.of(demand);
        if (instrument.chart().isPresent()) {
            return withOneFingering(leanings, choices);
        }
        Workings first = solve(leanings, choices);
        Map<Integer, Place> figures = figures(first.best());
        if (!figures.isEmpty()) {
            leanings = leanings.withFigures(figures);
            first = solve(leanings, choices);
        }
        return instrument.layout() instanceof ButtonBoard board && board.travelSeconds().isPresent()
                ? withinTravel(first, leanings, board.travelSeconds().getAsDouble()) : first;
    }

    private Workings solve(Leanings leanings, Choices chosen) {
        Workings workings = new Workings(tune, instrument, school, chosen, leanings, notes, places, before);
        before = Optional.of(workings);
        return workings;
    }

    /** How much dearer the whole plan gets when a note is played at another place. */
    Optional<Integer> extra(Workings best, Planner.Demand demand, int note, Place place) {
        if (instrument.chart().isEmpty()) {
            return Optional.empty();
        }
        Choices with = choices.with(instrument, note, Optional.of(place.text()));
        Workings other = withOneFingering(Leanings.of((n, p) -> n == note || demand.allows(n, p)), with);
        return Optional.of(other.cost(other.best()) + odd(other) - best.cost(best.best()) - odd(best));
    }

    /** What notes cost that are fingered otherwise than the other notes of their pitch, because they have to be. */
    int odd(Workings plan) {
        Map<Group, Map<Place, Integer>> used = new HashMap<>();
        List<Place> path = plan.best();
        for (int s = 0; s < notes.size(); s++) {
            if (places.get(s).size() > 1 && instrument.chart().isPresent()) {
                used.computeIfAbsent(group(s), g -> new HashMap<>()).merge(path.get(s), 1, Integer::sum);
            }
        }
        int odd = used.values().stream().mapToInt(u -> u.values().stream().mapToInt(n -> n).sum()
                - u.values().stream().mapToInt(n -> n).max().orElse(0)).sum();
        return odd * plan.weight(Term.ODD_FINGERING);
    }

    private Group group(int stage) {
        return new Group(tune.note(notes.get(stage)).pitch().midi(), leftToPlace(places.get(stage)) ? tune.note(notes.get(stage)).bar() : -1);
    }

    /** Notes that are to have one fingering: those of one pitch, of a pitch that a school leaves to its place those of a bar. */
    private record Group(int midi, int bar) {}

    /**
     * The cheapest of the plans in which each group of notes has one fingering. Groups are bound only once a plan that leaves
     * them free plays them two ways; that plan was cheaper than any that binds them, so the first that needs no more
     * binding is the cheapest of all.
     */
    private Workings withOneFingering(Leanings leanings, Choices chosen) {
        Map<Group, List<Integer>> groups = groups(chosen);
        Map<Group, Set<Place>> bound = new LinkedHashMap<>();
        while (true) {
            @Nullable Workings best = null;
            for (Map<Group, Place> row : rows(bound)) {
                Workings one = solve(row.isEmpty() ? leanings : leanings.with(bind(leanings.demand(), groups, row)), chosen);
                if (best == null || one.total() < best.total()) {
                    best = one;
                }
            }
            boolean more = false;
            List<Place> path = Objects.requireNonNull(best).best();
            for (Map.Entry<Group, List<Integer>> group : groups.entrySet()) {
                Set<Place> used = new LinkedHashSet<>();
                group.getValue().forEach(stage -> used.add(path.get(stage)));
                if (used.size() > 1 && !bound.containsKey(group.getKey())) {
                    List<Place> all = places.get(group.getValue().getFirst());
                    if (rows(bound).size() * all.size() <= MOST_TRIED) {
                        bound.put(group.getKey(), new LinkedHashSet<>(all));
                        more = true;
                    }
                }
            }
            if (!more) {
                return best;
            }
        }
    }

    private Map<Group, List<Integer>> groups(Choices chosen) {
        Map<Group, List<Integer>> groups = new LinkedHashMap<>();
        for (int s = 0; s < notes.size(); s++) {
            int note = notes.get(s);
            List<Place> here = places.get(s);
            boolean free = here.size() > 1 && chosen.at(instrument, note).isEmpty();
            if (free) {
                groups.computeIfAbsent(group(s), g -> new ArrayList<>()).add(s);
            }
        }
        groups.values().removeIf(g -> g.size() < 2);
        return groups;
    }

    /** Whether the player takes whichever fingering lies best between its neighbours. */
    private boolean leftToPlace(List<Place> here) {
        return here.stream().anyMatch(p -> p instanceof Place.Fingered f
                && f.fingering().choice().filter(c -> instrument.school(c, school).equals(WindHands.BY_PLACE)).isPresent());
    }

    private static List<Map<Group, Place>> rows(Map<Group, Set<Place>> bound) {
        List<Map<Group, Place>> rows = new ArrayList<>(List.of(Map.of()));
        for (Map.Entry<Group, Set<Place>> group : bound.entrySet()) {
            List<Map<Group, Place>> more = new ArrayList<>();
            for (Map<Group, Place> row : rows) {
                for (Place place : group.getValue()) {
                    Map<Group, Place> longer = new HashMap<>(row);
                    longer.put(group.getKey(), place);
                    more.add(longer);
                }
            }
            rows = more;
        }
        return rows;
    }

    private Planner.Demand bind(Planner.Demand demand, Map<Group, List<Integer>> groups, Map<Group, Place> row) {
        Map<Integer, Place> byNote = new HashMap<>();
        row.forEach((group, place) -> Objects.requireNonNull(groups.get(group)).forEach(stage -> byNote.put(notes.get(stage), place)));
        return (note, place) -> {
            Place bound = byNote.get(note);
            return demand.allows(note, place) && (bound == null || bound.equals(place) || !demand.allows(note, bound));
        };
    }

    /** For each note of a bar that stands earlier in the tune as well, where it was played there. */
    private Map<Integer, Place> figures(List<Place> path) {
        Map<Integer, Place> byNote = new HashMap<>();
        for (int s = 0; s < notes.size(); s++) {
            byNote.put(notes.get(s), path.get(s));
        }
        Map<List<Object>, Integer> known = new HashMap<>();
        Map<Integer, Place> figures = new HashMap<>();
        for (int bar = 0; bar < tune.tune().bars().size(); bar++) {
            List<Object> content = new ArrayList<>();
            for (Element element : tune.tune().bars().get(bar).elements()) {
                content.add(element.length());
                content.add(element instanceof Note note ? note.pitch().midi() : -1);
            }
            int first = tune.barStarts().get(bar);
            int end = bar + 1 < tune.barStarts().size() ? tune.barStarts().get(bar + 1) : tune.size();
            Integer model = known.putIfAbsent(content, first);
            if (model != null && end - first >= SHORTEST_FIGURE) {
                for (int n = first; n < end; n++) {
                    Place there = byNote.get(model + n - first);
                    if (there != null && byNote.containsKey(n)) {
                        figures.put(n, there);
                    }
                }
            }
        }
        return figures;
    }

    /**
     * Where a stretch of the tune takes more travel of the bellows than they have: the cheapest plan that stays within it as far as
     * may be. The other direction than it goes in is made dearer until the plan follows, so that whatever is asked of the plan
     * later is answered with the bellows in mind.
     */
    private Workings withinTravel(Workings first, Leanings leanings, double seconds) {
        double least = tooMuch(first.best(), seconds);
        if (least == 0) {
            return first;
        }
        List<Place> turned = first.bestWithin(grains(), (int) (seconds * ENOUGH_TRAVEL * 1000 / GRAIN_MS));
        Workings best = first;
        for (int times = 1; times <= MOST_SPARED && least > tooMuch(turned, seconds); times *= 2) {
            Map<Integer, Leanings.Strain> strains = new HashMap<>();
            for (int s = 0; s < turned.size(); s++) {
                int note = notes.get(s);
                int strain = times;
                Workings.bellows(turned.get(s)).ifPresent(d -> strains.put(note, new Leanings.Strain(d.other(), strain)));
            }
            Workings now = solve(leanings.sparing(strains), choices);
            double over = tooMuch(now.best(), seconds);
            if (over < least) {
                least = over;
                best = now;
            }
        }
        return best;
    }

    /** How long the stages last, in grains of time that add up. */
    private int[] grains() {
        Tempo tempo = TuneType.tempoOf(tune.tune().head());
        int[] grains = new int[notes.size()];
        double exact = 0;
        long counted = 0;
        for (int s = 0; s < grains.length; s++) {
            exact += tempo.millis(tune.note(notes.get(s)).sounding()).toDouble() / GRAIN_MS;
            grains[s] = (int) (Math.round(exact) - counted);
            counted = Math.round(exact);
        }
        return grains;
    }

    /** By how many seconds the longest way of the bellows in one direction is too much. */
    private double tooMuch(List<Place> path, double travel) {
        Tempo tempo = TuneType.tempoOf(tune.tune().head());
        double worst = 0;
        for (Bellows direction : Bellows.values()) {
            double sum = 0;
            for (int s = 0; s < path.size(); s++) {
                double lasts = tempo.millis(tune.note(notes.get(s)).sounding()).toDouble() / 1000;
                boolean same = Workings.bellows(path.get(s)).filter(direction::equals).isPresent();
                sum = Math.max(0, sum) + (same ? lasts : -lasts);
                worst = Math.max(worst, sum - travel * ENOUGH_TRAVEL);
            }
        }
        return worst;
    }
}
