package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;

/**
 * A time signature.
 *
 * @param groups the numerator's summands: one for 6/8, three for (2+2+3)/8; empty for a tune without meter
 * @param unit the denominator, a power of two from 1 to 64
 * @param look how it is printed
 */
public record Meter(List<Integer> groups, int unit, Look look) {

    /** How a meter is printed: as numbers, as the C of common time, as the cut C, or not at all. */
    public enum Look { NUMBERS, COMMON, CUT, NONE }

    public static final Meter NONE = new Meter(List.of(), 4, Look.NONE);
    public static final Meter COMMON = new Meter(List.of(4), 4, Look.COMMON);
    public static final Meter CUT = new Meter(List.of(2), 2, Look.CUT);

    public Meter {
        groups = List.copyOf(groups);
        if (groups.stream().anyMatch(g -> g < 1 || g > 64) || groups.size() > 16) {
            throw new IllegalArgumentException("a meter counts from 1 to 64 beats");
        }
        if (unit < 1 || unit > 64 || Integer.bitCount(unit) != 1) {
            throw new IllegalArgumentException("a meter counts halves, quarters, eighths and so on, not " + unit);
        }
    }

    public static Meter of(int count, int unit) {
        return new Meter(List.of(count), unit, Look.NUMBERS);
    }

    public boolean isFree() {
        return groups.isEmpty();
    }

    /** The upper number; 0 in a free meter. */
    public int count() {
        return groups.stream().mapToInt(Integer::intValue).sum();
    }

    /** Length of a full bar; a whole note in a free meter. */
    public Ratio barLength() {
        return isFree() ? Ratio.ONE : Ratio.of(count(), unit);
    }

    /** Compound time: beats of three units (6/8, 9/8, 12/8). */
    public boolean isCompound() {
        return groups.size() == 1 && unit >= 8 && count() % 3 == 0;
    }

    /** Lengths of the beats of one bar, in order; their sum is {@link #barLength()}. */
    public List<Ratio> beats() {
        List<Ratio> beats = new ArrayList<>();
        if (isFree()) {
            return List.of(Ratio.of(1, 4), Ratio.of(1, 4), Ratio.of(1, 4), Ratio.of(1, 4));
        }
        if (isCompound()) {
            for (int i = 0; i < count() / 3; i++) {
                beats.add(Ratio.of(3, unit));
            }
        } else if (groups.size() > 1) {
            groups.forEach(g -> beats.add(Ratio.of(g, unit)));
        } else if (unit >= 8) {
            int rest = count();
            while (rest > 0) {
                int beat = rest == 3 || rest < 2 ? rest : 2;
                beats.add(Ratio.of(beat, unit));
                rest -= beat;
            }
        } else {
            for (int i = 0; i < count(); i++) {
                beats.add(Ratio.of(1, unit));
            }
        }
        return beats;
    }

    /** The groups under one beam: the beats, but half-bars for quavers in common and cut time (common practice). */
    public List<Ratio> beamGroups() {
        if (barLength().equals(Ratio.ONE) && !isFree() && groups.size() == 1 && unit <= 4) {
            return List.of(Ratio.of(1, 2), Ratio.of(1, 2));
        }
        if (unit == 4 && count() == 2) {
            return List.of(Ratio.of(1, 4), Ratio.of(1, 4));
        }
        return beats();
    }

    /**
     * How strong a moment of the bar is: 3 the first beat, 2 the middle of a bar of an even number of beats, 1 another
     * beat, 0 between beats (common practice).
     *
     * @param offset time since the bar line
     */
    public int strength(Ratio offset) {
        if (offset.isZero()) {
            return 3;
        }
        List<Ratio> beats = beats();
        Ratio at = Ratio.ZERO;
        for (int i = 0; i < beats.size(); i++) {
            if (at.equals(offset)) {
                return beats.size() % 2 == 0 && i == beats.size() / 2 ? 2 : 1;
            }
            at = at.plus(beats.get(i));
        }
        return 0;
    }

    /** As written in a header: {@code 6/8}, {@code C}, {@code C|}, {@code (2+2+3)/8}, {@code none}. */
    @Override
    public String toString() {
        return switch (look) {
            case NONE -> "none";
            case COMMON -> "C";
            case CUT -> "C|";
            case NUMBERS -> groups.size() == 1
                    ? count() + "/" + unit
                    : "(" + String.join("+", groups.stream().map(String::valueOf).toList()) + ")/" + unit;
        };
    }
}
