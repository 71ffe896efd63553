package wildflourish.library;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * A lesson, a workshop or a jam, that was or that is to come.
 *
 * @param id 0 before it is kept
 * @param minutes how long it is
 * @param kind for reading: {@code lesson}
 * @param tunes their titles, one a line
 * @param there the ids of the students who came
 * @param lines what was planned, in order; empty where nothing was
 */
public record Meeting(long id, Instant at, int minutes, String kind, String tunes, String remark, List<Long> there, List<Line> lines) {

    /** What became of a line: nothing yet, done, done in part, left for another time. */
    public enum Became { OPEN, DONE, PARTLY, LEFT }

    /**
     * A line of the plan.
     *
     * @param line the same for the same thing in every plan
     * @param words what was to be done, for reading
     */
    public record Line(String line, String words, int minutes, Became became) {

        /** With what became of it. */
        public Line became(Became other) {
            return new Line(line, words, minutes, other);
        }
    }

    public Meeting {
        there = List.copyOf(there);
        lines = List.copyOf(lines);
        if (minutes < 1) {
            throw new IllegalArgumentException("a meeting lasts a minute or more");
        }
    }

    /** One that was not planned line by line. */
    public static Meeting of(Instant at, int minutes, String kind, String tunes, String remark, List<Long> there) {
        return new Meeting(0, at, minutes, kind, tunes, remark, there, List.of());
    }

    /** The same under its id. */
    public Meeting kept(long as) {
        return new Meeting(as, at, minutes, kind, tunes, remark, there, lines);
    }

    /** With what became of one of its lines. */
    public Meeting became(int position, Became became) {
        List<Line> other = new ArrayList<>(lines);
        other.set(position, lines.get(position).became(became));
        return new Meeting(id, at, minutes, kind, tunes, remark, there, other);
    }

    /** The titles of its tunes. */
    public List<String> titles() {
        return tunes.lines().filter(t -> !t.isBlank()).toList();
    }
}
