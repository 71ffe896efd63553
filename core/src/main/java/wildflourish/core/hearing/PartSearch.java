package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedList;
import java.util.List;
import java.util.Set;

/**
 * Finds the order in which the parts of a tune were played: the cheapest way through what was heard in steps of 20 ms (dynamic programming over steps and notes). States are: before the tune,
 * each note, behind the tune. From the end of a part the beginning of any may follow, at a price, and from any other note at a higher one.
 */
final class PartSearch {

    /** So many frames are looked at together. */
    static final int STEP = 4;
    /** Prices, in steps of a wrong pitch, from memory. Of entering a note so much that no part is rushed through in an instant. */
    private static final float ENTER = 3;
    private static final float MISSING = 6;
    private static final float SAME_AGAIN = 2;
    private static final float OUTSIDE = 0.8f;
    /** Another part than the next, half a second. */
    private static final float OTHER_PART = 25;
    /** Broken off and begun anew, six tenths of a second. */
    private static final float BROKEN_OFF = 30;
    private static final int GAP = 4;
    /** How a note was come into in a step: from so many notes before, or from before the tune, or from the end of another leg. */
    private static final byte BEGUN = -1;
    private static final byte ANEW = -2;

    /**
     * A leg as it was found.
     *
     * @param steps in which each of its notes begins
     */
    record Found(int from, int to, List<Integer> steps) {

        int step() {
            return steps.getFirst();
        }

        int last() {
            return steps.getLast();
        }
    }

    private final List<Wanted> notes;
    private final Set<Integer> starts;
    private final float[] midi;
    private final float[] attack;
    private final double higher;
    private final byte[][] from;
    /** The note from which another leg is begun anew, in each step. */
    private final int[] leaves;
    /** The note with which the tune is left, in each step; one more than the last where it was left already. */
    private final int[] left;

    PartSearch(List<Wanted> notes, Set<Integer> starts, Heard heard, double higher) {
        this.notes = notes;
        this.starts = starts;
        this.higher = higher;
        int steps = heard.size() / STEP;
        this.midi = new float[steps];
        this.attack = new float[steps];
        for (int s = 0; s < steps; s++) {
            midi[s] = middle(heard, s * STEP);
            for (int f = s * STEP; f < (s + 1) * STEP; f++) {
                attack[s] = Math.max(attack[s], heard.attack()[f]);
            }
        }
        this.from = new byte[steps][];
        this.leaves = new int[steps];
        this.left = new int[steps];
    }

    private static float middle(Heard heard, int from) {
        float[] some = new float[STEP];
        int n = 0;
        for (int f = from; f < from + STEP; f++) {
            if (heard.isPitched(f)) {
                some[n++] = heard.midi()[f];
            }
        }
        Arrays.sort(some, 0, n);
        return n == 0 ? Float.NaN : some[n / 2];
    }

    List<Found> found() {
        int size = notes.size();
        float outside = outside(0);
        float behind = Float.MAX_VALUE / 4;
        float[] cost = new float[size];
        float[] before = new float[size];
        for (int n = 0; n < size; n++) {
            cost[n] = begin(n) + away(n, 0);
        }
        from[0] = new byte[size];
        Arrays.fill(from[0], BEGUN);
        for (int s = 1; s < midi.length; s++) {
            float[] swap = before;
            before = cost;
            cost = swap;
            float leave = Float.MAX_VALUE / 4;
            float end = behind;
            left[s] = size;
            for (int n = 0; n < size; n++) {
                boolean ends = n + 1 == size || starts.contains(n + 1);
                float price = before[n] + (ends ? OTHER_PART : BROKEN_OFF);
                if (price < leave) {
                    leave = price;
                    leaves[s] = n;
                }
                float last = before[n] + (ends ? 0 : OTHER_PART);
                if (last < end) {
                    end = last;
                    left[s] = n;
                }
            }
            from[s] = new byte[size];
            for (int n = 0; n < size; n++) {
                cost[n] = into(n, s, before, outside, leave) + away(n, s);
            }
            behind = end + outside(s);
            outside += outside(s);
        }
        int best = size;
        float least = behind;
        for (int n = 0; n < size; n++) {
            float price = cost[n] + (n + 1 == size || starts.contains(n + 1) ? 0 : OTHER_PART);
            if (price < least) {
                least = price;
                best = n;
            }
        }
        return back(best, outside < least);
    }

    /** How a note is come into or stayed in. */
    private float into(int n, int s, float[] before, float outside, float leave) {
        float best = before[n];
        byte way = 0;
        // Going on in silence is leaving a note out: nothing is lost by waiting until the next is heard.
        float enter = ENTER + (Float.isNaN(midi[s]) ? MISSING : 0);
        for (int gap = 1; gap <= GAP && gap <= n; gap++) {
            float price = before[n - gap] + enter + MISSING * (gap - 1) + (notes.get(n - gap).midi() == notes.get(n).midi() ? SAME_AGAIN * (1 - attack[s]) : 0);
            if (price < best) {
                best = price;
                way = (byte) gap;
            }
        }
        if (outside + begin(n) < best) {
            best = outside + begin(n);
            way = BEGUN;
        }
        if (starts.contains(n) && leave < best) {
            best = leave;
            way = ANEW;
        }
        from[s][n] = way;
        return best;
    }

    private float begin(int n) {
        // Rather the first part and then another than another at once.
        return n == 0 ? 0 : starts.contains(n) ? OTHER_PART + 1 : 2 * OTHER_PART;
    }

    private List<Found> back(int end, boolean silent) {
        List<Found> found = new ArrayList<>();
        int s = midi.length - 1;
        int note = end;
        while (note == notes.size() && s > 0) {
            note = left[s--];
        }
        if (silent || note == notes.size()) {
            return found;
        }
        LinkedList<Integer> steps = new LinkedList<>();
        int to = note + 1;
        int ends = s;
        for (; s >= 0; s--) {
            byte way = from[s][note];
            if (way != 0) {
                steps.addFirst(sounds(s, steps.isEmpty() ? ends : steps.getFirst()));
            }
            if (way == BEGUN || way == ANEW) {
                found.addFirst(new Found(note, to, List.copyOf(steps)));
                if (way == BEGUN) {
                    break;
                }
                ends = s;
                steps.clear();
                note = leaves[s];
                to = note + 1;
            } else {
                // What was left out begins with what comes behind it.
                for (int gap = 1; gap < way; gap++) {
                    steps.addFirst(s);
                }
                note -= way;
            }
        }
        return found;
    }

    /** The first step of a note, up to where the next begins, in which a pitch is heard: before it is silence. */
    private int sounds(int from, int to) {
        int s = from;
        while (s < to && Float.isNaN(midi[s])) {
            s++;
        }
        return s < to ? s : from;
    }

    private float away(int note, int step) {
        return Alignment.away(midi[step] - higher - notes.get(note).midi());
    }

    private float outside(int step) {
        return Float.isNaN(midi[step]) ? 0 : OUTSIDE;
    }
}
