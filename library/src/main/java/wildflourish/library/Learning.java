package wildflourish.library;

import java.time.Instant;

/**
 * A tune that a student has taken up.
 *
 * @param rung the rung they are on
 * @param decided what is next by the teacher's own word; empty where that is computed
 */
public record Learning(long student, long tune, int rung, String decided, Instant since) {}
