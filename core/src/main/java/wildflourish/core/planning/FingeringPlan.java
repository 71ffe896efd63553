package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Timeline;

/** The place of every written note of a tune, with what was weighed. Never changes; reasons are worked out when asked. */
public final class FingeringPlan {

    private final Instrument instrument;
    private final List<Place> places;
    private final Optional<Workings> workings;
    private final Dearer dearer;
    private final int cost;
    private final int odd;
    /** Worked out once a note, when first asked for. */
    private final AtomicReferenceArray<List<Alternative>> alternatives;
    private final AtomicReferenceArray<List<Place>> elsewhere;

    /** How much dearer a plan gets with a note elsewhere; empty where the workings know it themselves. */
    interface Dearer {
        Optional<Integer> by(int note, Place place);
    }

    FingeringPlan(Instrument instrument, List<Place> places, @Nullable Workings workings, int odd, Dearer dearer) {
        this.dearer = dearer;
        this.instrument = instrument;
        this.places = List.copyOf(places);
        this.alternatives = new AtomicReferenceArray<>(this.places.size());
        this.elsewhere = new AtomicReferenceArray<>(this.places.size());
        this.workings = Optional.ofNullable(workings);
        this.odd = odd;
        this.cost = workings == null ? 0 : workings.cost(workings.best()) + odd;
    }

    static FingeringPlan asWritten(Timeline tune, Instrument instrument) {
        return new FingeringPlan(instrument, Collections.nCopies(tune.size(), new Place.AsWritten()), null, 0, (note, place) -> Optional.empty());
    }

    public Instrument instrument() {
        return instrument;
    }

    Optional<Workings> workings() {
        return workings;
    }

    /** One for each note of the tune's timeline, by its index. */
    public List<Place> places() {
        return places;
    }

    public Place at(int note) {
        return places.get(note);
    }

    /** What the whole plan costs the hands, in the units of the planner's data. */
    public int cost() {
        return cost;
    }

    /** What the plan spends, the dearest first: together its {@link #cost}. Nothing on no instrument. */
    public List<Spent> spent() {
        return workings.map(w -> w.spent(odd)).orElse(List.of());
    }

    /** The fingering of a note, where it has one. */
    public Optional<Fingering> fingering(int note) {
        return at(note) instanceof Place.Fingered fingered ? Optional.of(fingered.fingering()) : Optional.empty();
    }

    /** Which way the bellows go on a note, where that matters. */
    public Optional<Bellows> bellows(int note) {
        return at(note) instanceof Place.Pressed pressed ? pressed.direction() : Optional.empty();
    }

    /** The notes the instrument does not have. */
    public List<Integer> missing() {
        return IntStream.range(0, places.size()).filter(i -> places.get(i) instanceof Place.Missing).boxed().toList();
    }

    /** Whether the teacher chose the place of a note. */
    public boolean isChosen(int note) {
        return workings.map(w -> w.isChosen(note)).orElse(false);
    }

    /** The other places of a note, the cheapest first; none for a note held over, missing, or on no instrument. */
    public List<Alternative> alternatives(int note) {
        List<Alternative> known = alternatives.get(note);
        if (known == null) {
            known = workings.map(w -> exactly(note, w.alternatives(note))).orElse(List.of());
            alternatives.set(note, known);
        }
        return known;
    }

    private List<Alternative> exactly(int note, List<Alternative> all) {
        return all.stream().map(a -> new Alternative(a.place(), dearer.by(note, a.place()).orElse(a.extra())))
                .sorted(java.util.Comparator.comparingInt(Alternative::extra)).toList();
    }

    /** The other places of a note in the order of what they cost between the places that its neighbours have. */
    public List<Place> elsewhere(int note) {
        List<Place> known = elsewhere.get(note);
        if (known == null) {
            known = workings.map(w -> w.alternatives(note).stream().map(Alternative::place).toList()).orElse(List.of());
            elsewhere.set(note, known);
        }
        return known;
    }

    /** Every place that the plan could have given a note, the usual ones first; none for a note held over or missing. */
    public List<Place> placesOf(int note) {
        return workings.map(w -> w.placesOf(note)).orElse(List.of());
    }

    /**
     * What the plan saves against the cheapest plan with an alternative: {@code saves 2 string crossings, for a fourth
     * finger}.
     */
    public String against(int note, Alternative alternative) {
        return workings.orElseThrow().comparison(note, alternative.place());
    }

    /** Why a note is played where it is, as a sentence without its full stop; empty on no instrument. */
    public String why(int note) {
        return switch (at(note)) {
            case Place.AsWritten w -> "";
            case Place.Missing m -> m.why();
            case Place.Fingered f -> reason(note);
            case Place.Stopped s -> reason(note);
            case Place.Pressed p -> reason(note);
        };
    }

    private String reason(int note) {
        List<Alternative> all = alternatives(note);
        if (all.isEmpty()) {
            return "the only place for it";
        }
        Alternative other = all.stream().filter(a -> isElsewhere(at(note), a.place())).findFirst()
                .orElse(all.getFirst());
        String comparison = against(note, other);
        if (isChosen(note)) {
            return "your choice; beside %s it %s".formatted(other.place().inWords(), comparison);
        }
        return "rather than %s: %s".formatted(other.place().inWords(), comparison);
    }

    /** Whether two places differ by more than the finger. */
    private static boolean isElsewhere(Place a, Place b) {
        return switch (a) {
            case Place.Pressed p -> b instanceof Place.Pressed q
                    && !(p.button().equals(q.button()) && p.direction().equals(q.direction()));
            case Place.Stopped s -> b instanceof Place.Stopped t && (s.index() != t.index() || s.above() != t.above());
            case Place.Fingered f -> true;
            case Place.AsWritten w -> true;
            case Place.Missing m -> true;
        };
    }

    /** Notes that lie on no button in the bellows direction that both their neighbours have. */
    public List<Trap> traps() {
        List<Trap> traps = new ArrayList<>();
        for (int i = 1; i + 1 < places.size(); i++) {
            Optional<Bellows> before = bellows(i - 1);
            Optional<Bellows> here = bellows(i);
            boolean turns = before.isPresent() && here.isPresent() && before.equals(bellows(i + 1))
                    && !before.equals(here);
            if (turns && alternatives(i).stream().noneMatch(a -> a.place() instanceof Place.Pressed p
                    && p.direction().equals(before))) {
                traps.add(new Trap(i, Trap.BELLOWS_FORCED,
                        "on no button while you %s, as its neighbours are played".formatted(before.get().word()),
                        "turn the bellows to %s for this note alone".formatted(here.get().word())));
            }
        }
        return traps;
    }

    /** Fingers to keep down while another string sounds, because the next note but one wants them again. */
    public List<Integer> planted() {
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i + 2 < places.size(); i++) {
            if (at(i) instanceof Place.Stopped before && at(i + 1) instanceof Place.Stopped from
                    && at(i + 2) instanceof Place.Stopped to && !to.isOpen()
                    && BowedHands.isWorthPlanting(before, from, to)) {
                all.add(i);
            }
        }
        return all;
    }
}
