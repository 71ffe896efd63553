package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Pitch;

/**
 * How a gesture stands in a score that others read.
 *
 * @param decorations standard decorations on the note
 * @param graces grace notes before the note
 * @param nextGraces grace notes before the note that follows
 * @param heads further heads on the note's stem
 * @param words words over the note
 * @param slurred whether a slur joins it to the note before
 */
public record Notation(
        List<String> decorations, List<Pitch> graces, List<Pitch> nextGraces, List<Pitch> heads, List<String> words,
        boolean slurred) {

    public static final Notation NONE =
            new Notation(List.of(), List.of(), List.of(), List.of(), List.of(), false);

    public Notation {
        decorations = List.copyOf(decorations);
        graces = List.copyOf(graces);
        nextGraces = List.copyOf(nextGraces);
        heads = List.copyOf(heads);
        words = List.copyOf(words);
    }

    /** The same with other grace notes before the note, and none before the next. */
    public Notation withGraces(List<Pitch> others) {
        return new Notation(decorations, others, List.of(), heads, words, slurred);
    }

    /**
     * The signs of all the ornaments of a gesture. What is heard as a click is written on the letter that the finger opens
     * or closes to, as the key has it; other graces at their real pitches.
     *
     * @param spelled whether rolls are spelled out in small notes
     */
    public static Notation of(Gesture gesture, Vocabulary vocabulary, Key key, boolean spelled) {
        return new Signs(gesture, vocabulary, key, spelled).notation();
    }

    private static final class Signs {

        private final Gesture gesture;
        private final Vocabulary vocabulary;
        private final Key key;
        private final boolean spelled;
        private final List<String> decorations = new ArrayList<>();
        private final List<Gesture.Part> graces = new ArrayList<>();
        private final List<Pitch> next = new ArrayList<>();
        private final List<Pitch> heads = new ArrayList<>();
        private final List<String> words = new ArrayList<>();

        Signs(Gesture gesture, Vocabulary vocabulary, Key key, boolean spelled) {
            this.gesture = gesture;
            this.vocabulary = vocabulary;
            this.key = key;
            this.spelled = spelled;
        }

        Notation notation() {
            gesture.along().forEach(this::sign);
            gesture.lead().forEach(this::sign);
            gesture.pulses().forEach(p -> p.parts().forEach(this::sign));
            return new Notation(decorations, written(trimmed()), next, heads, words, gesture.slurred());
        }

        private void sign(Gesture.Part part) {
            if (part.ornament().isEmpty()) {
                return;
            }
            Ornament.Writing writing = vocabulary.known(part.ornament()).writing();
            switch (writing.kind()) {
                case DECORATION -> {
                    if (spelled && writing.sign().equals("roll")) {
                        graces.add(part);
                    } else if (!decorations.contains(writing.sign())) {
                        decorations.add(writing.sign());
                    }
                }
                case WORDS -> {
                    if (!words.contains(writing.sign())) {
                        words.add(writing.sign());
                    }
                }
                case GRACES -> {
                    boolean gap = part.move().isSilence() && !part.equals(gesture.parts(part.ornament()).getFirst());
                    if (!gap) {
                        graces.add(part);
                    }
                }
                case GRACES_OF_NEXT -> {
                    if (part.move() != Move.SOUND) {
                        next.add(written(part));
                    }
                }
                case HEADS -> heads.add(part.pitch());
                case SLUR -> { }
            }
        }

        private Pitch written(Gesture.Part part) {
            boolean click = part.move() == Move.CUT || part.move() == Move.CRAN_CUT || part.move() == Move.TAP
                    || part.move() == Move.POP || part.move() == Move.SLAP || part.move() == Move.OVERLAP;
            return click ? part.pitch().withAlter(Math.clamp(key.alterOf(part.pitch().step()), -2, 2)) : part.pitch();
        }

        private List<Pitch> written(List<Gesture.Part> parts) {
            return parts.stream().map(this::written).toList();
        }

        /** The sounding note that ends a figure is the written note itself, and so is one that begins it. */
        private List<Gesture.Part> trimmed() {
            int from = !graces.isEmpty() && graces.getFirst().move() == Move.SOUND ? 1 : 0;
            int to = graces.size();
            if (to > from && (graces.getLast().move().isTone() || graces.getLast().move() == Move.TOUCH)) {
                to--;
            }
            return graces.subList(from, to);
        }
    }
}
