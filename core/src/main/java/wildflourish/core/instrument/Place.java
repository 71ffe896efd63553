package wildflourish.core.instrument;

import java.util.Optional;
import java.util.OptionalInt;

/** Where a note lies on an instrument. */
public sealed interface Place {

    /** On no instrument: as written. */
    record AsWritten() implements Place {}

    /**
     * A fingering of a wind instrument.
     *
     * @param rank how far it stands behind the usual one of its note, 0 for the usual one
     */
    record Fingered(Fingering fingering, int rank) implements Place {}

    /**
     * A string, open or stopped.
     *
     * @param string its name
     * @param index its place on the neck, the lowest-lying string first, from 0
     * @param above semitones above the open string (or above the capo); on fretted strings the fret
     * @param finger 0 for the open string, else 1 (index) to 4
     * @param shape {@code low} or {@code high}, where the finger has two places; else empty
     * @param strain how far the finger reaches out of its place, 0 for not at all
     * @param position the hand's position by name
     * @param shift how far the hand has gone up the neck, in semitones
     * @param fretted whether frets are counted
     */
    record Stopped(
            String string, int index, int above, int finger, String shape, int strain, String position, int shift,
            boolean fretted) implements Place {

        public boolean isOpen() {
            return finger == 0;
        }

        /** The finger as players name it: {@code low 2}. */
        public String fingerName() {
            return isOpen() || shape.isEmpty() ? String.valueOf(finger) : shape + " " + finger;
        }

        public OptionalInt fret() {
            return fretted ? OptionalInt.of(above) : OptionalInt.empty();
        }
    }

    /**
     * A button held down.
     *
     * @param direction which way the bellows go; empty where both ways sound the same
     * @param finger 1 (index) to 4
     * @param strain how far the finger is from the one that has this button as its own, 0 for its own
     */
    record Pressed(Button button, Optional<Bellows> direction, int finger, int strain) implements Place {}

    /**
     * The instrument does not have the note.
     *
     * @param why in the teacher's words
     */
    record Missing(String why) implements Place {}

    /** As one types it, and as it is kept: {@code xxx xoo gentle}, {@code A low 2}, {@code D row 3 push finger 2}. */
    default String text() {
        return switch (this) {
            case AsWritten w -> "as written";
            case Fingered f -> f.fingering().text();
            case Stopped s -> s.string() + " "
                    + (s.fretted() ? "fret " + s.above() + (s.isOpen() ? "" : " finger " + s.finger()) : s.fingerName())
                    + (s.shift() == 0 ? "" : " at " + s.shift());
            case Pressed p -> p.button().text() + p.direction().map(d -> " " + d.word()).orElse("")
                    + " finger " + p.finger();
            case Missing m -> "-";
        };
    }

    /** For reading, without a full stop: {@code low second finger on the A string}. */
    default String inWords() {
        return switch (this) {
            case AsWritten w -> "as written";
            case Fingered f -> "holes %s%s%s".formatted(f.fingering().holes(),
                    f.fingering().remark().map(r -> r.isEmpty() ? "" : ", " + r).orElseGet(() ->
                            switch (f.fingering().breath()) {
                                case GENTLE -> ", gentle breath";
                                case FIRM -> ", firm breath";
                                case STEADY -> "";
                            }),
                    f.fingering().trial() ? " (differs from instrument to instrument: try it)" : "");
            case Stopped s -> s.isOpen() ? "open %s string".formatted(s.string())
                    : "%s%s%s%s".formatted(s.shape().isEmpty() ? "" : s.shape() + " ",
                            Words.ordinal(s.finger()) + " finger on the %s string".formatted(s.string()),
                            s.fretted() ? ", fret " + s.above() : "",
                            s.fretted() || s.shift() == 0 ? "" : ", %s position".formatted(s.position()));
            case Pressed p -> "%s%s, %s finger".formatted(p.button().inWords(),
                    p.direction().map(d -> ", " + d.word()).orElse(""), Words.ordinal(p.finger()));
            case Missing m -> m.why();
        };
    }
}
