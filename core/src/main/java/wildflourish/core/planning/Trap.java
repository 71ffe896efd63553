package wildflourish.core.planning;

/**
 * A place of the plan that catches students out.
 *
 * @param note index of the written note
 * @param kind {@code bellows-forced}: on no button in the bellows direction of its neighbours
 * @param text what happens and what to do, as a sentence
 */
public record Trap(int note, String kind, String text) {

    public static final String BELLOWS_FORCED = "bellows-forced";
}
