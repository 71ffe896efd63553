package wildflourish.sound.input;

import java.util.List;
import wildflourish.core.practice.Expected;

/** Somebody who plays along. Moments are milliseconds since the beginning of the stretch that is played. */
public interface Tapper extends AutoCloseable {

    /** As the log tells it: {@code keys}. */
    String name();

    /**
     * A stretch is about to begin, which ends the one before.
     *
     * @param pass counted from 0 over everything that is practised in a row
     */
    void begin(Expected expected, int pass);

    /** The same, for those who have to know more than when something is expected. */
    default void begin(Stretch stretch) {
        begin(stretch.expected(), stretch.pass());
    }

    /** The onsets made since this was last asked, up to now, in the order made. */
    List<Double> upTo(double nowMs);

    @Override
    default void close() {}
}
