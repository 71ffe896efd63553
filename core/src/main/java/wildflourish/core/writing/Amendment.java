package wildflourish.core.writing;

import java.util.List;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Tune;

/**
 * A tune put right, with its ladders, locks, phrases and chosen places on the notes that they stood on.
 *
 * @param left what could not go along, in the order of the notes; the edition before still has it
 * @param back what could not go along earlier and is in its place again, for reading
 */
public record Amendment(Arrangement arrangement, List<Left> left, List<String> back) {

    /**
     * Something that could not go along.
     *
     * @param note index of its note in the old tune
     * @param what {@code roll on F sharp in bar 3}
     * @param why without a full stop
     */
    public record Left(int note, String what, String why) {

        /** For reading. */
        public String inWords() {
            return what + ": " + why;
        }
    }

    public Amendment {
        left = List.copyOf(left);
        back = List.copyOf(back);
    }

    /** An arrangement for a tune that was put right. */
    public static Amendment of(Arrangement before, Tune tune) {
        return new Carrying(before, tune, Interval.NONE, NoteMap::between).carried();
    }

    /**
     * An arrangement for the same tune in another key, note for note. What cannot be done there waits, and is there again when the tune is moved back.
     *
     * @param moved has the notes of the tune before, each in its place
     * @param by the interval that they are moved by; variations are moved by it too
     * @throws IllegalArgumentException when it has another number of notes
     */
    public static Amendment moved(Arrangement before, Tune moved, Interval by) {
        return new Carrying(before, moved, by, (old, now) -> {
            if (old.size() != now.size()) {
                throw new IllegalArgumentException("a tune that is moved keeps its notes");
            }
            return NoteMap.inPlace(old.size());
        }).carried();
    }
}
