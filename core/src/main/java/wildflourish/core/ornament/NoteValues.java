package wildflourish.core.ornament;

import wildflourish.core.tune.Ratio;

/** Note values counted in quavers, as teachers of this music count them. */
final class NoteValues {

    private NoteValues() {}

    /** {@code 1/4} becomes {@code two quavers}. */
    static String inWords(Ratio length) {
        Ratio quavers = length.times(8);
        if (quavers.equals(Ratio.ONE)) {
            return "a quaver";
        }
        if (quavers.equals(Ratio.of(1, 2))) {
            return "a semiquaver";
        }
        String[] words = {"", "one", "two", "three", "four", "five", "six", "seven", "eight"};
        return quavers.denominator() == 1 && quavers.numerator() < words.length
                ? words[(int) quavers.numerator()] + " quavers" : length + " of a whole note";
    }
}
