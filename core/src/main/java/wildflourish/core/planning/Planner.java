package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Timeline;

/**
 * Chooses the place of each note so that the whole tune costs the hands least: an exact shortest path over the places of
 * each note. A note tied to the one before keeps its place. What the teacher has chosen stands, and the rest adapts.
 */
public final class Planner {

    private Planner() {}

    /** The cheapest plan in the usual school, nothing chosen. */
    public static FingeringPlan plan(Timeline tune, Instrument instrument) {
        return plan(tune, instrument, School.USUAL, Choices.NONE);
    }

    /** Which places of a note will do. */
    public interface Demand {
        boolean allows(int note, Place place);
    }

    /** The cheapest plan; of two equally cheap ones, the one that stays with the usual places longer. */
    public static FingeringPlan plan(Timeline tune, Instrument instrument, School school, Choices choices) {
        return plan(tune, instrument, school, choices, (note, place) -> true);
    }

    /** The cheapest plan among those in which as few notes as possible lie where the demand does not allow them. */
    public static FingeringPlan plan(
            Timeline tune, Instrument instrument, School school, Choices choices, Demand demand) {
        return plan(tune, instrument, school, choices, demand, Optional.empty());
    }

    /**
     * As above, made anew from a plan of the same tune for the same instrument, school and choices under another demand: what
     * each step from place to place costs is known from there.
     */
    public static FingeringPlan again(
            FingeringPlan plan, Timeline tune, School school, Choices choices, Demand demand) {
        return plan(tune, plan.instrument(), school, choices, demand, plan.workings());
    }

    private static FingeringPlan plan(
            Timeline tune, Instrument instrument, School school, Choices choices, Demand demand, Optional<Workings> before) {
        if (!instrument.hasHands()) {
            return FingeringPlan.asWritten(tune, instrument);
        }
        List<Integer> notes = new ArrayList<>();
        List<List<Place>> places = new ArrayList<>();
        List<Place> chosen = new ArrayList<>(Collections.nCopies(tune.size(), null));
        int limit = highestShift(tune, instrument);
        for (Timeline.Stand stand : tune.notes()) {
            List<Place> all = instrument.layout().places(stand.pitch()).stream().filter(p -> isThere(p, instrument, school, limit)).toList();
            if (all.isEmpty()) {
                chosen.set(stand.index(), new Place.Missing(instrument.whyMissing(stand.pitch())));
            } else if (!stand.heldOver()) {
                notes.add(stand.index());
                places.add(all);
            }
        }
        Solving solving = new Solving(tune, instrument, school, choices, notes, places, before);
        Workings workings = solving.best(demand);
        List<Place> path = workings.best();
        for (int s = 0; s < notes.size(); s++) {
            chosen.set(notes.get(s), path.get(s));
        }
        for (int i = 1; i < chosen.size(); i++) {
            if (chosen.get(i) == null) {
                chosen.set(i, chosen.get(i - 1));
            }
        }
        return new FingeringPlan(instrument, chosen, workings, solving.odd(workings), (note, place) -> solving.extra(workings, demand, note, place));
    }

    /** How far up the neck the hand has to be ready to go: no farther than the tune's notes ask. */
    private static int highestShift(Timeline tune, Instrument instrument) {
        if (!(instrument.layout() instanceof Neck neck)) {
            return 0;
        }
        return Math.max(neck.roam(), tune.notes().stream()
                .mapToInt(n -> neck.places(n.pitch()).stream()
                        .mapToInt(p -> ((Place.Stopped) p).shift()).min().orElse(0))
                .max().orElse(0));
    }

    /** Whether a place is near enough for the hand, and not that of an instrument made otherwise. */
    private static boolean isThere(Place place, Instrument instrument, School school, int limit) {
        return switch (place) {
            case Place.Stopped s -> s.shift() <= limit;
            case Place.Fingered f -> !f.fingering().isBarred(instrument, school);
            case Place.Pressed p -> true;
            case Place.AsWritten w -> true;
            case Place.Missing m -> true;
        };
    }

    /** What a row of places costs, one after another, in the usual school; none may be {@link Place.Missing}. */
    static int cost(Instrument instrument, School school, List<Place> places) {
        Hands hands = Hands.of(instrument, school);
        Weights.Sum sum = Weights.of(instrument, school).new Sum();
        IntStream.range(0, places.size()).forEach(i -> {
            hands.alone(places.get(i), sum);
            if (i > 0) {
                hands.between(i > 1 && hands.looksBack() ? places.get(i - 2) : null, places.get(i - 1), places.get(i),
                        sum);
            }
        });
        return sum.take();
    }
}
