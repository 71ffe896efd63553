package wildflourish.core.instrument;

/** Where a note lies on an instrument. */
public sealed interface Place {

    /** On no instrument: as written. */
    record AsWritten() implements Place {}

    /** A fingering of a wind instrument. */
    record Fingered(Fingering fingering) implements Place {}

    /**
     * The instrument does not have the note.
     *
     * @param why in the teacher's words
     */
    record Missing(String why) implements Place {}
}
