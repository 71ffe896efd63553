package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Setting;

/**
 * The exact choice for one rung: of all ways to treat the notes of a tune that keep to the rung's budgets, the one that
 * taste likes best.
 *
 * <p>Dynamic programming over the notes. The state after a note is how many ornaments and how many heavy ones its phrase
 * holds so far, what the last decorated note of the phrase carried, and whether that note was this one. Of equally good
 * settings the one that decorates later notes less is taken, so the choice is always the same.
 */
final class Chooser {

    /** What a note's state remembers, packed into one number: used, heavy, last treatment, whether adjacent. */
    private record Layer(int[] states, long[] values, int[] parents, int[] options, int size) {}

    /** On two neighbouring notes the same ornament is so many times as dull: in effect never chosen. */
    private static final long NEIGHBOURS = 20;

    private final Taste taste;
    private final Sequence sequence;
    private final Map<List<String>, Integer> treatments = new HashMap<>();
    private final List<List<String>> treatmentIds = new ArrayList<>();
    private final int usedLimit;
    private final int heavyLimit;

    /** Whether two treatments can follow one another on neighbouring notes. */
    interface Sequence {
        boolean allows(Option first, Option second);
    }

    Chooser(Taste taste, Taste.Level level) {
        this(taste, level, (first, second) -> true);
    }

    Chooser(Taste taste, Taste.Level level, Sequence sequence) {
        this.sequence = sequence;
        this.taste = taste;
        this.usedLimit = level.perPhrase();
        this.heavyLimit = level.heavyPerPhrase();
        treatment(List.of());
    }

    private int treatment(List<String> ids) {
        return treatments.computeIfAbsent(ids, k -> {
            treatmentIds.add(k);
            return treatmentIds.size() - 1;
        });
    }

    /**
     * The best setting.
     *
     * @param options the ways to treat each note, by its index; each note has at least one
     * @param mandatory how many ornaments of a note's every option stand on the rung below: a phrase that already holds
     *     more than the budget is not refused for it
     */
    Setting choose(List<List<Option>> options, List<Phrase> phrases, List<Integer> mandatory) {
        for (List<Option> here : options) {
            here.forEach(o -> treatment(o.ids()));
        }
        int kinds = treatmentIds.size();
        boolean[][] alike = alike();
        int[] starts = new int[options.size()];
        int[] budget = new int[options.size()];
        int[] heavyBudget = new int[options.size()];
        int most = 0;
        int mostHeavy = 0;
        for (Phrase phrase : phrases) {
            int must = 0;
            int mustHeavy = 0;
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                must += mandatory.get(n);
                mustHeavy += options.get(n).stream().mapToInt(Option::heavy).min().orElse(0);
            }
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                starts[n] = n == phrase.fromNote() ? 1 : 0;
                budget[n] = Math.max(usedLimit, must);
                heavyBudget[n] = Math.max(heavyLimit, mustHeavy);
                most = Math.max(most, budget[n]);
                mostHeavy = Math.max(mostHeavy, heavyBudget[n]);
            }
        }
        int width = (most + 1) * (mostHeavy + 1) * kinds * 2;
        int[] slotOf = new int[width];
        int heavies = mostHeavy + 1;
        List<Layer> layers = new ArrayList<>();
        Layer layer = new Layer(new int[] {0}, new long[] {0}, new int[] {-1}, new int[] {-1}, 1);
        for (int n = 0; n < options.size(); n++) {
            List<Option> here = options.get(n);
            int[] kindOf = here.stream().mapToInt(o -> treatments.get(o.ids())).toArray();
            int[] sizes = here.stream().mapToInt(Option::size).toArray();
            int[] heavyOf = here.stream().mapToInt(Option::heavy).toArray();
            int[] gains = here.stream().mapToInt(Option::gain).toArray();
            boolean[][] barred = n == 0 ? new boolean[kinds][] : barred(options.get(n - 1), here, kinds);
            Arrays.fill(slotOf, -1);
            int capacity = Math.min(width, Math.max(16, layer.size() * here.size()));
            int[] states = new int[capacity];
            long[] values = new long[capacity];
            int[] parents = new int[capacity];
            int[] picks = new int[capacity];
            int size = 0;
            for (int s = 0; s < layer.size(); s++) {
                int state = layer.states()[s];
                boolean adjacent = (state & 1) == 1;
                int last = (state >> 1) % kinds;
                int heavy = (state >> 1) / kinds % heavies;
                int used = (state >> 1) / kinds / heavies;
                int came = last;
                if (starts[n] == 1) {
                    used = 0;
                    heavy = 0;
                    last = adjacent ? last : 0;
                }
                for (int o = 0; o < kindOf.length; o++) {
                    int nowUsed = used + sizes[o];
                    int nowHeavy = heavy + heavyOf[o];
                    if (nowUsed > budget[n] || nowHeavy > heavyBudget[n]
                            || adjacent && barred[came] != null && barred[came][o]) {
                        continue;
                    }
                    long value = layer.values()[s] + gains[o];
                    // What the phrase before ended with dulls its first note only.
                    int nowLast = starts[n] == 1 ? 0 : last;
                    int nowAdjacent = 0;
                    if (sizes[o] > 0) {
                        nowLast = kindOf[o];
                        nowAdjacent = 1;
                        if (alike[last][nowLast]) {
                            value -= adjacent ? NEIGHBOURS * taste.alike() : taste.alike();
                        }
                    }
                    int next = ((nowUsed * heavies + nowHeavy) * kinds + nowLast) << 1 | nowAdjacent;
                    int slot = slotOf[next];
                    if (slot < 0) {
                        slot = size++;
                        slotOf[next] = slot;
                        states[slot] = next;
                        values[slot] = Long.MIN_VALUE;
                    }
                    if (value > values[slot]) {
                        values[slot] = value;
                        parents[slot] = s;
                        picks[slot] = o;
                    }
                }
            }
            layer = new Layer(states, values, parents, picks, size);
            layers.add(layer);
        }
        return trace(layers, options);
    }

    /** By treatment of the note before and option of this one: which pairs the hands cannot do; null where all are fine. */
    private boolean[][] barred(List<Option> before, List<Option> here, int kinds) {
        boolean[][] barred = new boolean[kinds][];
        for (Option first : before) {
            if (first.size() == 0) {
                continue;
            }
            boolean[] row = null;
            for (int o = 0; o < here.size(); o++) {
                if (here.get(o).size() > 0 && !sequence.allows(first, here.get(o))) {
                    row = row == null ? new boolean[here.size()] : row;
                    row[o] = true;
                }
            }
            barred[treatments.get(first.ids())] = row;
        }
        return barred;
    }

    /** Which treatments share an ornament, so that one after the other is dull. */
    private boolean[][] alike() {
        int kinds = treatmentIds.size();
        boolean[][] alike = new boolean[kinds][kinds];
        for (int a = 0; a < kinds; a++) {
            for (int b = 0; b < kinds; b++) {
                alike[a][b] = treatmentIds.get(a).stream().anyMatch(treatmentIds.get(b)::contains);
            }
        }
        return alike;
    }

    private static Setting trace(List<Layer> layers, List<List<Option>> options) {
        SortedMap<Integer, List<String>> chosen = new TreeMap<>();
        if (layers.isEmpty()) {
            return Setting.BARE;
        }
        Layer last = layers.getLast();
        int slot = 0;
        for (int s = 1; s < last.size(); s++) {
            if (last.values()[s] > last.values()[slot]) {
                slot = s;
            }
        }
        for (int n = layers.size() - 1; n >= 0; n--) {
            chosen.put(n, options.get(n).get(layers.get(n).options()[slot]).ids());
            slot = layers.get(n).parents()[slot];
        }
        return new Setting(chosen);
    }
}
