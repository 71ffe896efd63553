package wildflourish.core.instrument;

/**
 * Six finger holes from the mouth downward, each closed, open or half covered.
 *
 * @param pattern six letters of {@code x}, {@code o} and {@code h}, without the gap between the hands
 */
public record Holes(String pattern) {

    public static final int COUNT = 6;

    public Holes {
        if (!pattern.matches("[xoh]{6}")) {
            throw new IllegalArgumentException("'" + pattern + "' does not name six holes as x, o or h");
        }
    }

    /** Reads {@code "xxx xoo"}; spaces do not matter. */
    public static Holes parse(String text) {
        return new Holes(text.replace(" ", ""));
    }

    /** Whether a finger lies on hole {@code hole}, counted from 1 at the mouth, and covers it. */
    public boolean isClosed(int hole) {
        return pattern.charAt(hole - 1) == 'x';
    }

    public boolean isOpen(int hole) {
        return pattern.charAt(hole - 1) == 'o';
    }

    public boolean isHalf(int hole) {
        return pattern.charAt(hole - 1) == 'h';
    }

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

    /** The lowest closed hole, or 0 when none is. */
    public int lowestClosed() {
        return pattern.lastIndexOf('x') + 1;
    }

    /** How many fingers change between the two. */
    public int fingersMoved(Holes other) {
        int moved = 0;
        for (int i = 0; i < COUNT; i++) {
            if (pattern.charAt(i) != other.pattern.charAt(i)) {
                moved++;
            }
        }
        return moved;
    }

    /** Whether some finger comes down while another goes up. */
    public boolean isContraryTo(Holes next) {
        boolean down = false;
        boolean up = false;
        for (int hole = 1; hole <= COUNT; hole++) {
            down |= isOpen(hole) && next.isClosed(hole);
            up |= isClosed(hole) && next.isOpen(hole);
        }
        return down && up;
    }

    /** As charts are written: {@code xxx xoo}. */
    @Override
    public String toString() {
        return pattern.substring(0, 3) + " " + pattern.substring(3);
    }
}
