package wildflourish.formats.abc;

import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tuplet;

/** The tuplet that is being filled, if any. */
final class OpenTuplet {

    private int actual;
    private int normal;
    private int count;
    private int position;

    void start(int ofActual, int inNormal, int overCount) {
        actual = ofActual;
        normal = inNormal;
        count = overCount;
        position = 0;
    }

    /** Whether it still wants notes. */
    boolean isOpen() {
        return position < count;
    }

    int count() {
        return count;
    }

    /** How many notes it has. */
    int position() {
        return position;
    }

    /** The place of the next note in it; empty when it is full. */
    Optional<Tuplet> next() {
        return isOpen() ? Optional.of(new Tuplet(actual, normal, position++, count)) : Optional.empty();
    }

    /** Left before it was full, it holds as many notes as it got. */
    void cutShort(List<Element> elements) {
        int left = position;
        for (int i = elements.size() - 1; i >= 0 && left > 0; i--) {
            switch (elements.get(i)) {
                case Note note when note.tuplet().isPresent() -> {
                    elements.set(i, note.withTuplet(note.tuplet().get().withCount(position)));
                    left--;
                }
                case Rest rest when rest.tuplet().isPresent() -> {
                    elements.set(i, rest.withTuplet(rest.tuplet().get().withCount(position)));
                    left--;
                }
                case Note note -> { }
                case Rest rest -> { }
                case Change change -> { }
            }
        }
        count = 0;
    }
}
