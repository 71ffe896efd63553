package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Pitch;

/** What has been written before a note and belongs to it. */
final class PendingMarks {

    final List<String> decorations = new ArrayList<>();
    final List<String> annotations = new ArrayList<>();
    final List<Pitch> graces = new ArrayList<>();
    boolean slash;
    Optional<String> chord = Optional.empty();
    int slurs;

    /** Hands the marks over to a note; there are none after that. */
    Marks take() {
        if (decorations.isEmpty() && graces.isEmpty() && chord.isEmpty() && annotations.isEmpty()) {
            return Marks.NONE;
        }
        Marks marks = new Marks(decorations, graces, slash, chord, annotations);
        decorations.clear();
        graces.clear();
        annotations.clear();
        chord = Optional.empty();
        slash = false;
        return marks;
    }

    /** Hands over how many slurs open here. */
    int takeSlurs() {
        int opening = slurs;
        slurs = 0;
        return opening;
    }
}
