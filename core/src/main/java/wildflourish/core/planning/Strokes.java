package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Timeline;

/**
 * The strokes of bow or plectrum.
 *
 * @param byNote one for each note of the timeline; empty where none is made, or where the fingers pluck
 */
public record Strokes(List<Optional<Stroke>> byNote) {

    public Strokes {
        byNote = List.copyOf(byNote);
    }

    /** The strokes of a plan's tune on its instrument. */
    public static Strokes of(Timeline tune, Instrument instrument, School school) {
        return of(tune, instrument, school, note -> false);
    }

    /** As {@link #of(Timeline, Instrument, School)}, with further notes joined to the note before them. */
    public static Strokes of(Timeline tune, Instrument instrument, School school, IntPredicate joined) {
        if (instrument.layout() instanceof Neck neck) {
            return switch (neck.strokes()) {
                case "bow" -> new Strokes(Bowing.of(tune, joined));
                case "plectrum" -> new Strokes(Picking.of(tune, instrument, school, joined));
                default -> none(tune);
            };
        }
        return none(tune);
    }

    private static Strokes none(Timeline tune) {
        return new Strokes(new ArrayList<>(Collections.nCopies(tune.size(), Optional.empty())));
    }

    public Optional<Stroke> at(int note) {
        return byNote.get(note);
    }
}
