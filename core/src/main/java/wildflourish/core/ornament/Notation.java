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
 */
public record Notation(List<String> decorations, List<Pitch> graces, List<Pitch> nextGraces) {

    public static final Notation NONE = new Notation(List.of(), List.of(), List.of());

    public Notation {
        decorations = List.copyOf(decorations);
        graces = List.copyOf(graces);
        nextGraces = List.copyOf(nextGraces);
    }

    /**
     * The signs of all the ornaments of a gesture. Clicks and dips are written on the letter that the finger opens or
     * closes to, without an accidental of their own: they are heard as a click, not as a pitch.
     */
    public static Notation of(Gesture gesture, Vocabulary vocabulary, Key key) {
        List<String> decorations = new ArrayList<>();
        List<Pitch> graces = new ArrayList<>();
        List<Pitch> next = new ArrayList<>();
        if (gesture.tongued()) {
            decorations.add("staccato");
        }
        String written = "";
        for (Gesture.Pulse pulse : gesture.pulses()) {
            for (Gesture.Part part : pulse.parts()) {
                if (part.ornament().isEmpty()) {
                    continue;
                }
                Ornament.Writing writing = vocabulary.known(part.ornament()).writing();
                switch (writing.kind()) {
                    case DECORATION -> {
                        if (!written.equals(part.ornament())) {
                            decorations.add(writing.decoration());
                        }
                    }
                    case GRACES -> graces.add(written(part, key));
                    case GRACES_OF_NEXT -> {
                        if (part.move() != Move.SOUND) {
                            next.add(written(part, key));
                        }
                    }
                }
                written = part.ornament();
            }
        }
        return new Notation(decorations, trimmed(graces, gesture, vocabulary), next);
    }

    private static Pitch written(Gesture.Part part, Key key) {
        return part.move().isBlip()
                ? part.pitch().withAlter(Math.clamp(key.alterOf(part.pitch().step()), -2, 2)) : part.pitch();
    }

    /** The sounding note that ends a figure is the written note itself, and so is one that begins it. */
    private static List<Pitch> trimmed(List<Pitch> graces, Gesture gesture, Vocabulary vocabulary) {
        List<Gesture.Part> inGraces = gesture.pulses().stream()
                .flatMap(p -> p.parts().stream())
                .filter(p -> !p.ornament().isEmpty()
                        && vocabulary.known(p.ornament()).writing().kind() == Ornament.Sign.GRACES)
                .toList();
        int from = !inGraces.isEmpty() && inGraces.getFirst().move() == Move.SOUND ? 1 : 0;
        int to = inGraces.size();
        if (to > from && inGraces.getLast().move().isTone()) {
            to--;
        }
        return graces.subList(from, to);
    }
}
