package wildflourish.score.display;

/** What a shape is, so that a painter can choose its colour; never a colour itself. */
public enum Ink {
    /** Notes and everything that belongs to the plain tune: the darkest ink. */
    MUSIC,
    /** The lines of the stave. */
    STAVE,
    /** Bar numbers, names of rungs and other quiet things. */
    QUIET,
    /** Cuts, taps, pops and other clicks. */
    CLICK,
    /** Rolls and crans. */
    ROLL,
    /** Slides, passing notes and other movements of pitch. */
    GLIDE,
    /** Tonguing, strokes and what is made of them. */
    TONGUE,
    /** Notes that sound along: double stops, drones and chords. */
    COMPANY,
    /** Breaths. */
    BREATH,
    /** What an instrument does not have. */
    MISSING,
    /** The paper, for holes in shapes. */
    PAPER
}
