package wildflourish.core.instrument;

/** How hard one blows. */
public enum Breath {
    /** For the lower octave (common practice). */
    GENTLE,
    /** For the upper octave (common practice). */
    FIRM,
    /** The same for every note: a bag blows, and nothing changes its pressure. */
    STEADY
}
