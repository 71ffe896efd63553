package wildflourish.core.instrument;

import java.util.Locale;

/** A way of holding notes. */
public enum Family {
    /** As written, on no instrument: every note has its place and no ornament has hands. */
    NONE,
    /** Six finger holes and an octave by the breath: whistle, simple-system flute, bamboo flute. */
    OPEN_HOLE,
    /** Seven finger holes and a thumb hole that is pinched for the upper octave: recorder. */
    THUMB_HOLE,
    /** A chanter on which each note opens a finger or two and closes the rest: bellows-blown pipes. */
    CLOSED_CHANTER,
    /** A chanter of nine notes that never stops sounding: mouth-blown pipes. */
    NINE_NOTE_CHANTER,
    /** Strings under a bow, without frets. */
    BOWED,
    /** Plucked strings over frets. */
    FRETTED,
    /** Free reeds with two notes on each button, one for each way of the bellows. */
    TWO_WAY_REED,
    /** Free reeds with the same note both ways. */
    ONE_WAY_REED;

    /** Its name in data files: {@code open-hole}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The family of a data file's name; throws {@link IllegalArgumentException} when there is none. */
    static Family byId(String id) {
        for (Family family : values()) {
            if (family.id().equals(id)) {
                return family;
            }
        }
        throw new IllegalArgumentException("there is no family '" + id + "'");
    }

    /** Whether its players blow and have to breathe. */
    public boolean isBlownByMouth() {
        return this == OPEN_HOLE || this == THUMB_HOLE;
    }
}
