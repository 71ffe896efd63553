package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;

/**
 * A written note or chord.
 *
 * @param pitches one, or the notes of a chord in the order written; the highest is the melody
 * @param length sounding length, the tuplet's factor included; positive
 * @param tied whether a tie runs from it to the next note
 * @param slursOpening how many slurs begin here
 * @param slursClosing how many slurs end here
 * @param gapAfter whether the writer left a space after it, which ends the beam
 */
public record Note(
        List<Pitch> pitches,
        Ratio length,
        Optional<Tuplet> tuplet,
        boolean tied,
        int slursOpening,
        int slursClosing,
        Marks marks,
        boolean gapAfter) implements Element {

    public Note {
        pitches = List.copyOf(pitches);
        if (pitches.isEmpty() || !length.isPositive()) {
            throw new IllegalArgumentException("a note has a pitch and a length");
        }
    }

    /** A plain note with nothing around it. */
    public static Note of(Pitch pitch, Ratio length) {
        return new Note(List.of(pitch), length, Optional.empty(), false, 0, 0, Marks.NONE, false);
    }

    /** The melody's pitch: the highest of a chord. */
    public Pitch pitch() {
        Pitch highest = pitches.getFirst();
        for (Pitch pitch : pitches) {
            highest = pitch.midi() > highest.midi() ? pitch : highest;
        }
        return highest;
    }

    /** The length as drawn, without the tuplet's factor. */
    public Ratio writtenLength() {
        return tuplet.map(t -> length.dividedBy(t.factor())).orElse(length);
    }

    public Note withPitches(List<Pitch> newPitches) {
        return new Note(newPitches, length, tuplet, tied, slursOpening, slursClosing, marks, gapAfter);
    }

    public Note withMarks(Marks newMarks) {
        return new Note(pitches, length, tuplet, tied, slursOpening, slursClosing, newMarks, gapAfter);
    }

    public Note withTuplet(Optional<Tuplet> newTuplet) {
        return new Note(pitches, length, newTuplet, tied, slursOpening, slursClosing, marks, gapAfter);
    }

    public Note withTied(boolean newTied) {
        return new Note(pitches, length, tuplet, newTied, slursOpening, slursClosing, marks, gapAfter);
    }

    public Note withSlurs(int opening, int closing) {
        return new Note(pitches, length, tuplet, tied, opening, closing, marks, gapAfter);
    }

    public Note withTuplet(Tuplet newTuplet) {
        return new Note(pitches, length, Optional.of(newTuplet), tied, slursOpening, slursClosing, marks, gapAfter);
    }

    public Note withGapAfter(boolean gap) {
        if (gap == gapAfter) {
            return this;
        }
        return new Note(pitches, length, tuplet, tied, slursOpening, slursClosing, marks, gap);
    }

    public Note withLength(Ratio newLength) {
        return new Note(pitches, newLength, tuplet, tied, slursOpening, slursClosing, marks, gapAfter);
    }
}
