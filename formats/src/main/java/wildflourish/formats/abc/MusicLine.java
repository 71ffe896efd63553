package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Ratio;
import wildflourish.formats.book.Findings;

/** A line of music code and how far it has been read: its smallest pieces. */
abstract class MusicLine {

    /** What a length may be written as; what it may come to is {@link BarBuilder#counts}'s to say. */
    private static final long MOST = 10_000_000;

    private static final int MOST_TIMES = 99;

    final Findings findings;
    String text = "";
    int line;
    int at;
    private String missing = "";

    MusicLine(Findings findings) {
        this.findings = findings;
    }

    /** Begins a line, without the backslash at its end; whether there was one. */
    boolean begin(AbcLine source) {
        text = source.text();
        line = source.number();
        at = 0;
        missing = "";
        boolean continued = text.stripTrailing().endsWith("\\");
        if (continued) {
            text = text.substring(0, text.lastIndexOf('\\'));
        }
        return continued;
    }

    /** Where a sign stands next in the line, or −1; a sign known to be missing is not looked for again. */
    int closing(char sign, int from) {
        if (missing.indexOf(sign) >= 0) {
            return -1;
        }
        int found = text.indexOf(sign, from);
        if (found < 0) {
            missing += sign;
        }
        return found;
    }

    /** The factor of a length: 1 when none is written. */
    Ratio length() {
        int from = at;
        if (at >= text.length() || text.charAt(at) != '/' && !Character.isDigit(text.charAt(at))) {
            return Ratio.ONE;
        }
        long count = digits(1);
        long over = 1;
        while (at < text.length() && text.charAt(at) == '/') {
            at++;
            long by = digits(2);
            over = by == 0 || over > MOST ? 0 : over * by;
        }
        if (count <= 0 || over <= 0 || over >= MOST || count >= MOST) {
            findings.error(line, from + 1, "'" + text.substring(from, at) + "' is not a length",
                    "the note was given the unit of length; write a length such as 2, 3/2 or /2");
            return Ratio.ONE;
        }
        return Ratio.of(count, over);
    }

    long digits(long otherwise) {
        int from = at;
        long value = 0;
        while (at < text.length() && Character.isDigit(text.charAt(at))) {
            value = Math.min(value * 10 + Character.digit(text.charAt(at), 10), MOST);
            at++;
        }
        return at == from ? otherwise : value;
    }

    void skipTo(char end) {
        int close = text.indexOf(end, at + 1);
        at = close < 0 ? text.length() : close + 1;
    }

    int count(char c) {
        int from = at;
        while (at < text.length() && text.charAt(at) == c) {
            at++;
        }
        return at - from;
    }

    /** {@code 1}, {@code 1,3}, {@code 1-3}: which times through. */
    List<Integer> times() {
        List<Integer> times = new ArrayList<>();
        if (text.charAt(at) == '"') {
            skipTo('"');
        }
        while (at < text.length() && Character.isDigit(text.charAt(at))) {
            int first = time();
            int last = first;
            if (at + 1 < text.length() && text.charAt(at) == '-' && Character.isDigit(text.charAt(at + 1))) {
                at++;
                last = time();
            }
            for (int i = first; i <= last; i++) {
                times.add(i);
            }
            if (at + 1 < text.length() && (text.charAt(at) == ',' || text.charAt(at) == '.')
                    && Character.isDigit(text.charAt(at + 1))) {
                at++;
            }
        }
        return times;
    }

    private int time() {
        int from = at;
        long time = digits(1);
        if (time > MOST_TIMES) {
            findings.warning(line, from + 1, "an ending for time %s through".formatted(text.substring(from, at)),
                    "it was read as one for time %d; no tune is played so often".formatted(MOST_TIMES));
        }
        return (int) Math.min(time, MOST_TIMES);
    }

    /** The bar line that is written here; empty, and reported, where colons make none. */
    Optional<BarLine> barSign() {
        int from = at;
        int before = count(':');
        boolean dotted = passed('.');
        boolean thickFirst = passed('[');
        int bars = count('|');
        boolean thickLast = passed(']');
        int after = bars > 0 || thickLast ? count(':') : 0;
        if (bars == 0 && !thickFirst) {
            if (before < 2) {
                findings.error(line, from + 1, "a colon alone is not a bar line", "write a repeat as |: or :|");
                return Optional.empty();
            }
            after = before - before / 2;
            before = before / 2;
        }
        BarLine.Style style = thickFirst && thickLast ? before + after > 0 ? BarLine.Style.THIN : BarLine.Style.NONE
                : thickFirst ? BarLine.Style.OPENING
                : thickLast ? BarLine.Style.FINAL
                : dotted ? BarLine.Style.DOTTED
                : bars > 1 && before == 0 && after == 0 ? BarLine.Style.DOUBLE : BarLine.Style.THIN;
        return Optional.of(new BarLine(style, Math.min(before, 9), Math.min(after, 9)));
    }

    private boolean passed(char sign) {
        boolean there = at < text.length() && text.charAt(at) == sign;
        at += there ? 1 : 0;
        return there;
    }
}
