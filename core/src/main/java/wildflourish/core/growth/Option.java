package wildflourish.core.growth;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;

/**
 * One way to treat a note: nothing, an ornament, or a stack that the hands can do.
 *
 * @param ids ids of its ornaments, sorted
 * @param gain what taste says for it, its own deductions taken off
 * @param tight whether it speaks only without ease at the tempo
 * @param blocked whether it does not speak at the tempo (kept when a teacher placed it)
 * @param gesture what the hands do; empty where they do nothing beside the note, or cannot do it
 */
record Option(
        List<Ornament> ornaments, List<String> ids, int gain, boolean tight, boolean blocked, Optional<Gesture> gesture) {

    static final Option NOTHING = new Option(List.of(), List.of(), 0, false, false, Optional.empty());

    int size() {
        return ornaments.size();
    }

    int heavy() {
        return (int) ornaments.stream().filter(Ornament::heavy).count();
    }
}
