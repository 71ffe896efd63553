package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;

/**
 * The order in which the bars of a tune are played: repeats, endings and a given order of parts played out.
 *
 * <p>As the ABC standard 2.1 has it, a closing repeat without an opening one goes back to the last closing repeat,
 * double bar or part, and to the start when there is none; {@code ::|} plays a section three times; an ending is
 * played on the times it lists, and a last ending asks for no further pass.
 */
public final class PlayOrder {

    /** No tune is played out longer than this many bars: a guard against repeats written by mistake. */
    public static final int LONGEST = 200_000;

    private static final int MOST_PARTS = 1000;

    private PlayOrder() {}

    /** Indices of the tune's bars in the order played; at most {@link #LONGEST} of them. */
    public static List<Integer> of(Tune tune) {
        List<Bar> bars = tune.bars();
        List<Integer> played = new ArrayList<>();
        if (tune.head().order().isEmpty() || bars.stream().noneMatch(b -> b.part().isPresent())) {
            playRange(bars, 0, bars.size(), tune.opening().repeatsAfter() > 0, played);
            return List.copyOf(Jumps.taken(bars, played));
        }
        for (char part : spelledOut(tune.head().order()).toCharArray()) {
            for (int from = 0; from < bars.size(); from++) {
                if (bars.get(from).part().filter(p -> p.startsWith(String.valueOf(part))).isPresent()) {
                    int to = from + 1;
                    while (to < bars.size() && bars.get(to).part().isEmpty()) {
                        to++;
                    }
                    boolean opens = from == 0
                            ? tune.opening().repeatsAfter() > 0 : bars.get(from - 1).closing().repeatsAfter() > 0;
                    playRange(bars, from, to, opens, played);
                    break;
                }
            }
        }
        return List.copyOf(played);
    }

    /** Whether the tune, played out in full, is longer than the guard lets it be. */
    public static boolean isCutShort(Tune tune) {
        return of(tune).size() >= LONGEST || spelledOut(tune.head().order()).length() >= MOST_PARTS;
    }

    private static void playRange(List<Bar> bars, int from, int to, boolean opened, List<Integer> played) {
        int start = from;
        int pass = 1;
        boolean explicit = opened;
        int i = from;
        while (i < to && played.size() < LONGEST) {
            Bar bar = bars.get(i);
            int now = pass;
            boolean otherTime = bar.ending().filter(e -> !e.times().contains(now)).isPresent();
            if (otherTime) {
                int next = endOfEnding(bars, i, to);
                if (next < to && bars.get(next).ending().isPresent()) {
                    i = next;
                    continue;
                }
                if (next >= to) {
                    return;
                }
                i = next;
                start = next;
                pass = 1;
                explicit = false;
                continue;
            }
            played.add(i);
            int colons = bar.closing().repeatsBefore();
            boolean again = colons > 0
                    && (bar.ending().isPresent()
                            ? listsLater(bars, start, i, to, pass)
                            : pass < colons + 1);
            if (again) {
                pass++;
                i = start;
                continue;
            }
            i++;
            boolean left = bar.ending().isPresent()
                    && (i >= to || bars.get(i).ending().isEmpty())
                    && pass > 1;
            if (bar.closing().repeatsAfter() > 0) {
                start = i;
                pass = 1;
                explicit = true;
            } else if (colons > 0 && !again && !nextIsEnding(bars, i, to) || left) {
                start = i;
                pass = 1;
                explicit = false;
            } else if (bar.closing().closesSection() && !explicit && !nextIsEnding(bars, i, to)) {
                start = i;
                pass = 1;
            }
        }
    }

    private static boolean nextIsEnding(List<Bar> bars, int i, int to) {
        return i < to && bars.get(i).ending().isPresent();
    }

    private static int endOfEnding(List<Bar> bars, int i, int to) {
        int next = i + 1;
        while (next < to && bars.get(next).ending().isPresent() && !bars.get(next).ending().get().starts()) {
            next++;
        }
        return next;
    }

    /** Whether an ending of this group of endings is played on a later pass than this one. */
    private static boolean listsLater(List<Bar> bars, int start, int i, int to, int pass) {
        for (int k = i; k >= start && bars.get(k).ending().isPresent(); k--) {
            if (bars.get(k).ending().get().times().contains(pass + 1)) {
                return true;
            }
        }
        for (int k = i + 1; k < to && bars.get(k).ending().isPresent(); k++) {
            if (bars.get(k).ending().get().times().contains(pass + 1)) {
                return true;
            }
        }
        return false;
    }

    /** {@code A(AB)3C2} becomes {@code AABABABCC}; what is neither letter, digit nor bracket is passed over. */
    static String spelledOut(String order) {
        int[] at = {0};
        return spell(order, at, 0);
    }

    private static String spell(String order, int[] at, int depth) {
        StringBuilder out = new StringBuilder();
        while (at[0] < order.length() && out.length() < MOST_PARTS) {
            char c = order.charAt(at[0]++);
            String unit;
            if (c == '(' && depth < 20) {
                unit = spell(order, at, depth + 1);
            } else if (c == ')') {
                return out.toString();
            } else if (Character.isLetter(c)) {
                unit = String.valueOf(c);
            } else {
                continue;
            }
            int count = 0;
            while (at[0] < order.length() && Character.isDigit(order.charAt(at[0])) && count < 100) {
                count = count * 10 + order.charAt(at[0]++) - '0';
            }
            out.append(unit.repeat(Math.clamp(count, 1, 100)));
        }
        return out.toString();
    }
}
