package wildflourish.core.planning;

/**
 * A place that catches students out.
 *
 * @param note index of the written note
 * @param kind a word for the kind, as {@code half-hole}
 * @param text what happens there, without a full stop
 * @param advice what to do, without a full stop
 */
public record Trap(int note, String kind, String text, String advice) {

    /** A note on no button in the bellows direction of its neighbours. */
    public static final String BELLOWS_FORCED = "bellows-forced";

    /** What happens and what to do, without a full stop. */
    public String inWords() {
        return text + ": " + advice;
    }
}
