package wildflourish.core.tune;

/**
 * A line of information about a tune that nothing is computed from: its letter and its text.
 *
 * @param after how many bars go before it, where it stands among the music as words to sing do; 0 where it is said of the whole tune
 */
public record Field(char letter, String text, int after) {

    /** Behind all bars, however many there come to be. */
    public static final int BEHIND = Integer.MAX_VALUE;

    /** A line about the whole tune. */
    public Field(char letter, String text) {
        this(letter, text, 0);
    }
}
