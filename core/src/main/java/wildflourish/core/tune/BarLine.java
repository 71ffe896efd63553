package wildflourish.core.tune;

/**
 * A bar line.
 *
 * @param repeatsBefore dots on its left: how often the music before it is played again
 * @param repeatsAfter dots on its right: a repeat begins here
 */
public record BarLine(Style style, int repeatsBefore, int repeatsAfter) {

    /** What is drawn, repeat dots apart. */
    public enum Style { NONE, THIN, DOUBLE, FINAL, OPENING, DOTTED }

    public static final BarLine THIN = new BarLine(Style.THIN, 0, 0);
    public static final BarLine NONE = new BarLine(Style.NONE, 0, 0);

    /** Whether a section of the tune ends here for the eye: any line but a plain or a dotted one. */
    public boolean closesSection() {
        return repeatsBefore > 0 || repeatsAfter > 0
                || style == Style.DOUBLE || style == Style.FINAL || style == Style.OPENING;
    }

    /** Two lines with nothing between them, drawn as one; a repeat sign is no double bar besides. */
    public BarLine joinedWith(BarLine next) {
        boolean weaker = next.style == Style.NONE || next.style == Style.THIN || next.style == Style.DOTTED;
        Style joined = next.style == Style.NONE || weaker && style != Style.NONE ? style : next.style;
        int before = Math.max(repeatsBefore, next.repeatsBefore);
        int after = Math.max(repeatsAfter, next.repeatsAfter);
        return new BarLine(joined == Style.DOUBLE && before + after > 0 ? Style.THIN : joined, before, after);
    }
}
