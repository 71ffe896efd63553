package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;

/**
 * What the hands do on one note: all its ornaments together, as stretches of the note's time with parts in each.
 *
 * @param note index of the written note
 * @param pulses in order; their lengths add up to the note's sounding length
 * @param tongued whether the tongue starts the note
 */
public record Gesture(int note, List<Pulse> pulses, boolean tongued) {

    /** A stretch of time and the parts that follow one another in it. */
    public record Pulse(Ratio length, List<Part> parts) {
        public Pulse {
            parts = List.copyOf(parts);
        }
    }

    /**
     * One elementary part.
     *
     * @param ornament id of the ornament it belongs to; empty for the bare note
     * @param pitch what is heard: of a cut the note clicked to, of a slide where it starts; written, not sounding
     * @param hole the hole whose finger moves, from 1 at the mouth; 0 when none does
     */
    public record Part(Move move, String ornament, Pitch pitch, int hole) {}

    public Gesture {
        pulses = List.copyOf(pulses);
    }
}
