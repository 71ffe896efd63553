package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;

/**
 * What is said about a tune before its notes.
 *
 * @param number its number in a tune book
 * @param titles the first is the one it goes by; may be empty
 * @param rhythm what kind of tune, in the writer's word: {@code reel}; empty when not said
 * @param unit the written unit of length
 * @param order the order of the parts when the writer gives one: {@code AABB}; else empty
 * @param fields everything else, in the order written
 */
public record Head(
        int number,
        List<String> titles,
        List<String> composers,
        String rhythm,
        Meter meter,
        Ratio unit,
        Optional<Tempo> tempo,
        Key key,
        String order,
        List<Field> fields) {

    private static final int HALVED = 9;

    public Head {
        titles = List.copyOf(titles);
        composers = List.copyOf(composers);
        fields = List.copyOf(fields);
    }

    /** Whether lengths can be written in a unit: no longer than a semibreve, and made from one by halving it nine times at most. */
    public static boolean isUnit(Ratio unit) {
        return unit.isPositive() && !Ratio.ONE.isLess(unit) && Long.bitCount(unit.denominator()) == 1 && unit.denominator() <= 1L << HALVED;
    }

    public String title() {
        return titles.isEmpty() ? "Untitled tune " + number : titles.getFirst();
    }

    /** With other lines of information. */
    public Head withFields(List<Field> others) {
        return new Head(number, titles, composers, rhythm, meter, unit, tempo, key, order, others);
    }
}
