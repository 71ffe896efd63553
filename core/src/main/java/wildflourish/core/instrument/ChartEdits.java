package wildflourish.core.instrument;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import wildflourish.core.data.DataFault;
import wildflourish.core.tune.Pitch;

/** Changes to an instrument's chart, neck or buttons, each checked by the rules of its family before it is taken. */
public final class ChartEdits {

    /**
     * What came of an edit.
     *
     * @param instrument the changed instrument; empty when the edit was refused
     * @param faults the rules it breaks, each as a sentence; empty when it was taken
     */
    public record Outcome(Optional<Instrument> instrument, List<String> faults) {

        static Outcome refused(String why) {
            return new Outcome(Optional.empty(), List.of(why));
        }
    }

    private ChartEdits() {}

    /**
     * Gives a note of a wind instrument these fingerings, the preferred one first.
     *
     * @param typed as {@code xxx xoo}, with {@code firm} or {@code +} for the upper octave and {@code try} where it differs
     *     from instrument to instrument
     */
    public static Outcome ways(Instrument instrument, Pitch pitch, List<String> typed) {
        if (!(instrument.layout() instanceof WindChart chart)) {
            return Outcome.refused("the %s has no holes".formatted(instrument.name()));
        }
        List<Fingering> ways = new ArrayList<>();
        for (String text : typed) {
            try {
                Fingering way = read(text, chart, pitch);
                if (ways.contains(way)) {
                    return Outcome.refused("%s stands there already for %s".formatted(way.holes(), pitch.spoken()));
                }
                ways.add(way);
            } catch (IllegalArgumentException e) {
                return Outcome.refused(Objects.requireNonNull(e.getMessage()));
            }
        }
        if (ways.isEmpty() && chart.pitches().size() == 1) {
            return Outcome.refused("a chart needs a note");
        }
        try {
            return checked(instrument, chart.withWays(pitch, ways));
        } catch (DataFault | IllegalArgumentException e) {
            return Outcome.refused(Objects.requireNonNull(e.getMessage()));
        }
    }

    private static Fingering read(String typed, WindChart chart, Pitch pitch) {
        TypedFingering read = TypedFingering.read(typed);
        Breath blown = read.breath().orElseGet(() -> chart.ways(pitch).stream().findFirst().map(Fingering::breath)
                .orElse(Breath.GENTLE));
        return chart.ways(pitch).stream()
                .filter(w -> w.holes().equals(read.holes()) && w.breath() == blown && w.trial() == read.trial())
                .findFirst()
                .orElse(new Fingering(read.holes(), blown, java.util.OptionalInt.empty(), read.trial(),
                        Optional.empty(), Optional.empty()));
    }

    /** Gives a button other notes, typed as {@code G4/A4} (push before pull), or one note where both ways sound the same. */
    public static Outcome button(Instrument instrument, Button button, String notes) {
        if (!(instrument.layout() instanceof ButtonBoard board)) {
            return Outcome.refused("the %s has no buttons".formatted(instrument.name()));
        }
        try {
            return checked(instrument, board.withButton(button, notes.strip()));
        } catch (IllegalArgumentException e) {
            return Outcome.refused(Objects.requireNonNull(e.getMessage()));
        }
    }

    /** Tunes a string to another open pitch, as written for the instrument. */
    public static Outcome string(Instrument instrument, int index, String open) {
        if (!(instrument.layout() instanceof Neck neck)) {
            return Outcome.refused("the %s has no strings".formatted(instrument.name()));
        }
        try {
            return checked(instrument, neck.tuned(index, Pitch.parse(open.strip())));
        } catch (IllegalArgumentException e) {
            return Outcome.refused(Objects.requireNonNull(e.getMessage()));
        }
    }

    /** The same instrument under a new name, to be changed; a wind instrument in the key of another lowest note. */
    public static Outcome another(Instrument instrument, String name, Optional<String> lowest) {
        String id = "own-" + Normalizer.normalize(name.strip(), Normalizer.Form.NFD).replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        if (id.equals("own-")) {
            return Outcome.refused("give the new instrument a name");
        }
        if (Instruments.byId(id).isPresent()) {
            return Outcome.refused("there is an instrument of that name already");
        }
        try {
            Layout layout = instrument.layout();
            if (layout instanceof WindChart chart && lowest.isPresent()) {
                layout = chart.from(Pitch.parse(lowest.get().strip()));
            }
            return new Outcome(Optional.of(new Instrument(id, name.strip(), List.of(), instrument.family(),
                    instrument.voice(), instrument.soundsAbove(), layout, instrument.schools(), 0,
                    "made after the %s".formatted(instrument.name()))), List.of());
        } catch (IllegalArgumentException | DataFault e) {
            return Outcome.refused(Objects.requireNonNull(e.getMessage()));
        }
    }

    private static Outcome checked(Instrument instrument, Layout layout) {
        List<String> faults = layout.faults(instrument.family());
        return faults.isEmpty() ? new Outcome(Optional.of(new Instrument(instrument.id(), instrument.name(),
                instrument.aliases(), instrument.family(), instrument.voice(), instrument.soundsAbove(), layout, instrument.schools(),
                instrument.capo(), instrument.provenance())), List.of())
                : new Outcome(Optional.empty(), faults);
    }
}
