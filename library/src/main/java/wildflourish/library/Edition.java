package wildflourish.library;

import java.time.Instant;

/**
 * A tune as it was at one moment.
 *
 * @param what what the teacher had just done, in a few words
 * @param document the whole of it as text
 */
public record Edition(long id, long tune, Instant madeAt, String what, String document) {}
