package wildflourish.core.ornament;

/**
 * Something heard in a performance.
 *
 * @param atMs milliseconds since the start
 * @param forMs how long it lasts, in milliseconds
 * @param midi sounding MIDI note number; of a slide the pitch it starts from
 * @param role {@code melody} for a note of the tune, else the ornament's id
 * @param bar printed number of the written bar
 * @param note index of the written note
 */
public record Sound(double atMs, double forMs, int midi, String role, int bar, int note, Start start) {

    /** How a sound begins. */
    public enum Start {
        /** With the tongue, a new stroke, or a button pressed afresh. */
        ATTACK,
        /** Without a new attack, the fingers alone changing the pitch. */
        JOINED,
        /** Inside a sound that goes on: a click or a dip. */
        WITHIN,
        /** As a glide from this pitch into the sound that goes on. */
        GLIDE,
        /** As a glide out of the sound that goes on, to this pitch. */
        GLIDE_AWAY,
        /** By a finger alone that leaves or hits a ringing string: softer than a stroke. */
        SOFT,
        /** Along with the note of the tune. */
        ALONG,
        /** The sound that goes on, its pitch waving. */
        WAVING,
        /** The sound that goes on, its loudness swelling or pulsing. */
        SWELLING
    }

    public static final String MELODY = "melody";
    /** The role of a grace that the tune itself has. */
    public static final String GRACE = "grace";
}
