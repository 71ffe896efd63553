package wildflourish.core.lesson;

import java.util.List;

/**
 * A place in the order of a lesson at which something is chosen. What can be chosen depends on how far the lesson has come, which is a number that only the stages understand.
 */
interface Stage {

    /** What can be done here; empty where a lesson cannot have come here like this. The one that stands first is taken where others are worth the same. */
    List<Choice> choices(int come);

    /**
     * Something that can be done.
     *
     * @param minutes how long, 0 or more
     * @param worth in thousandths of a tune
     * @param leads how far the lesson has come afterwards
     */
    record Choice(int minutes, int worth, int leads, List<Piece> pieces) {

        public Choice {
            pieces = List.copyOf(pieces);
        }

        /** Nothing is done. */
        static Choice nothing(int come) {
            return new Choice(0, 0, come, List.of());
        }
    }
}
