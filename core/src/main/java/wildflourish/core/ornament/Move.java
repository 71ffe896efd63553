package wildflourish.core.ornament;

/** The elementary parts that gestures are made of. The kinds are few and in code; how long each takes is data. */
public enum Move {
    /** A finger above is lifted and put back at once: a click upward. */
    CUT("cut"),
    /** A cut on a note with no open hole below, by fingers in turn. */
    CRAN_CUT("cran cut"),
    /** A finger below hits its hole and bounces off: a dip. */
    TAP("tap"),
    /** The note itself, heard for an instant between two quick movements. */
    TOUCH("note between"),
    /** A finger is drawn off its hole so that the pitch glides up. */
    SLIDE("slide"),
    /** The note itself, sounding. */
    SOUND("sounding note"),
    /** The note itself, started by the tongue. */
    TONGUE("tongued note"),
    /** The note between this one and the next, sounding. */
    PASSING("passing note"),
    /** A finger leaves its hole for an instant as the others land. */
    POP("pop"),
    /** Silence to breathe in. */
    BREATH("breath");

    private final String words;

    Move(String words) {
        this.words = words;
    }

    /** For reading. */
    public String words() {
        return words;
    }

    /** A click or dip in a sound that goes on. */
    public boolean isBlip() {
        return this == CUT || this == CRAN_CUT || this == TAP || this == POP;
    }

    /** A stretch in which a pitch is heard. */
    public boolean isTone() {
        return this == SOUND || this == TONGUE || this == PASSING;
    }
}
