package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Timeline;

/**
 * The strokes of bow or plectrum.
 *
 * @param fingers for each note the finger of the plucking hand that takes it; empty where a bow or a plectrum does
 * @param byNote one for each note of the timeline; empty where none is made, or where the fingers pluck
 */
public record Strokes(List<Optional<Stroke>> byNote, List<Optional<String>> fingers) {

    public Strokes {
        byNote = List.copyOf(byNote);
        fingers = List.copyOf(fingers);
    }

    private Strokes(List<Optional<Stroke>> byNote) {
        this(byNote, Collections.nCopies(byNote.size(), Optional.empty()));
    }

    /** The same with the fingers that pluck the notes where they lie. */
    public Strokes plucking(Timeline tune, FingeringPlan plan) {
        return plan.instrument().layout() instanceof Neck neck && neck.strokes().equals("fingers")
                ? new Strokes(byNote, Plucking.of(tune, plan.places())) : this;
    }

    /** The finger of the plucking hand that takes a note. */
    public Optional<String> finger(int note) {
        return fingers.get(note);
    }

    /** What the ornaments of a version ask of the strokes. */
    public interface Asked {

        /** Whether a note is joined to the one before it. */
        boolean joins(int note);

        /** How many strokes a note takes, 1 or more. */
        int strokes(int note);
    }

    private static final Asked NOTHING = new Asked() {
        @Override
        public boolean joins(int note) {
            return false;
        }

        @Override
        public int strokes(int note) {
            return 1;
        }
    };

    /** The strokes of a plan's tune on its instrument. */
    public static Strokes of(Timeline tune, Instrument instrument, School school) {
        return of(tune, instrument, school, NOTHING);
    }

    /** As {@link #of(Timeline, Instrument, School)}, with what a version's ornaments ask. */
    public static Strokes of(Timeline tune, Instrument instrument, School school, Asked asked) {
        if (instrument.layout() instanceof Neck neck) {
            return switch (neck.strokes()) {
                case "bow" -> new Strokes(Bowing.of(tune, asked));
                case "plectrum" -> new Strokes(Picking.of(tune, instrument, school, asked::joins));
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
