package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
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
        this.dull = new boolean[kinds.size()][kinds.size()];
        for (int a = 0; a < kinds.size(); a++) {
            for (int b = 0; b < kinds.size(); b++) {
                dull[a][b] = kinds.get(a).stream().anyMatch(kinds.get(b)::contains);
            }
        }
        this.width = (budget + 1) * (heavyBudget + 1) * kinds.size() * 2;
    }

    /** The best choice of all. */
    Choice best() {
        return best(-1, -1, -1);
    }

    /**
     * The best choice whose first note has a given option, and whose last stretch has one.
     *
     * @param first index of the first note's option; −1 for any
     * @param lastNote the note on which its last stretch begins; −1 for any
     * @param last index of that stretch's option
     */
    Choice best(int first, int lastNote, int last) {
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
                if (end > n || note == 0 && first >= 0 && o != first || end == n && lastNote >= 0 && (o != last || note != lastNote)) {
                    continue;
                }
                boolean[] barred = option.size() == 0 ? null : barred(note, option);
                for (int s = 0; s < layer.size; s++) {
                    int state = layer.states[s];
                    boolean adjacent = (state & 1) == 1;
                    int kind = (state >> 1) % kindCount;
                    int used = (state >> 1) / kindCount / heavies + option.size();
                    int heavy = (state >> 1) / kindCount % heavies + option.heavy();
                    if (used > budget || heavy > heavyBudget || adjacent && barred != null && barred[kind]) {
                        continue;
                    }
                    long value = layer.values[s] + option.gain();
                    int next = kind;
                    int nowAdjacent = 0;
                    if (option.size() > 0) {
                        next = kindOf[note][o];
                        nowAdjacent = 1;
                        value -= dull[kind][next] ? adjacent ? alikeNeighbours : alike : 0;
                    }
                    if (layers[end] == null) {
                        layers[end] = new Layer(width);
                    }
                    layers[end].take(((used * heavies + heavy) * kindCount + next) << 1 | nowAdjacent, value, note, s, o);
                }
            }
        }
        return layers[n] == null || layers[n].size == 0 ? new Choice(NONE, new int[0]) : trace(layers, n);
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

    private static Choice trace(Layer[] layers, int n) {
        Layer end = layers[n];
        int slot = 0;
        for (int s = 1; s < end.size; s++) {
            if (end.values[s] > end.values[slot]) {
                slot = s;
            }
        }
        long value = end.values[slot];
        int[] picks = new int[n];
        Arrays.fill(picks, -1);
        for (int note = n; note > 0;) {
            Layer layer = layers[note];
            int before = layer.parentNotes[slot];
            picks[before] = layer.picks[slot];
            slot = layer.parents[slot];
            note = before;
        }
        return new Choice(value, picks);
    }
}
