package wildflourish.core.ornament;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.Alternative;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.FingeringPlan;
import wildflourish.core.planning.Planner;
import wildflourish.core.planning.Strokes;
import wildflourish.core.tune.Timeline;

/**
 * A tune in somebody's hands: its notes, the instrument, where each note lies on it, and the school of playing.
 *
 * @param strokes of bow or plectrum, note by note
 */
public record Situation(
        Timeline tune, Instrument instrument, FingeringPlan plan, School school, Choices choices, Strokes strokes) {

    public static Situation of(Timeline tune, Instrument instrument, School school) {
        return of(tune, instrument, school, Choices.NONE);
    }

    /** As {@link #of(Timeline, Instrument, School)}, with the places that the teacher has chosen. */
    public static Situation of(Timeline tune, Instrument instrument, School school, Choices choices) {
        return new Situation(tune, instrument, Planner.plan(tune, instrument, school, choices), school, choices,
                Strokes.of(tune, instrument, school));
    }

    public Vocabulary vocabulary() {
        return Vocabulary.of(instrument);
    }

    public Situation with(School other) {
        return of(tune, instrument, other, choices);
    }

    /**
     * The same with places planned for the ornaments too: where a note's own place does not allow what stands on it, the
     * whole plan is made anew under the demand that it does, as far as any place of the note can. Where the plan allows
     * everything already, or nothing can be mended, this situation itself.
     *
     * @param placed the ornaments of each note by its index; notes without any may be absent
     */
    public Situation playing(Map<Integer, List<Ornament>> placed) {
        Map<Integer, Set<Place>> allowed = new HashMap<>();
        placed.forEach((note, ornaments) -> {
            if (note < tune.size() && Gestures.make(this, note, ornaments) instanceof Making.Made(var gesture)
                    && gesture.moved()) {
                Set<Place> places = new HashSet<>();
                for (Alternative other : plan.alternatives(note)) {
                    if (Gestures.at(this, note, ornaments, other.place(), true) instanceof Making.Made) {
                        places.add(other.place());
                    }
                }
                allowed.put(note, places);
            }
        });
        Strokes bowed = strokes(placed);
        if (allowed.isEmpty()) {
            return bowed.equals(strokes) ? this : new Situation(tune, instrument, plan, school, choices, bowed);
        }
        // Notes that are well where they are stay where their ornaments can be done.
        placed.forEach((note, ornaments) -> {
            if (!allowed.containsKey(note) && note < tune.size() && !ornaments.isEmpty()) {
                Set<Place> places = new HashSet<>(Set.of(plan.at(note)));
                for (Alternative other : plan.alternatives(note)) {
                    if (Gestures.at(this, note, ornaments, other.place(), true) instanceof Making.Made) {
                        places.add(other.place());
                    }
                }
                allowed.put(note, places);
            }
        });
        return new Situation(tune, instrument, Planner.plan(tune, instrument, school, choices,
                (note, place) -> !allowed.containsKey(note) || allowed.get(note).contains(place)), school, choices, bowed);
    }

    private Strokes strokes(Map<Integer, List<Ornament>> placed) {
        Set<Integer> joined = new HashSet<>();
        placed.forEach((note, ornaments) -> {
            if (note < tune.size() && ornaments.stream().anyMatch(o -> o.writing().kind() == Ornament.Sign.SLUR)
                    && Gestures.make(this, note, ornaments) instanceof Making.Made) {
                joined.add(note);
            }
        });
        return joined.isEmpty() ? strokes : Strokes.of(tune, instrument, school, joined::contains);
    }
}
