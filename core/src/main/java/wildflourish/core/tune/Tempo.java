package wildflourish.core.tune;

import java.util.Map;

/**
 * A tempo: how many of a note value go into a minute.
 *
 * @param beat the note value that is counted, as a ratio of a whole note; positive
 * @param perMinute its count a minute; positive
 */
public record Tempo(Ratio beat, Ratio perMinute) {

    private static final Ratio CROTCHET = Ratio.of(1, 4);
    private static final Ratio SLOWEST = Ratio.of(4, 1);
    private static final Ratio FASTEST = Ratio.of(4000, 1);
    private static final Ratio MINUTE = Ratio.of(60_000, 1);
    private static final Map<Ratio, String> NAMES = Map.of(
            Ratio.of(1, 1), "semibreve",
            Ratio.of(3, 4), "dotted minim",
            Ratio.of(1, 2), "minim",
            Ratio.of(3, 8), "dotted crotchet",
            Ratio.of(1, 4), "crotchet",
            Ratio.of(3, 16), "dotted quaver",
            Ratio.of(1, 8), "quaver",
            Ratio.of(1, 16), "semiquaver");

    public Tempo {
        if (!beat.isPositive() || !perMinute.isPositive()) {
            throw new IllegalArgumentException("a tempo counts a note value more than zero times a minute");
        }
    }

    public static Tempo of(Ratio beat, long perMinute) {
        return new Tempo(beat, Ratio.of(perMinute, 1));
    }

    /** Reads {@code 1/4=120} or {@code 3/8=118.5}; throws {@link IllegalArgumentException} for anything else. */
    public static Tempo parse(String text) {
        int equals = text.indexOf('=');
        if (equals < 0) {
            throw new IllegalArgumentException("'" + text + "' is not a tempo like 1/4=120");
        }
        return new Tempo(Ratio.parse(text.substring(0, equals).strip()), count(text.substring(equals + 1).strip()));
    }

    private static Ratio count(String text) {
        try {
            java.math.BigDecimal count = new java.math.BigDecimal(text);
            if (count.precision() - count.scale() > 9) {
                throw new IllegalArgumentException("'" + text + "' is more than is counted in a minute");
            }
            if (count.scale() > 6 || count.precision() > 9) {
                throw new IllegalArgumentException("'" + text + "' is too fine a count for a tempo");
            }
            return Ratio.of(count.movePointRight(6).longValueExact(), 1_000_000);
        } catch (NumberFormatException | ArithmeticException e) {
            throw new IllegalArgumentException("'" + text + "' is not a count a minute like 120", e);
        }
    }

    /** How long a note value lasts, in milliseconds, exactly. */
    public Ratio millis(Ratio length) {
        return length.dividedBy(beat).times(MINUTE).dividedBy(perMinute);
    }

    /** The tempo, counted in the same beat, at which {@code length} lasts exactly {@code millis} (both positive). */
    public Tempo atWhich(Ratio length, Ratio millis) {
        return new Tempo(beat, length.dividedBy(beat).times(MINUTE).dividedBy(millis));
    }

    /** Whether there are from 4 to 4,000 crotchets in its minute: bounds of sense, wider than anybody plays. */
    public boolean isPlayable() {
        try {
            Ratio crotchets = in(CROTCHET).perMinute;
            return !crotchets.isLess(SLOWEST) && !FASTEST.isLess(crotchets);
        } catch (ArithmeticException e) {
            return false;
        }
    }

    public Tempo withCount(long count) {
        return of(beat, count);
    }

    /** So many per cent of this tempo, rounded to a whole count of at least 1; at 100 this tempo itself. */
    public Tempo percent(int percent) {
        return percent == 100 ? this : withCount(Math.max(1, Math.round(perMinute.toDouble() * percent / 100)));
    }

    /** This tempo counted in another note value. */
    public Tempo in(Ratio otherBeat) {
        return new Tempo(otherBeat, perMinute.times(beat).dividedBy(otherBeat));
    }

    public boolean isFasterThan(Tempo other) {
        return other.in(beat).perMinute.isLess(perMinute);
    }

    /** The name of the note value that is counted: {@code dotted crotchet}. */
    public String beatName() {
        return NAMES.getOrDefault(beat, beat + " of a whole note");
    }

    /** For reading, rounded down to a whole count so that a limit stays true: {@code dotted crotchet = 118}. */
    public String spoken() {
        return beatName() + " = " + perMinute.floor();
    }

    /** As read by {@link #parse}, rounded down to a whole count: {@code 3/8=118}. */
    @Override
    public String toString() {
        return beat + "=" + perMinute.floor();
    }
}
