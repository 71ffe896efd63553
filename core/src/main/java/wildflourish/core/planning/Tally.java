package wildflourish.core.planning;

/** Takes down what a place or a step from one place to the next costs. */
interface Tally {

    /** {@code times} may be 0, and is never negative. */
    void add(Term term, int times);

    default void add(Term term, boolean happens) {
        add(term, happens ? 1 : 0);
    }
}
