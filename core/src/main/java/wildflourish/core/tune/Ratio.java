package wildflourish.core.tune;

/**
 * An exact fraction, kept in lowest terms with a positive denominator. Note values are ratios of a whole note.
 *
 * @throws ArithmeticException from every operation whose result does not fit 64 bits, and for a denominator of zero
 */
public record Ratio(long numerator, long denominator) implements Comparable<Ratio> {

    public static final Ratio ZERO = new Ratio(0, 1);
    public static final Ratio ONE = new Ratio(1, 1);

    public Ratio {
        if (denominator == 0) {
            throw new ArithmeticException("a ratio over zero");
        }
        if (denominator > 1 && (denominator & denominator - 1) == 0) {
            // Nearly all note values are over a power of two.
            int halvings = Long.numberOfTrailingZeros(numerator | denominator);
            numerator >>= halvings;
            denominator >>= halvings;
        } else if (denominator != 1) {
            long divisor = gcd(numerator, denominator);
            if (denominator < 0) {
                divisor = -divisor;
            }
            numerator /= divisor;
            denominator /= divisor;
        }
    }

    public static Ratio of(long numerator, long denominator) {
        return new Ratio(numerator, denominator);
    }

    /** Reads {@code "3/8"} or {@code "2"}; throws {@link IllegalArgumentException} for anything else. */
    public static Ratio parse(String text) {
        try {
            int slash = text.indexOf('/');
            return slash < 0
                    ? of(Long.parseLong(text.strip()), 1)
                    : of(Long.parseLong(text.substring(0, slash).strip()),
                            Long.parseLong(text.substring(slash + 1).strip()));
        } catch (NumberFormatException | ArithmeticException e) {
            throw new IllegalArgumentException("'" + text + "' is not a fraction like 3/8", e);
        }
    }

    public Ratio plus(Ratio other) {
        if (denominator == other.denominator) {
            return of(Math.addExact(numerator, other.numerator), denominator);
        }
        long shared = gcd(denominator, other.denominator);
        return of(
                Math.addExact(
                        Math.multiplyExact(numerator, other.denominator / shared),
                        Math.multiplyExact(other.numerator, denominator / shared)),
                Math.multiplyExact(denominator / shared, other.denominator));
    }

    public Ratio minus(Ratio other) {
        return plus(of(Math.negateExact(other.numerator), other.denominator));
    }

    public Ratio times(Ratio other) {
        return of(
                Math.multiplyExact(numerator, other.numerator), Math.multiplyExact(denominator, other.denominator));
    }

    public Ratio times(long factor) {
        return of(Math.multiplyExact(numerator, factor), denominator);
    }

    public Ratio dividedBy(Ratio other) {
        return of(
                Math.multiplyExact(numerator, other.denominator), Math.multiplyExact(denominator, other.numerator));
    }

    /** The part below one whole {@code unit}: {@code 7/8 mod 3/8 = 1/8}; never negative for a positive unit. */
    public Ratio mod(Ratio unit) {
        Ratio times = dividedBy(unit);
        return minus(unit.times(Math.floorDiv(times.numerator, times.denominator)));
    }

    public boolean isPositive() {
        return numerator > 0;
    }

    public boolean isZero() {
        return numerator == 0;
    }

    public boolean isLess(Ratio other) {
        return compareTo(other) < 0;
    }

    public Ratio min(Ratio other) {
        return other.isLess(this) ? other : this;
    }

    public double toDouble() {
        return (double) numerator / denominator;
    }

    /** The greatest whole number not above this. */
    public long floor() {
        return Math.floorDiv(numerator, denominator);
    }

    @Override
    public int compareTo(Ratio other) {
        if (denominator == other.denominator) {
            return Long.compare(numerator, other.numerator);
        }
        long shared = gcd(denominator, other.denominator);
        return Long.compare(
                Math.multiplyExact(numerator, other.denominator / shared),
                Math.multiplyExact(other.numerator, denominator / shared));
    }

    /** As read by {@link #parse}: {@code 3/8}, or {@code 2} for a whole number. */
    @Override
    public String toString() {
        return denominator == 1 ? Long.toString(numerator) : numerator + "/" + denominator;
    }

    private static long gcd(long a, long b) {
        while (b != 0) {
            long rest = a % b;
            a = b;
            b = rest;
        }
        return a == 0 ? 1 : Math.abs(a);
    }
}
