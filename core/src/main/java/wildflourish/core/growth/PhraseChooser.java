package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The exact choice within one phrase: of all ways to treat its notes that keep to its budgets, the one that taste likes best.
 *
 * <p>Dynamic programming over the notes. The state before a note is how much of its budgets the phrase has used, what the last
 * two decorated notes carried, and whether the last of them was the note just before. A state is given up where another that
 * differs in the last note but one alone is worth so much more that no later deduction can make up for it. Of equally good
 * choices the one that decorates later notes less is taken, so the choice is always the same.
 */
final class PhraseChooser {

    /** Whether two treatments can follow one another on neighbouring notes. */
    interface Sequence {
        boolean allows(Option first, Option second);
    }

    /**
     * What a phrase bears.
     *
     * @param most how many ornaments and variations
     * @param heavy how many weighty ones
     * @param tight how many tight ones in any case
     * @param tightOneIn of how many things one more may be tight; 0 where none may
     */
    record Budget(int most, int heavy, int tight, int tightOneIn) {

        int tightAmong(int used) {
            return Math.max(tight, tightOneIn == 0 ? 0 : used / tightOneIn);
        }
    }

    /**
     * What dulls a phrase.
     *
     * @param alike what is taken off when the decorated note before carried the same
     * @param neighbours the same when that is the note just before
     * @param alternating what is taken off when not that one did but the decorated note before it
     * @param textures what goes on from note to note and is not dull for it
     */
    record Dullness(long alike, long neighbours, long alternating, Set<String> textures) {}

    /**
     * A choice.
     *
     * @param picks for each note the index of its option, −1 for a note that a variation before it covers
     */
    record Choice(long value, int[] picks) {}

    static final long NONE = Long.MIN_VALUE;

    private final List<List<Option>> options;
    private final Budget budget;
    private final Dullness dullness;
    private final Sequence sequence;
    private final List<List<String>> kinds = new ArrayList<>();
    private final int[][] kindOf;
    private final boolean[][] dull;
    private final boolean[][][] barred;
    private final Packing packing;

    /** How a state is packed into one number. */
    private record Packing(long heavies, long tights, long kinds) {

        long of(int used, int heavy, int tight, int last, int lastButOne, boolean adjacent) {
            return ((((used * heavies + heavy) * tights + tight) * kinds + last) * 2 + (adjacent ? 1 : 0)) * kinds + lastButOne;
        }

        int lastButOne(long state) {
            return (int) (state % kinds);
        }

        /** All but the last note but one. */
        long group(long state) {
            return state / kinds;
        }

        boolean adjacent(long state) {
            return (state / kinds & 1) == 1;
        }

        int last(long state) {
            return (int) (state / kinds / 2 % kinds);
        }

        int tight(long state) {
            return (int) (state / kinds / 2 / kinds % tights);
        }

        int heavy(long state) {
            return (int) (state / kinds / 2 / kinds / tights % heavies);
        }

        int used(long state) {
            return (int) (state / kinds / 2 / kinds / tights / heavies);
        }
    }

    /** The state before one note. */
    private static final class Layer {

        private int[] table = new int[64];
        private long[] states = new long[32];
        private long[] values = new long[32];
        private int[] parents = new int[32];
        private int[] parentNotes = new int[32];
        private int[] picks = new int[32];
        private int size;

        Layer() {
            Arrays.fill(table, -1);
        }

        private static int spread(long state, int length) {
            long mixed = state * 0x9E3779B97F4A7C15L;
            return (int) (mixed >>> 40) & length - 1;
        }

        void take(long state, long value, int parentNote, int parent, int pick) {
            int at = spread(state, table.length);
            while (table[at] >= 0 && states[table[at]] != state) {
                at = at + 1 & table.length - 1;
            }
            int slot = table[at];
            if (slot < 0) {
                if (size == states.length) {
                    grow();
                    take(state, value, parentNote, parent, pick);
                    return;
                }
                slot = size++;
                table[at] = slot;
                states[slot] = state;
                values[slot] = NONE;
            }
            if (value > values[slot]) {
                values[slot] = value;
                parents[slot] = parent;
                parentNotes[slot] = parentNote;
                picks[slot] = pick;
            }
        }

        private void grow() {
            states = Arrays.copyOf(states, size * 2);
            values = Arrays.copyOf(values, size * 2);
            parents = Arrays.copyOf(parents, size * 2);
            parentNotes = Arrays.copyOf(parentNotes, size * 2);
            picks = Arrays.copyOf(picks, size * 2);
            table = new int[size * 4];
            Arrays.fill(table, -1);
            for (int slot = 0; slot < size; slot++) {
                int at = spread(states[slot], table.length);
                while (table[at] >= 0) {
                    at = at + 1 & table.length - 1;
                }
                table[at] = slot;
            }
        }
    }

    /**
     * A phrase to choose for.
     *
     * @param options the ways to treat each of its notes; each has at least one of one note's length
     */
    PhraseChooser(List<List<Option>> options, Budget budget, Dullness dullness, Sequence sequence) {
        this.options = options;
        this.budget = budget;
        this.dullness = dullness;
        this.sequence = sequence;
        Map<List<String>, Integer> known = new HashMap<>();
        known.put(List.of(), 0);
        kinds.add(List.of());
        this.kindOf = new int[options.size()][];
        for (int n = 0; n < options.size(); n++) {
            kindOf[n] = new int[options.get(n).size()];
            for (int o = 0; o < kindOf[n].length; o++) {
                kindOf[n][o] = known.computeIfAbsent(options.get(n).get(o).ids(), k -> {
                    kinds.add(k);
                    return kinds.size() - 1;
                });
            }
        }
        this.dull = dull();
        this.packing = new Packing(budget.heavy() + 1, budget.tightAmong(budget.most()) + 1, kinds.size());
        this.barred = new boolean[options.size()][][];
        for (int n = 0; n < options.size(); n++) {
            barred[n] = new boolean[options.get(n).size()][];
            for (int o = 0; o < barred[n].length; o++) {
                barred[n][o] = options.get(n).get(o).decorates() ? barred(n, options.get(n).get(o)) : null;
            }
        }
    }

    /** Which kinds share an ornament, so that one after the other is dull. */
    private boolean[][] dull() {
        Map<String, Integer> numbers = new HashMap<>();
        BitSet[] has = new BitSet[kinds.size()];
        for (int k = 0; k < has.length; k++) {
            has[k] = new BitSet();
            for (String id : kinds.get(k)) {
                if (dullness.textures().contains(id)) {
                    continue;
                }
                has[k].set(numbers.computeIfAbsent(id, i -> numbers.size()));
            }
        }
        boolean[][] all = new boolean[has.length][has.length];
        for (int a = 0; a < has.length; a++) {
            for (int b = a; b < has.length; b++) {
                all[a][b] = has[a].intersects(has[b]);
                all[b][a] = all[a][b];
            }
        }
        return all;
    }

    /** The best choice of all. */
    Choice best() {
        Layer[] layers = layers(-1);
        Layer end = layers[options.size()];
        int slot = -1;
        for (int s = 0; end != null && s < end.size; s++) {
            boolean keeps = packing.tight(end.states[s]) <= budget.tightAmong(packing.used(end.states[s]));
            slot = keeps && (slot < 0 || end.values[s] > end.values[slot]) ? s : slot;
        }
        return slot < 0 ? new Choice(NONE, new int[0])
                : new Choice(end.values[slot], picks(layers, end.parentNotes[slot], end.parents[slot], end.picks[slot]));
    }

    /** For each way to end, by note and option of the last stretch, the best choice whose first note has a given option. */
    List<Choice> bestByEnd(int first) {
        int n = options.size();
        Layer[] layers = layers(first);
        List<Choice> all = new ArrayList<>();
        for (int note = 0; note < n; note++) {
            for (int o = 0; layers[note] != null && o < options.get(note).size(); o++) {
                Option option = options.get(note).get(o);
                if (note + option.span() != n || note == 0 && o != first) {
                    continue;
                }
                long best = NONE;
                int from = -1;
                for (int s = 0; s < layers[note].size; s++) {
                    long state = layers[note].states[s];
                    boolean keeps = packing.tight(state) + tight(option)
                            <= budget.tightAmong(packing.used(state) + option.size());
                    long value = keeps ? value(layers[note], s, note, o) : NONE;
                    if (value > best) {
                        best = value;
                        from = s;
                    }
                }
                if (from >= 0) {
                    all.add(new Choice(best, picks(layers, note, from, o)));
                }
            }
        }
        return all;
    }

    private static int tight(Option option) {
        return option.tight() ? option.size() : 0;
    }

    /** What the choice is worth that goes on from a state with an option; {@link #NONE} where that is not allowed. */
    private long value(Layer layer, int slot, int note, int o) {
        Option option = options.get(note).get(o);
        if (!option.decorates()) {
            return layer.values[slot] + option.gain();
        }
        long state = layer.states[slot];
        boolean adjacent = packing.adjacent(state);
        int last = packing.last(state);
        if (packing.used(state) + option.size() > budget.most() || packing.heavy(state) + option.heavy() > budget.heavy()
                || packing.tight(state) + tight(option) >= packing.tights()
                || adjacent && barred[note][o] != null && barred[note][o][last]) {
            return NONE;
        }
        boolean[] like = dull[kindOf[note][o]];
        long off = like[last] ? adjacent ? dullness.neighbours() : dullness.alike()
                : like[packing.lastButOne(state)] && option.size() > 0 ? dullness.alternating() : 0;
        return layer.values[slot] + option.gain() - off;
    }

    /** The states before each note; with {@code first} not negative only those that begin with that option. */
    private Layer[] layers(int first) {
        int n = options.size();
        Layer[] layers = new Layer[n + 1];
        layers[0] = new Layer();
        layers[0].take(packing.of(0, 0, 0, 0, 0, false), 0, -1, -1, -1);
        for (int note = 0; note < n; note++) {
            Layer layer = layers[note];
            if (layer == null) {
                continue;
            }
            boolean[] hopeless = hopeless(layer);
            List<Option> here = options.get(note);
            for (int o = 0; o < here.size(); o++) {
                Option option = here.get(o);
                int end = note + option.span();
                if (end > n || note == 0 && first >= 0 && o != first) {
                    continue;
                }
                for (int s = 0; s < layer.size; s++) {
                    long value = hopeless[s] ? NONE : value(layer, s, note, o);
                    if (value == NONE) {
                        continue;
                    }
                    if (layers[end] == null) {
                        layers[end] = new Layer();
                    }
                    long state = layer.states[s];
                    long next = option.decorates()
                            ? packing.of(packing.used(state) + option.size(), packing.heavy(state) + option.heavy(),
                                    packing.tight(state) + tight(option), kindOf[note][o], packing.last(state), true)
                            : packing.of(packing.used(state), packing.heavy(state), packing.tight(state),
                                    packing.last(state), packing.lastButOne(state), false);
                    layers[end].take(next, value, note, s, o);
                }
            }
        }
        return layers;
    }

    /**
     * The states that another one beats whatever comes: the note but one before the last can cost a deduction once, then it is
     * forgotten.
     */
    private boolean[] hopeless(Layer layer) {
        Map<Long, Long> best = new HashMap<>();
        for (int s = 0; s < layer.size; s++) {
            best.merge(packing.group(layer.states[s]), layer.values[s], Math::max);
        }
        boolean[] hopeless = new boolean[layer.size];
        for (int s = 0; s < layer.size && best.size() < layer.size; s++) {
            hopeless[s] = layer.values[s] + dullness.alternating() < Objects.requireNonNull(best.get(packing.group(layer.states[s])));
        }
        return hopeless;
    }

    /** By what the note before carries: which cannot be followed by an option. Null where everything can. */
    private boolean @Nullable [] barred(int note, Option option) {
        boolean @Nullable [] barred = null;
        for (int before = Math.max(0, note - 1); before < note; before++) {
            for (int o = 0; o < options.get(before).size(); o++) {
                Option first = options.get(before).get(o);
                if (first.decorates() && first.span() == 1 && !sequence.allows(first, option)) {
                    barred = barred == null ? new boolean[kinds.size()] : barred;
                    barred[kindOf[before][o]] = true;
                }
            }
        }
        for (int from = 0; from < note; from++) {
            for (int o = 0; o < options.get(from).size(); o++) {
                Option first = options.get(from).get(o);
                if (first.variation().isPresent() && from + first.span() == note && !sequence.allows(first, option)) {
                    barred = barred == null ? new boolean[kinds.size()] : barred;
                    barred[kindOf[from][o]] = true;
                }
            }
        }
        return barred;
    }

    private int[] picks(Layer[] layers, int lastNote, int parent, int lastPick) {
        int[] picks = new int[options.size()];
        Arrays.fill(picks, -1);
        picks[lastNote] = lastPick;
        int slot = parent;
        for (int note = lastNote; note > 0;) {
            Layer layer = layers[note];
            int before = layer.parentNotes[slot];
            picks[before] = layer.picks[slot];
            slot = layer.parents[slot];
            note = before;
        }
        return picks;
    }
}
