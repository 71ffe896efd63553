package wildflourish.core.ornament;

/**
 * What a finger, arm or bellows does in a performance.
 *
 * @param atMs milliseconds since the start of the performance
 * @param note index of the written note
 */
public record HandMove(double atMs, double forMs, Means means, Move move, int note) {}
