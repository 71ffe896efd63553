package wildflourish.core.writing;

import java.util.List;
import wildflourish.core.setting.Arrangement;
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
        return new Carrying(before, tune).carried();
    }
}
