package wildflourish.library;

import java.time.Instant;

/**
 * Something that was given out.
 *
 * @param edition the edition of the tune; 0 where that is not known
 * @param rung its name
 * @param tempo the goal
 * @param what for reading: {@code sheet}
 */
public record Given(long student, long tune, long edition, Instant at, String rung, String tempo, String what) {}
