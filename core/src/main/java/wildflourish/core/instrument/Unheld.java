package wildflourish.core.instrument;

import java.util.List;
import wildflourish.core.tune.Pitch;

/** No instrument: every note is where it is written. */
public record Unheld() implements Layout {

    @Override
    public List<Place> places(Pitch pitch) {
        return List.of(new Place.AsWritten());
    }

    @Override
    public List<Pitch> pitches() {
        return List.of();
    }

    @Override
    public int sounds(String typed) {
        throw new IllegalArgumentException("choose an instrument first: there are no places without one");
    }

    @Override
    public String example() {
        return "";
    }

    @Override
    public List<String> faults(Family family) {
        return !family.hasHands() ? List.of() : List.of("an instrument needs holes, strings or buttons");
    }
}
