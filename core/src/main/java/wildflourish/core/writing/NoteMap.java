package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;

/**
 * Which note of a tune is which of the tune it was made into: the pairing of least cost, in order, over all there are.
 *
 * @param now for each old note the index of the new one; −1 where it is gone
 */
public record NoteMap(List<Integer> now) {

    /**
     * What each difference between two notes costs.
     *
     * @param comeOrGone of a note that is in one of the tunes only
     */
    record Weights(String provenance, int comeOrGone, int otherPitch, int otherLength, int otherPitchAndLength, int otherMoment) {}

    private static final Weights COST = DataFile.read("writing/pairing.json", Weights.class);
    /** Above so many pairs the middle is not searched: its notes are new. */
    private static final long MOST_PAIRS = 40_000_000;

    public NoteMap {
        now = List.copyOf(now);
    }

    /** Each note is the note in its place, as when a tune is moved to another key. */
    static NoteMap inPlace(int notes) {
        return new NoteMap(IntStream.range(0, notes).boxed().toList());
    }

    /** The pairing of two tunes. */
    public static NoteMap between(Timeline before, Timeline after) {
        int head = 0;
        while (head < before.size() && head < after.size() && cost(before.note(head), after.note(head)) == 0) {
            head++;
        }
        int tail = 0;
        while (tail < Math.min(before.size(), after.size()) - head
                && cost(before.note(before.size() - 1 - tail), after.note(after.size() - 1 - tail)) == 0) {
            tail++;
        }
        List<Integer> now = new ArrayList<>(Collections.nCopies(before.size(), -1));
        for (int i = 0; i < head; i++) {
            now.set(i, i);
        }
        for (int i = 1; i <= tail; i++) {
            now.set(before.size() - i, after.size() - i);
        }
        align(before.notes().subList(head, before.size() - tail), after.notes().subList(head, after.size() - tail), now, head);
        return new NoteMap(now);
    }

    /** Finds the pairing of least cost of what lies between equal beginnings and ends. */
    private static void align(List<Timeline.Stand> before, List<Timeline.Stand> after, List<Integer> now, int head) {
        int n = before.size();
        int m = after.size();
        if ((long) n * m > MOST_PAIRS) {
            return;
        }
        int[][] least = new int[n + 1][m + 1];
        for (int i = n; i >= 0; i--) {
            for (int j = m; j >= 0; j--) {
                if (i == n || j == m) {
                    least[i][j] = (n - i + m - j) * COST.comeOrGone();
                } else {
                    least[i][j] = Math.min(cost(before.get(i), after.get(j)) + least[i + 1][j + 1],
                            COST.comeOrGone() + Math.min(least[i + 1][j], least[i][j + 1]));
                }
            }
        }
        int i = 0;
        int j = 0;
        while (i < n && j < m) {
            if (least[i][j] == cost(before.get(i), after.get(j)) + least[i + 1][j + 1]) {
                now.set(head + i++, head + j++);
            } else if (least[i][j] == COST.comeOrGone() + least[i + 1][j]) {
                i++;
            } else {
                j++;
            }
        }
    }

    private static int cost(Timeline.Stand before, Timeline.Stand after) {
        Note a = before.note();
        Note b = after.note();
        boolean pitch = a.pitch().equals(b.pitch());
        boolean length = a.length().equals(b.length());
        int moment = before.offset().equals(after.offset()) ? 0 : COST.otherMoment();
        return moment + (pitch && length ? 0 : pitch ? COST.otherLength() : length ? COST.otherPitch() : COST.otherPitchAndLength());
    }

    /** The new index of an old note; empty where it is gone. */
    public Optional<Integer> of(int note) {
        return note < now.size() && now.get(note) >= 0 ? Optional.of(now.get(note)) : Optional.empty();
    }

    /** The new index of an old note, or of the next one that is still there; empty behind the last. */
    public Optional<Integer> ofOrAfter(int note) {
        for (int i = note; i < now.size(); i++) {
            if (now.get(i) >= 0) {
                return Optional.of(now.get(i));
            }
        }
        return Optional.empty();
    }
}
