package wildflourish.core.reading;

import java.util.List;
import java.util.Optional;

/**
 * A phrase with what a teacher says about it.
 *
 * @param sameAs index of the earlier phrase that it is most like, if it is like any
 * @param difference how it departs from that one, without a full stop; empty where it does not
 * @param figures its shapes in order, the pickup left out
 * @param remark the teacher's own
 */
public record Passage(
        Phrase phrase, Optional<Integer> sameAs, Likeness likeness, String difference, List<Figure> figures,
        Optional<String> remark) {

    public Passage {
        figures = List.copyOf(figures);
    }

    public boolean isSame() {
        return sameAs.isPresent() && likeness.kind() == Likeness.Kind.SAME;
    }

    /** Its shapes in words: {@code a run down from B to E, then a turn around D}. */
    public String shape() {
        StringBuilder words = new StringBuilder();
        boolean afterStray = false;
        for (Figure figure : figures) {
            boolean stray = figure.kind() == Figure.Kind.STRAY;
            words.append(words.isEmpty() ? "" : afterStray && stray ? " " : ", ").append(figure.words());
            afterStray = stray;
        }
        return words.toString();
    }
}
