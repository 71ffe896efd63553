package wildflourish.core.ornament;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.planning.Strokes;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.TuneType;

/**
 * A tune in somebody's hands: its notes, the instrument, where each note lies on it, and the school of playing.
 *
 * @param strokes of bow or plectrum, note by note
 * @param tempo the tempo it is made for: what is repeated as often as time allows is repeated so often
 */
public record Situation(
        Timeline tune, Instrument instrument, FingeringPlan plan, School school, Choices choices, Strokes strokes,
        Tempo tempo) {

    public static Situation of(Timeline tune, Instrument instrument, School school) {
        return of(tune, instrument, school, Choices.NONE);
    }

    /** As {@link #of(Timeline, Instrument, School)}, with the places that the teacher has chosen. */
    public static Situation of(Timeline tune, Instrument instrument, School school, Choices choices) {
        FingeringPlan plan = Planner.plan(tune, instrument, school, choices);
        return new Situation(tune, instrument, plan, school, choices,
                Strokes.of(tune, instrument, school).plucking(tune, plan), TuneType.tempoOf(tune.tune().head()));
    }

    /** The same made for another tempo. */
    public Situation at(Tempo other) {
        return other.equals(tempo) ? this : new Situation(tune, instrument, plan, school, choices, strokes, other);
    }

    /** Whether a note is the same as one before it, which it follows without a rest, on any time through. */
    public boolean repeats(int note) {
        Stand stand = tune.note(note);
        return !stand.heldOver() && tune.passes(note).stream().anyMatch(t -> t.before(note).filter(b -> b.pitch().midi() == stand.pitch().midi()
                && b.onset().plus(b.sounding()).equals(stand.onset())).isPresent());
    }

    /** This in each of the ways in which a note is played between others, as repeats and endings have it; itself alone for most notes. */
    List<Situation> passes(int note) {
        List<Timeline> all = tune.passes(note);
        return all.size() == 1 ? List.of(this) : all.stream().map(t -> t == tune ? this : new Situation(t, instrument, plan, school, choices, strokes, tempo)).toList();
    }

    public Vocabulary vocabulary() {
        return Vocabulary.of(instrument);
    }

    public Situation with(School other) {
        return of(tune, instrument, other, choices).at(tempo);
    }

    /**
     * The same with places planned for the ornaments too: where a note's own place does not allow what stands on it, the
     * whole plan is made anew under the demand that every note lies where its ornaments can be done, as far as any place of
     * the note allows them. Where the plan allows everything already, or nothing can be mended, this situation itself.
     *
     * @param placed the ornaments of each note by its index; notes without any may be absent
     */
    public Situation playing(Map<Integer, List<Ornament>> placed) {
        Strokes struck = changesStrokes(placed) ? strokes(placed) : strokes;
        boolean elsewhere = placed.entrySet().stream().anyMatch(e -> e.getKey() < tune.size()
                && Gestures.make(this, e.getKey(), e.getValue()) instanceof Making.Made(var gesture) && gesture.moved());
        if (!elsewhere) {
            return struck == strokes ? this : new Situation(tune, instrument, plan, school, choices, struck, tempo);
        }
        Map<Integer, Set<Place>> allowed = new HashMap<>();
        placed.forEach((note, ornaments) -> {
            if (note < tune.size() && !ornaments.isEmpty()) {
                Set<Place> places = allowed(note, ornaments);
                if (!places.isEmpty()) {
                    allowed.put(note, places);
                }
            }
        });
        FingeringPlan planned = Planner.again(plan, tune, school, choices,
                (note, place) -> !allowed.containsKey(note) || allowed.get(note).contains(place));
        return new Situation(tune, instrument, planned, school, choices, struck.plucking(tune, planned), tempo);
    }

    /** The places of a note at which what stands on it can be done; none where it can be done nowhere. */
    private Set<Place> allowed(int note, List<Ornament> ornaments) {
        Set<Place> places = new HashSet<>();
        for (Place place : plan.placesOf(note)) {
            if (Gestures.at(this, note, ornaments, place, true) instanceof Making.Made) {
                places.add(place);
            }
        }
        return places;
    }

    /** Whether what stands on the notes joins some to the note before, or takes so many strokes, as the strokes do not have it yet. */
    boolean changesStrokes(Map<Integer, List<Ornament>> placed) {
        if (!(instrument.layout() instanceof Neck)) {
            return false;
        }
        Map<Integer, Integer> counted = counted(placed);
        boolean bowed = !instrument.family().frets();
        return counted.entrySet().stream().anyMatch(e -> e.getValue() == JOINED
                ? !strokes.at(e.getKey()).map(s -> s.joined()).orElse(true) : bowed && e.getValue() % 2 == 0);
    }

    private static final int JOINED = -1;

    /** For each note with ornaments how many strokes it takes, or that it is joined to the note before. */
    private Map<Integer, Integer> counted(Map<Integer, List<Ornament>> placed) {
        Map<Integer, Integer> counted = new HashMap<>();
        placed.forEach((note, ornaments) -> {
            List<Ornament> played = note < tune.size() ? Gestures.played(this, note, ornaments) : List.of();
            boolean concerned = played.stream().anyMatch(o -> o.writing().kind() == Ornament.Sign.SLUR
                    || o.pulses().stream().anyMatch(p -> p.moves().contains(Move.STROKE)));
            if (concerned && Gestures.make(this, note, ornaments) instanceof Making.Made(var gesture)) {
                counted.put(note, gesture.slurred() ? JOINED : gesture.strokes());
            }
        });
        return counted;
    }

    private Strokes strokes(Map<Integer, List<Ornament>> placed) {
        Map<Integer, Integer> counted = counted(placed);
        return Strokes.of(tune, instrument, school, new Strokes.Asked() {
            @Override
            public boolean joins(int note) {
                return counted.getOrDefault(note, 1) == JOINED;
            }

            @Override
            public int strokes(int note) {
                return Math.max(1, counted.getOrDefault(note, 1));
            }
        });
    }
}
