package wildflourish.core.instrument;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The place of every written note of a tune.
 *
 * @param places one for each note of the tune's timeline, by its index
 * @param cost what the whole plan costs the fingers, in the units of the planner's data
 */
public record FingeringPlan(Instrument instrument, List<Place> places, int cost) {

    public FingeringPlan {
        places = List.copyOf(places);
    }

    public Place at(int note) {
        return places.get(note);
    }

    /** The fingering of a note, where it has one. */
    public Optional<Fingering> fingering(int note) {
        return at(note) instanceof Place.Fingered fingered ? Optional.of(fingered.fingering()) : Optional.empty();
    }

    /** The notes the instrument does not have. */
    public List<Integer> missing() {
        return IntStream.range(0, places.size()).filter(i -> places.get(i) instanceof Place.Missing).boxed().toList();
    }
}
