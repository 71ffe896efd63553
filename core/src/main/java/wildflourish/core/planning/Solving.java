package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
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
    private final OneFingering one;
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
        this.one = oneFingering();
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
        return solve(leanings, chosen, new int[0]);
    }

    private Workings solve(Leanings leanings, Choices chosen, int[] leaders) {
        Workings workings = new Workings(tune, instrument, school, chosen, leanings, notes, places, one, leaders, before);
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

    /** What notes cost that are fingered otherwise than most notes of their pitch. */
    int odd(Workings plan) {
        return plan.odd() * plan.weight(Term.ODD_FINGERING);
    }

    /**
     * A part of the search for the cheapest plan.
     *
     * @param leaders which fingering leads each group, −1 where that is open
     * @param plan the cheapest with these leaders, open groups costing nothing: no plan of this part is cheaper
     */
    private record Part(int[] leaders, Workings plan) {}

    /**
     * The cheapest plan of all, notes that are fingered otherwise than most of their group counted: exact, by branch and bound. A group's
     * leader is decided only where a plan that leaves it open fingers the group two ways. The part whose bound is least is looked at
     * next, so the first plan that costs no more than its own bound is the cheapest; parts that cannot be cheaper than the best plan
     * known are left.
     */
    private Workings withOneFingering(Leanings leanings, Choices chosen) {
        int[] open = new int[one.groups()];
        Arrays.fill(open, -1);
        PriorityQueue<Part> parts = new PriorityQueue<>(Comparator.comparingInt((Part p) -> p.plan().total()));
        Part first = new Part(open, solve(leanings, chosen, open));
        parts.add(first);
        Workings best = first.plan();
        int least = whole(first);
        while (!parts.isEmpty() && parts.peek().plan().total() < least) {
            Part part = parts.remove();
            int group = mostDivided(part);
            for (int leader = 0; leader < one.options(group); leader++) {
                int[] leaders = part.leaders().clone();
                leaders[group] = leader;
                Part next = new Part(leaders, solve(leanings, chosen, leaders));
                int cost = whole(next);
                if (cost < least) {
                    least = cost;
                    best = next.plan();
                }
                if (next.plan().total() < least) {
                    parts.add(next);
                }
            }
        }
        return best;
    }

    /** What the plan of a part costs with its open groups counted. */
    private int whole(Part part) {
        int odd = 0;
        for (int group = 0; group < one.groups(); group++) {
            odd += part.leaders()[group] < 0 ? part.plan().odd(group) : 0;
        }
        return part.plan().total() + odd * part.plan().weight(Term.ODD_FINGERING);
    }

    /** The open group of which most notes are fingered otherwise than the others; there is one where a plan costs more than its bound. */
    private int mostDivided(Part part) {
        int most = -1;
        for (int group = 0; group < one.groups(); group++) {
            if (part.leaders()[group] < 0 && (most < 0 || part.plan().odd(group) > part.plan().odd(most))) {
                most = group;
            }
        }
        return most;
    }

    private OneFingering oneFingering() {
        if (instrument.chart().isEmpty()) {
            return OneFingering.NONE;
        }
        boolean[] free = new boolean[notes.size()];
        for (int s = 0; s < free.length; s++) {
            free[s] = choices.habit(instrument, tune.note(notes.get(s)).pitch()).isEmpty();
        }
        return OneFingering.of(places, notes.stream().mapToInt(n -> tune.note(n).bar()).toArray(), free, this::leftToPlace);
    }

    /** Whether the player takes whichever fingering lies best between its neighbours. */
    private boolean leftToPlace(List<Place> here) {
        return here.stream().anyMatch(p -> p instanceof Place.Fingered f
                && f.fingering().choice().filter(c -> instrument.school(c, school).equals(WindHands.BY_PLACE)).isPresent());
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
