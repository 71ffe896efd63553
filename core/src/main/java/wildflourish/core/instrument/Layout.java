package wildflourish.core.instrument;

import java.util.List;
import wildflourish.core.tune.Pitch;

/** Where the notes of an instrument lie. Pitches are as written for it. */
public sealed interface Layout permits Unheld, WindChart, Neck, ButtonBoard {

    /** Every place that sounds a written pitch, the usual ones first; empty when the instrument does not have it. */
    List<Place> places(Pitch pitch);

    /** Every pitch it has, from low to high; empty for {@link Unheld}, which has them all. */
    List<Pitch> pitches();

    /**
     * What a place typed by hand sounds, as a MIDI number of the written pitch.
     *
     * @throws IllegalArgumentException with what is wrong and how such a place is written
     */
    int sounds(String typed);

    /** How a place is typed here, by example. */
    String example();

    /** The rules that this layout breaks, each as a sentence; empty when it is sound. */
    List<String> faults(Family family);
}
