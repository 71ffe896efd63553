package wildflourish.core.ornament;

/**
 * A finger's part in an ornament.
 *
 * @param atMs milliseconds since the start of the performance
 * @param hole from 1 at the mouth
 * @param note index of the written note
 */
public record FingerMove(double atMs, double forMs, int hole, Move move, int note) {}
