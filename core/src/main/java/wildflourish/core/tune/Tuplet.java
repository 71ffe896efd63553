package wildflourish.core.tune;

/**
 * A note's place in a tuplet of {@code actual} notes in the time of {@code normal}.
 *
 * @param position 0 for the first note of the group
 * @param count how many notes and rests the group holds
 */
public record Tuplet(int actual, int normal, int position, int count) {

    public boolean isFirst() {
        return position == 0;
    }

    public boolean isLast() {
        return position == count - 1;
    }

    public Tuplet withCount(int newCount) {
        return new Tuplet(actual, normal, position, newCount);
    }

    /** Factor from the written to the sounding length: 2/3 in a triplet. */
    public Ratio factor() {
        return Ratio.of(normal, actual);
    }
}
