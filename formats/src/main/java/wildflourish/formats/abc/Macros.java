package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Short ways of writing that a tune explains in {@code m:} lines, written out (ABC standard 2.1, section 9). */
final class Macros {

    /** The standard's bounds on what is written and what it stands for. */
    private static final int LONGEST_TARGET = 31;
    private static final int LONGEST_TEXT = 200;
    /** A line does not grow beyond this. */
    private static final int LONGEST_LINE = 100_000;

    private static final String LETTERS = "CDEFGABcdefgab";
    private static final int STEPS = 7;

    private final List<Macro> all = new ArrayList<>();

    /**
     * What is written and what it stands for.
     *
     * @param moves whether the letter n stands for any note, and its neighbours in the alphabet for the notes around it
     */
    private record Macro(String target, Pattern written, String text, boolean moves) {}

    /** Takes in the value of a line such as {@code ~G3 = G{A}G{F}G}; whether it could be read. */
    boolean define(String value) {
        int equals = value.indexOf('=');
        // The sign of a natural may stand in what is written: the one with spaces around it parts the two.
        equals = value.indexOf(" = ") >= 0 ? value.indexOf(" = ") + 1 : equals;
        if (equals < 1) {
            return false;
        }
        String target = value.substring(0, equals).strip();
        String text = value.substring(equals + 1).strip();
        if (target.isEmpty() || target.length() > LONGEST_TARGET || text.length() > LONGEST_TEXT) {
            return false;
        }
        boolean moves = target.indexOf('n') >= 0;
        int at = target.indexOf('n');
        Pattern written = Pattern.compile(moves ? Pattern.quote(target.substring(0, at)) + "([A-Ga-g][,']*)" + Pattern.quote(target.substring(at + 1)) : Pattern.quote(target));
        all.add(new Macro(target, written, text, moves));
        all.sort(Comparator.comparingInt((Macro m) -> m.target().length()).reversed());
        return true;
    }

    boolean isEmpty() {
        return all.isEmpty();
    }

    /** A line of music with everything written out; texts between quotation marks and fields stay. */
    String expanded(String line) {
        if (all.isEmpty()) {
            return line;
        }
        StringBuilder out = new StringBuilder();
        int at = 0;
        while (at < line.length()) {
            int kept = endOfKept(line, at);
            if (kept > at) {
                out.append(line, at, kept);
                at = kept;
                continue;
            }
            int end = out.length() > LONGEST_LINE ? at : replaced(line, at, out);
            if (end == at) {
                out.append(line.charAt(at++));
            } else {
                at = end;
            }
        }
        return out.toString();
    }

    private static int endOfKept(String line, int at) {
        char close = line.charAt(at) == '"' ? '"' : line.startsWith(":", at + 2) && line.charAt(at) == '[' ? ']' : ' ';
        int end = close == ' ' ? -1 : line.indexOf(close, at + 1);
        return end < 0 ? at : end + 1;
    }

    /** Writes out what begins here; gives where it ends, or here where nothing does. */
    private int replaced(String line, int at, StringBuilder out) {
        for (Macro macro : all) {
            Matcher here = macro.written().matcher(line).region(at, line.length());
            // A length goes on after a figure: ~G2 is not in ~G24.
            if (here.lookingAt() && !(Character.isDigit(line.charAt(here.end() - 1)) && here.end() < line.length() && Character.isDigit(line.charAt(here.end())))) {
                out.append(macro.moves() ? moved(macro.text(), here.group(1)) : macro.text());
                return here.end();
            }
        }
        return at;
    }

    private static String moved(String text, String note) {
        int step = LETTERS.indexOf(note.charAt(0));
        for (int i = 1; i < note.length(); i++) {
            step += note.charAt(i) == ',' ? -STEPS : STEPS;
        }
        StringBuilder out = new StringBuilder();
        for (char c : text.toCharArray()) {
            out.append(c >= 'h' && c <= 'z' ? name(step + c - 'n') : String.valueOf(c));
        }
        return out.toString();
    }

    private static String name(int step) {
        if (step >= 0 && step < LETTERS.length()) {
            return String.valueOf(LETTERS.charAt(step));
        }
        int within = Math.floorMod(step, STEPS);
        return step < 0 ? LETTERS.charAt(within) + ",".repeat(-Math.floorDiv(step, STEPS)) : LETTERS.charAt(within + STEPS) + "'".repeat(Math.floorDiv(step, STEPS) - 1);
    }
}
