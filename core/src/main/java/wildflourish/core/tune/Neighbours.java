package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Which note goes before and follows another where the tune is played on from elsewhere: at repeats, endings and jumps. Only notes are in it
 * whose neighbours are not, or not always, those that are written beside them.
 *
 * @param before for such a note, the notes that it follows directly, in the order in which the tune is played; {@link #NONE} where it follows
 *     a rest, or nothing
 * @param after the same for what follows it
 */
record Neighbours(Map<Integer, List<Integer>> before, Map<Integer, List<Integer>> after) {

    static final int NONE = -1;

    Neighbours {
        before = Map.copyOf(before);
        after = Map.copyOf(after);
    }

    /** A note by which one bar leads into another; none where a rest stands between, or a tie leads over. */
    private record Join(OptionalInt last, OptionalInt first) {}

    /**
     * Those of a tune.
     *
     * @param barStarts for each bar the index of its first note
     */
    static Neighbours of(Tune tune, List<Stand> notes, List<Integer> barStarts) {
        List<Integer> order = PlayOrder.of(tune);
        Map<Integer, List<Integer>> before = new HashMap<>();
        Map<Integer, List<Integer>> after = new HashMap<>();
        Set<List<Integer>> seen = new HashSet<>();
        for (int i = 0; i < order.size(); i++) {
            int from = i == 0 ? NONE : order.get(i - 1);
            int to = order.get(i);
            if (seen.add(List.of(from, to))) {
                add(from, to, tune, notes, barStarts, before, after);
            }
        }
        if (!order.isEmpty() && seen.add(List.of(order.getLast(), NONE))) {
            add(order.getLast(), NONE, tune, notes, barStarts, before, after);
        }
        before.entrySet().removeIf(e -> isWritten(e.getValue(), previous(e.getKey(), notes), e.getKey(), true, notes));
        after.entrySet().removeIf(e -> isWritten(e.getValue(), next(e.getKey(), notes), e.getKey(), false, notes));
        return new Neighbours(before, after);
    }

    private static void add(int from, int to, Tune tune, List<Stand> notes, List<Integer> barStarts, Map<Integer, List<Integer>> before, Map<Integer, List<Integer>> after) {
        OptionalInt last = from == NONE ? OptionalInt.empty() : last(tune.bars().get(from), from, notes, barStarts);
        OptionalInt first = to == NONE ? OptionalInt.empty() : first(tune.bars().get(to), to, notes, barStarts);
        boolean tied = from != NONE && to != NONE && first.isEmpty() && beginsWithNote(tune.bars().get(to));
        first.ifPresent(f -> put(before, f, last.orElse(NONE)));
        if (!tied) {
            last.ifPresent(l -> put(after, l, first.orElse(NONE)));
        }
    }

    private static void put(Map<Integer, List<Integer>> all, int note, int other) {
        List<Integer> known = all.computeIfAbsent(note, n -> new ArrayList<>());
        if (!known.contains(other)) {
            known.add(other);
        }
    }

    private static boolean beginsWithNote(Bar bar) {
        return bar.elements().stream().filter(e -> !(e instanceof Change)).findFirst().filter(Note.class::isInstance).isPresent();
    }

    /** The note that a bar begins with, where it has a start of its own. */
    private static OptionalInt first(Bar bar, int b, List<Stand> notes, List<Integer> barStarts) {
        int first = barStarts.get(b);
        return beginsWithNote(bar) && first < notes.size() && !notes.get(first).heldOver() ? OptionalInt.of(first) : OptionalInt.empty();
    }

    /** The note that sounds as a bar ends, by its start. */
    private static OptionalInt last(Bar bar, int b, List<Stand> notes, List<Integer> barStarts) {
        boolean sounds = bar.elements().reversed().stream().filter(e -> !(e instanceof Change)).findFirst().filter(Note.class::isInstance).isPresent();
        if (!sounds) {
            return OptionalInt.empty();
        }
        int last = (b + 1 < barStarts.size() ? barStarts.get(b + 1) : notes.size()) - 1;
        while (last > 0 && notes.get(last).heldOver()) {
            last--;
        }
        return OptionalInt.of(last);
    }

    private static int next(int note, List<Stand> notes) {
        int next = note + 1;
        while (next < notes.size() && notes.get(next).heldOver()) {
            next++;
        }
        return next;
    }

    private static int previous(int note, List<Stand> notes) {
        int previous = note - 1;
        while (previous > 0 && notes.get(previous).heldOver()) {
            previous--;
        }
        return previous;
    }

    /** Whether the only neighbour is the one that is written beside, or none where a rest is written between: then there is nothing to be kept. */
    private static boolean isWritten(List<Integer> others, int beside, int note, boolean before, List<Stand> notes) {
        boolean there = beside >= 0 && beside < notes.size();
        boolean joined = there && (before ? isJoined(notes.get(beside), notes.get(note)) : isJoined(notes.get(note), notes.get(beside)));
        return others.size() == 1 && (joined ? others.getFirst() == beside : others.getFirst() == NONE);
    }

    private static boolean isJoined(Stand first, Stand second) {
        return first.onset().plus(first.sounding()).equals(second.onset());
    }

    /** How many ways there are in which a note can be played between others: 1 where it is always between the same. */
    int passes(int note) {
        return Math.max(1, Math.max(before.getOrDefault(note, List.of()).size(), after.getOrDefault(note, List.of()).size()));
    }
}
