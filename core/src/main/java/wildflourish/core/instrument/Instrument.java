package wildflourish.core.instrument;

import java.util.Optional;
import wildflourish.core.tune.Pitch;

/**
 * An instrument a student may bring.
 *
 * @param id its name on the command line and in files
 * @param soundsAbove semitones by which it sounds above the written note
 * @param chart its fingering chart; empty only for {@link Family#NONE}
 */
public record Instrument(
        String id, String name, Family family, int soundsAbove, Optional<OpenHoleChart> chart, String provenance) {

    /** Whether the written pitch has a place on it. */
    public boolean has(Pitch pitch) {
        return chart.map(c -> !c.ways(pitch).isEmpty()).orElse(true);
    }
}
