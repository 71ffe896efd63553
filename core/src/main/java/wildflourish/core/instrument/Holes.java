package wildflourish.core.instrument;

/**
 * The holes of a wind instrument, each closed ({@code x}), open ({@code o}) or half covered ({@code h}).
 *
 * @param thumb the thumb hole, one letter; empty when there is none
 * @param pattern the finger holes from the mouth downward, four to eight, without the gap between the hands; the upper hand has three
 */
public record Holes(String thumb, String pattern) {

    private static final int UPPER_HAND = 3;

    public Holes {
        if (!thumb.matches("[xoh]?") || !pattern.matches("[xoh]{4,8}")) {
            throw new IllegalArgumentException(
                    "'%s' does not name the holes as x, o or h, like xxx xoo".formatted((thumb + " " + pattern).strip()));
        }
    }

    /** Reads {@code "xxx xoo"}, or with the thumb first {@code "x xxx xoxo"}; the thumb stands by itself. */
    public static Holes parse(String text) {
        String[] groups = text.strip().split("\\s+", 2);
        boolean thumbFirst = groups.length == 2 && groups[0].length() == 1;
        return thumbFirst
                ? new Holes(groups[0], groups[1].replace(" ", "")) : new Holes("", text.replace(" ", ""));
    }

    /** How many finger holes there are, the thumb's not counted. */
    public int count() {
        return pattern.length();
    }

    public boolean hasThumb() {
        return !thumb.isEmpty();
    }

    /** The lowest number a hole has here: 0 for the thumb's, 1 where there is none. */
    public int first() {
        return hasThumb() ? 0 : 1;
    }

    /** How a hole is covered: {@code x}, {@code o} or {@code h}; hole 0 is the thumb's, 1 the next from the mouth. */
    public char at(int hole) {
        return hole == 0 ? thumb.charAt(0) : pattern.charAt(hole - 1);
    }

    /** Whether a finger lies on the hole and covers it. */
    public boolean isClosed(int hole) {
        return at(hole) == 'x';
    }

    public boolean isOpen(int hole) {
        return at(hole) == 'o';
    }

    public boolean isHalf(int hole) {
        return at(hole) == 'h';
    }

    /** Whether a finger half covers its hole; a pinched thumb hole is no such thing. */
    public boolean hasHalf() {
        return pattern.indexOf('h') >= 0;
    }

    /** A fork: some hole is closed below an open one; a top hole opened as a vent above five closed ones is none. */
    public boolean isFork() {
        if (pattern.equals("oxxxxx")) {
            return false;
        }
        int open = pattern.indexOf('o');
        return open >= 0 && pattern.indexOf('x', open) >= 0;
    }

    /** The same with one hole covered otherwise: {@code x}, {@code o} or {@code h}; hole 0 is the thumb's. */
    public Holes with(int hole, char covered) {
        return hole == 0 ? new Holes(String.valueOf(covered), pattern)
                : new Holes(thumb, pattern.substring(0, hole - 1) + covered + pattern.substring(hole));
    }

    /** The same with a pinched thumb hole closed, as it is in the octave below. */
    Holes unpinched() {
        return thumb.equals("h") ? new Holes("x", pattern) : this;
    }

    /** The lowest closed finger hole, or 0 when none is. */
    public int lowestClosed() {
        return pattern.lastIndexOf('x') + 1;
    }

    /** How many finger holes are open. */
    public int fingersUp() {
        int up = 0;
        for (int hole = first(); hole <= count(); hole++) {
            up += isOpen(hole) ? 1 : 0;
        }
        return up;
    }

    /** How many fingers change between the two, the thumb counted; both have the same holes. */
    public int fingersMoved(Holes other) {
        int moved = 0;
        for (int hole = first(); hole <= count(); hole++) {
            if (at(hole) != other.at(hole)) {
                moved++;
            }
        }
        return moved;
    }

    /** Whether some finger comes down while another goes up. */
    public boolean isContraryTo(Holes next) {
        boolean down = false;
        boolean up = false;
        for (int hole = first(); hole <= count(); hole++) {
            down |= isOpen(hole) && next.isClosed(hole);
            up |= isClosed(hole) && next.isOpen(hole);
        }
        return down && up;
    }

    /** Whether every hole is at least as open there as here, and one more so. */
    public boolean isOpenedFurtherIn(Holes other) {
        boolean more = false;
        for (int hole = first(); hole <= count(); hole++) {
            int here = "xho".indexOf(at(hole));
            int there = "xho".indexOf(other.at(hole));
            if (there < here) {
                return false;
            }
            more |= there > here;
        }
        return more;
    }

    /** Whether the two belong to instruments with the same holes. */
    public boolean hasTheSameHolesAs(Holes other) {
        return hasThumb() == other.hasThumb() && count() == other.count();
    }

    /** As charts are written: {@code xxx xoo}, or {@code x xxx xoxo}. */
    @Override
    public String toString() {
        return (hasThumb() ? thumb + " " : "") + pattern.substring(0, UPPER_HAND) + " " + pattern.substring(UPPER_HAND);
    }
}
