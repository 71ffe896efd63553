package wildflourish.app.reading;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import wildflourish.core.fit.Hardness;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Passage;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;

/**
 * What the reading screen shows.
 *
 * @param selected index of the phrase in hand
 * @param hardness how hard the bare tune is on the instrument; empty where nobody plays it
 * @param known for each phrase where else in the library it is played, if anywhere
 */
public record ReadingState(
        String title, Reading reading, Situation situation, List<Trap> traps, Optional<Hardness> hardness, int selected, List<Optional<String>> known) {

    public ReadingState {
        traps = List.copyOf(traps);
        known = List.copyOf(known);
    }

    /** With another phrase in hand, as far as there is one. */
    ReadingState selecting(int passage) {
        return new ReadingState(title, reading, situation, traps, hardness, Math.clamp(passage, 0, Math.max(0, reading.passages().size() - 1)), known);
    }

    /** The phrase in hand; empty for a tune without notes. */
    public Optional<Passage> passage() {
        return selected < reading.passages().size() ? Optional.of(reading.passages().get(selected)) : Optional.empty();
    }

    /** The first and the last note of a phrase with their places: {@code D, holes xxx xxx}. */
    public String ends(Phrase phrase) {
        return "begins on %s; ends on %s".formatted(place(phrase.fromNote()), place(phrase.lastNote()));
    }

    private String place(int note) {
        String pitch = reading.timeline().note(note).pitch().spoken();
        return situation.instrument().hasHands() ? "%s (%s)".formatted(pitch, situation.plan().at(note).inWords()) : pitch;
    }

    /** {@code bars 3 to 4}. */
    public String bars(Phrase phrase) {
        int from = reading.firstBar(phrase);
        int to = reading.lastBar(phrase);
        return from == to ? "bar " + from : "bars %d to %d".formatted(from, to);
    }

    /**
     * The number of the family that a phrase belongs to, counted over the families of two phrases or more, from 0; negative
     * where nothing is like it.
     */
    public int family(int passage) {
        int root = reading.family(passage);
        List<Integer> families = IntStream.range(0, reading.passages().size()).map(reading::family).boxed().toList();
        List<Integer> shared = families.stream().distinct().filter(f -> families.stream().filter(f::equals).count() > 1).toList();
        return shared.indexOf(root);
    }

    /** The notes of a phrase that are not known from the one that it is like. */
    public Set<Integer> fresh(Passage passage) {
        Phrase phrase = passage.phrase();
        Set<Integer> fresh = new HashSet<>(IntStream.range(phrase.fromNote(), phrase.toNote()).boxed().toList());
        if (passage.isSame()) {
            int known = passage.difference().isEmpty() ? phrase.fromNote() : phrase.bodyNote();
            fresh.removeIf(n -> n >= known);
        } else {
            reading.besides(passage).stream().filter(Reading.Beside::same).forEach(b -> fresh.removeAll(b.here()));
        }
        return fresh;
    }

    /** The traps of one phrase. */
    public List<Trap> traps(Phrase phrase) {
        return traps.stream().filter(t -> phrase.holds(t.note())).toList();
    }
}
