package wildflourish.core.practice;

/**
 * How many ornaments of a pass spoke, as far as somebody listened.
 *
 * @param came as they were meant
 * @param meant in all; 0 where nobody listened, or none was meant
 */
public record Spoken(int came, int meant) {

    /** Nobody listened. */
    public static final Spoken UNHEARD = new Spoken(0, 0);

    /** The share that spoke; 1 where there is nothing to tell. */
    public double share() {
        return meant == 0 ? 1 : (double) came / meant;
    }

    /** In words without a full stop: {@code 3 of 4 ornaments spoke}. */
    public String inWords() {
        return "%d of %d ornament%s spoke".formatted(came, meant, meant == 1 ? "" : "s");
    }
}
