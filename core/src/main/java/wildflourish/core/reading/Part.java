package wildflourish.core.reading;

import java.util.List;

/**
 * A part of a tune.
 *
 * @param name a letter, or the writer's own name; one that is like an earlier part has a prime behind that part's letter
 * @param letter its letter in the form
 * @param phrases in order; those played on a later time through at the end
 * @param lines how many phrases each group of about four bars has
 * @param times how often it is played before the tune goes on
 */
public record Part(String name, String letter, int fromBar, int toBar, List<Phrase> phrases, List<Integer> lines, int times) {

    public Part {
        phrases = List.copyOf(phrases);
        lines = List.copyOf(lines);
    }

    /** Its first note, its pickup included. */
    public int fromNote() {
        return phrases.getFirst().fromNote();
    }

    /** Index after the last note of its first time through. */
    public int toNote() {
        return phrases.stream().filter(p -> !p.again()).mapToInt(Phrase::toNote).max().orElse(phrases.getLast().toNote());
    }
}
