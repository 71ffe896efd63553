package wildflourish.core.writing;

/**
 * A note as it was played, in the time of the beat it was played to.
 *
 * @param at when it began, as a ratio of a whole note since the first bar line or the pickup before it
 * @param until when it ended; after it began
 * @param midi MIDI 1.0 note number
 */
public record Played(double at, double until, int midi) {}
