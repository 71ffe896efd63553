package wildflourish.library;

import java.time.Instant;
import java.util.List;

/**
 * A lesson, a workshop or a jam.
 *
 * @param kind for reading: {@code lesson}
 * @param tunes their titles, one a line
 * @param there the ids of the students who came
 */
public record Meeting(Instant at, String kind, String tunes, String remark, List<Long> there) {

    public Meeting {
        there = List.copyOf(there);
    }
}
