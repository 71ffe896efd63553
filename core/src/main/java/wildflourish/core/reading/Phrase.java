package wildflourish.core.reading;

/**
 * A stretch of the tune taught in one go.
 *
 * @param name the part's letter and the phrase's number in it: {@code A1}
 * @param fromNote index of its first note
 * @param toNote index after its last note
 * @param firstOfPart whether a part begins with it
 */
public record Phrase(String name, int fromNote, int toNote, boolean firstOfPart) {

    public int lastNote() {
        return toNote - 1;
    }
}
