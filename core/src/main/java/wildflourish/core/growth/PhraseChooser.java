package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The exact choice within one phrase: of all ways to treat its notes that keep to its budgets, the one that taste likes best.
 *
 * <p>Dynamic programming over the notes. The state before a note is how many ornaments and how many heavy ones the phrase
 * holds so far, what the last decorated note carried, and whether that was the note just before. Of equally good choices the
 * one that decorates later notes less is taken, so the choice is always the same.
 */
final class PhraseChooser {

    /** Whether two treatments can follow one another on neighbouring notes. */
    interface Sequence {
        boolean allows(Option first, Option second);
    }

    /**
     * A choice.
     *
     * @param picks for each note the index of its option, −1 for a note that a variation before it covers
     */
    record Choice(long value, int[] picks) {}

    private static final long NONE = Long.MIN_VALUE;

    private final List<List<Option>> options;
    private final int budget;
    private final int heavyBudget;
    private final long alike;
    private final long alikeNeighbours;
    private final Sequence sequence;
    private final List<List<String>> kinds = new ArrayList<>();
    private final int[][] kindOf;
    private final boolean[][] dull;
    private final int width;

    /** The state before one note. */
    private static final class Layer {
        private final int[] slotOf;
        private int[] states = new int[32];
        private long[] values = new long[32];
        private int[] parents = new int[32];
        private int[] parentNotes = new int[32];
        private int[] picks = new int[32];
        private int size;

        Layer(int width) {
            slotOf = new int[width];
            Arrays.fill(slotOf, -1);
        }

        void take(int state, long value, int parentNote, int parent, int pick) {
            int slot = slotOf[state];
            if (slot < 0) {
                slot = size++;
                if (slot == states.length) {
                    grow();
                }
                slotOf[state] = slot;
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
        }
    }

    /**
     * A phrase to choose for.
     *
     * @param options the ways to treat each of its notes; each has at least one of one note's length
     * @param alike what is taken off when the decorated note before carried the same
     * @param alikeNeighbours the same when that is the note just before
     */
    PhraseChooser(
            List<List<Option>> options, int budget, int heavyBudget, long alike, long alikeNeighbours, Sequence sequence) {
        this.options = options;
        this.budget = budget;
        this.heavyBudget = heavyBudget;
        this.alike = alike;
        this.alikeNeighbours = alikeNeighbours;
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
        this.width = (budget + 1) * (heavyBudget + 1) * kinds.size() * 2;
    }

    /** Which kinds share an ornament, so that one after the other is dull. */
    private boolean[][] dull() {
        Map<String, Integer> numbers = new HashMap<>();
        BitSet[] has = new BitSet[kinds.size()];
        for (int k = 0; k < has.length; k++) {
            has[k] = new BitSet();
            for (String id : kinds.get(k)) {
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
        if (end == null || end.size == 0) {
            return new Choice(NONE, new int[0]);
        }
        int slot = 0;
        for (int s = 1; s < end.size; s++) {
            slot = end.values[s] > end.values[slot] ? s : slot;
        }
        return new Choice(end.values[slot], picks(layers, end.parentNotes[slot], end.parents[slot], end.picks[slot]));
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
                boolean[] barred = option.size() == 0 ? null : barred(note, option);
                long best = NONE;
                int from = -1;
                for (int s = 0; s < layers[note].size; s++) {
                    long value = value(layers[note], s, note, o, barred);
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

    /** What the choice is worth that goes on from a state with an option; {@link #NONE} where that is not allowed. */
    private long value(Layer layer, int slot, int note, int o, boolean[] barred) {
        Option option = options.get(note).get(o);
        int state = layer.states[slot];
        boolean adjacent = (state & 1) == 1;
        int kind = (state >> 1) % kinds.size();
        int used = (state >> 1) / kinds.size() / (heavyBudget + 1) + option.size();
        int heavy = (state >> 1) / kinds.size() % (heavyBudget + 1) + option.heavy();
        if (used > budget || heavy > heavyBudget || adjacent && barred != null && barred[kind]) {
            return NONE;
        }
        boolean isDull = option.size() > 0 && dull[kind][kindOf[note][o]];
        return layer.values[slot] + option.gain() - (isDull ? adjacent ? alikeNeighbours : alike : 0);
    }

    /** The states before each note; with {@code first} not negative only those that begin with that option. */
    private Layer[] layers(int first) {
        int n = options.size();
        int heavies = heavyBudget + 1;
        int kindCount = kinds.size();
        Layer[] layers = new Layer[n + 1];
        layers[0] = new Layer(width);
        layers[0].take(0, 0, -1, -1, -1);
        for (int note = 0; note < n; note++) {
            Layer layer = layers[note];
            if (layer == null) {
                continue;
            }
            List<Option> here = options.get(note);
            for (int o = 0; o < here.size(); o++) {
                Option option = here.get(o);
                int end = note + option.span();
                if (end > n || note == 0 && first >= 0 && o != first) {
                    continue;
                }
                boolean[] barred = option.size() == 0 ? null : barred(note, option);
                for (int s = 0; s < layer.size; s++) {
                    long value = value(layer, s, note, o, barred);
                    if (value == NONE) {
                        continue;
                    }
                    int state = layer.states[s];
                    int used = (state >> 1) / kindCount / heavies + option.size();
                    int heavy = (state >> 1) / kindCount % heavies + option.heavy();
                    int kind = option.size() > 0 ? kindOf[note][o] : (state >> 1) % kindCount;
                    if (layers[end] == null) {
                        layers[end] = new Layer(width);
                    }
                    layers[end].take(((used * heavies + heavy) * kindCount + kind) << 1 | (option.size() > 0 ? 1 : 0), value, note, s, o);
                }
            }
        }
        return layers;
    }

    /** By what the note before carries: which cannot be followed by an option. Null where everything can. */
    private boolean[] barred(int note, Option option) {
        boolean[] barred = null;
        for (int before = Math.max(0, note - 1); before < note; before++) {
            for (int o = 0; o < options.get(before).size(); o++) {
                Option first = options.get(before).get(o);
                if (first.size() > 0 && first.span() == 1 && !sequence.allows(first, option)) {
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
