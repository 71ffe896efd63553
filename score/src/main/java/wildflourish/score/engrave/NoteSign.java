package wildflourish.score.engrave;

import wildflourish.core.tune.Ratio;

/**
 * How a note value is drawn.
 *
 * @param head SMuFL name of the head
 * @param flags 0 for a crotchet or longer
 * @param base the value without its dots
 */
record NoteSign(String head, boolean stem, int flags, int dots, Ratio base) {

    /** The sign of a written length; a length no sign exists for takes the nearest shorter one. */
    static NoteSign of(Ratio written) {
        Ratio base = Ratio.of(2, 1);
        while (written.isLess(base) && base.denominator() < 64) {
            base = base.times(Ratio.of(1, 2));
        }
        Ratio rest = written.minus(base);
        int dots = 0;
        Ratio dot = base.times(Ratio.of(1, 2));
        while (dots < 3 && !rest.isLess(dot) && rest.isPositive()) {
            rest = rest.minus(dot);
            dot = dot.times(Ratio.of(1, 2));
            dots++;
        }
        int flags = 0;
        for (Ratio r = Ratio.of(1, 4); base.isLess(r); r = r.times(Ratio.of(1, 2))) {
            flags++;
        }
        String head = !base.isLess(Ratio.of(2, 1)) ? "noteheadDoubleWhole"
                : !base.isLess(Ratio.ONE) ? "noteheadWhole"
                : !base.isLess(Ratio.of(1, 2)) ? "noteheadHalf" : "noteheadBlack";
        return new NoteSign(head, base.isLess(Ratio.ONE), flags, dots, base);
    }

    /** SMuFL name of the rest of this value. */
    String rest() {
        return switch (flags) {
            case 0 -> !base.isLess(Ratio.of(2, 1)) ? "restDoubleWhole" : !base.isLess(Ratio.ONE) ? "restWhole"
                    : !base.isLess(Ratio.of(1, 2)) ? "restHalf" : "restQuarter";
            case 1 -> "rest8th";
            case 2 -> "rest16th";
            case 3 -> "rest32nd";
            default -> "rest64th";
        };
    }

    /** SMuFL name of the flag. */
    String flag(boolean up) {
        String value = switch (flags) {
            case 1 -> "8th";
            case 2 -> "16th";
            case 3 -> "32nd";
            default -> "64th";
        };
        return "flag" + value + (up ? "Up" : "Down");
    }
}
