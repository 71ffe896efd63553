package wildflourish.core.instrument;

/** How hard one blows: gently for the lower octave, firmly for the upper (common practice). */
public enum Breath {
    GENTLE, FIRM
}
