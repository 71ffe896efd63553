package wildflourish.core.reading;

/**
 * A stretch of the tune taught in one go.
 *
 * @param name the part's letter and the phrase's number in it, or the teacher's own name: {@code A1}
 * @param fromNote index of its first note, its pickup included
 * @param bodyNote index of its first note behind the pickup
 * @param toNote index after its last note
 * @param fromBar index of its first bar in the tune, a bar of pickup left out
 * @param toBar index after its last bar
 * @param firstOfPart whether a part begins with it
 * @param again whether it is only what is played on a later time through in place of the end of the phrase before it
 */
public record Phrase(
        String name, int fromNote, int bodyNote, int toNote, int fromBar, int toBar, boolean firstOfPart, boolean again) {

    public int lastNote() {
        return toNote - 1;
    }

    public int bars() {
        return toBar - fromBar;
    }

    public boolean holds(int note) {
        return note >= fromNote && note < toNote;
    }
}
