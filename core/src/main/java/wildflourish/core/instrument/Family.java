package wildflourish.core.instrument;

/** A way of holding notes. */
public enum Family {
    /** As written, on no instrument: every note has its place and no ornament has hands. */
    NONE,
    /** Six finger holes and an octave by the breath. */
    OPEN_HOLE
}
