package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;

/**
 * What stands around a note on the page without taking time from it.
 *
 * @param decorations names without their exclamation marks, in the order written: {@code roll}, {@code upbow}, …
 * @param graces the written grace notes before it
 * @param slashed whether the graces carry the stroke of an acciaccatura
 * @param chord the chord symbol above it
 * @param annotations texts with their placement sign in front: {@code ^slow}
 */
public record Marks(
        List<String> decorations,
        List<Pitch> graces,
        boolean slashed,
        Optional<String> chord,
        List<String> annotations) {

    public static final Marks NONE = new Marks(List.of(), List.of(), false, Optional.empty(), List.of());

    public Marks {
        decorations = List.copyOf(decorations);
        graces = List.copyOf(graces);
        annotations = List.copyOf(annotations);
    }

    public Marks withDecorations(List<String> newDecorations) {
        return new Marks(newDecorations, graces, slashed, chord, annotations);
    }

    public Marks withGraces(List<Pitch> newGraces) {
        return new Marks(decorations, newGraces, slashed, chord, annotations);
    }

    public Marks withAnnotations(List<String> newAnnotations) {
        return new Marks(decorations, graces, slashed, chord, newAnnotations);
    }
}
