package wildflourish.core.instrument;

/** Small words that several places of this package say. */
final class Words {

    private static final String[] ORDINALS = {"no", "first", "second", "third", "fourth"};

    private Words() {}

    /** {@code first} to {@code fourth}. */
    static String ordinal(int finger) {
        return ORDINALS[finger];
    }
}
