package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Timeline;

/**
 * The exact choice for one rung: of all ways to treat the notes of a tune that keep to the rung's budgets, the one that
 * taste likes best, phrases that are the same being one decision.
 *
 * <p>Each decision is made by {@link PhraseChooser}. Phrases touch one another only where the last note of one and the first
 * of the next, as the tune is played, are both decorated. As that only ever takes something off, the best choices of all decisions together are the
 * optimum wherever they do not touch; where they do, the decisions are gone through with the best of what is left as a bound
 * (branch and bound), over how each begins and ends.
 */
final class Chooser {

    private final Taste taste;
    private final Taste.Level level;
    private final PhraseChooser.Sequence sequence;
    private final Set<String> textures;
    private final Optional<Timeline> tune;

    Chooser(Taste taste, Taste.Level level, PhraseChooser.Sequence sequence) {
        this(taste, level, sequence, Set.of(), Optional.empty());
    }

    /**
     * @param textures go on from note to note and are not dull for it
     * @param tune by which repeats and endings say which phrases follow one another besides those that are written so; empty where they are
     *     played as they are written
     */
    Chooser(Taste taste, Taste.Level level, PhraseChooser.Sequence sequence, Set<String> textures, Optional<Timeline> tune) {
        this.textures = textures;
        this.tune = tune;
        this.taste = taste;
        this.level = level;
        this.sequence = sequence;
    }

    /** Decisions that have been solved, by their phrases: what has not changed since is not solved again. */
    private final Map<List<Integer>, Decision> solved = new HashMap<>();

    /** Phrases that are decided together, with the options that are open in each of them. */
    private static final class Decision {
        private final List<Integer> phrases = new ArrayList<>();
        private List<List<Option>> options = List.of();
        private @Nullable PhraseChooser chooser;
        private PhraseChooser.@Nullable Choice best;
        private PhraseChooser.@Nullable Choice choice;
        private @Nullable List<Ends> ways;

        private PhraseChooser chooser() {
            return Objects.requireNonNull(chooser, "its options are opened first");
        }

        private PhraseChooser.Choice choice() {
            return Objects.requireNonNull(choice, "it is solved first");
        }

        /** The lists of options that its notes had when it was solved, and what had to stand on them. */
        private final List<List<Option>> opened = new ArrayList<>();
        private final List<Integer> must = new ArrayList<>();
        /** Options of the notes before the shared body that every phrase leaves as they are. */
        private int leads;
    }

    /**
     * The best setting.
     *
     * @param options the ways to treat each note, by its index; each note has at least one of one note's length
     * @param sameAs for each phrase the index of the first phrase with which it is decided
     * @param mandatory how many ornaments and variations stand on each note on the rung below: a phrase that already
     *     holds more than the budget is not refused for it
     */
    Setting choose(List<List<Option>> options, List<Phrase> phrases, List<Integer> sameAs, List<Integer> mandatory) {
        return setting(decide(options, phrases, sameAs, mandatory), options, phrases);
    }

    /** What the best setting is worth, in the units of taste. */
    long worth(List<List<Option>> options, List<Phrase> phrases, List<Integer> sameAs, List<Integer> mandatory) {
        List<Decision> decisions = decide(options, phrases, sameAs, mandatory);
        return decisions.stream().mapToLong(d -> d.choice().value()).sum() + touching(decisions, phrases);
    }

    private List<Decision> decide(
            List<List<Option>> options, List<Phrase> phrases, List<Integer> sameAs, List<Integer> mandatory) {
        Map<Integer, Decision> byFirst = new LinkedHashMap<>();
        for (int p = 0; p < phrases.size(); p++) {
            byFirst.computeIfAbsent(sameAs.get(p), f -> new Decision()).phrases.add(p);
        }
        List<Decision> decisions = byFirst.values().stream().map(d -> asBefore(d, options, phrases, mandatory)).toList();
        decisions.stream().filter(d -> d.best == null).forEach(decision -> {
            prepare(decision, options, phrases, mandatory);
            decision.best = decision.chooser().best();
            if (decision.best.value() == PhraseChooser.NONE) {
                decision.best = asItStands(decision);
            }
        });
        decisions.forEach(d -> d.choice = d.best);
        if (touching(decisions, phrases) < 0) {
            untangle(decisions, phrases);
        }
        return decisions;
    }

    /** The same decision as it was solved before, where none of its notes has other options since. */
    private Decision asBefore(Decision decision, List<List<Option>> options, List<Phrase> phrases, List<Integer> mandatory) {
        for (int p : decision.phrases) {
            for (int n = phrases.get(p).fromNote(); n < phrases.get(p).toNote(); n++) {
                decision.opened.add(options.get(n));
                decision.must.add(mandatory.get(n));
            }
        }
        Decision before = solved.put(decision.phrases, decision);
        boolean same = before != null && before.must.equals(decision.must);
        for (int i = 0; same && i < decision.opened.size(); i++) {
            same = before.opened.get(i) == decision.opened.get(i);
        }
        if (same) {
            solved.put(decision.phrases, before);
        }
        return same ? before : decision;
    }

    /** Where not even what stands on the rung below keeps to the rules, because a teacher placed it: that alone. */
    private static PhraseChooser.Choice asItStands(Decision decision) {
        int[] picks = new int[decision.options.size()];
        java.util.Arrays.fill(picks, -1);
        for (int n = 0; n < picks.length;) {
            int note = n;
            int pick = IntStream.range(0, decision.options.get(n).size())
                    .filter(o -> note + decision.options.get(note).get(o).span() <= picks.length).findFirst().orElse(0);
            picks[n] = pick;
            n += decision.options.get(n).get(pick).span();
        }
        return new PhraseChooser.Choice(0, picks);
    }

    private void prepare(Decision decision, List<List<Option>> options, List<Phrase> phrases, List<Integer> mandatory) {
        int most = level.perPhrase();
        int mostHeavy = level.heavyPerPhrase();
        int mustTight = 0;
        int members = decision.phrases.size();
        for (int p : decision.phrases) {
            Phrase phrase = phrases.get(p);
            int must = 0;
            int mustHeavy = 0;
            int here = 0;
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                must += mandatory.get(n);
                int least = options.get(n).stream().mapToInt(Option::heavy).min().orElse(0);
                mustHeavy += mandatory.get(n) > 0 ? least : 0;
                here += options.get(n).stream().allMatch(Option::tight) ? mandatory.get(n) : 0;
            }
            mustTight = Math.max(mustTight, here);
            most = Math.max(most, must);
            mostHeavy = Math.max(mostHeavy, mustHeavy);
        }
        Phrase first = phrases.get(decision.phrases.getFirst());
        if (members == 1) {
            decision.options = options.subList(first.fromNote(), first.toNote());
        } else {
            decision.options = shared(decision, options, phrases);
        }
        Taste.Deductions off = taste.deductions();
        decision.chooser = new PhraseChooser(decision.options,
                new PhraseChooser.Budget(most, mostHeavy, mustTight, level.tightAllowed() ? taste.tightOneIn() : 0),
                new PhraseChooser.Dullness((long) members * off.alike(), (long) members * off.alike() * off.neighbours(),
                        (long) members * off.alternating(), textures), together());
    }

    /** Whether two treatments can follow one another in every phrase of those that are decided together. */
    private PhraseChooser.Sequence together() {
        return (first, second) -> {
            for (int m = 0; m < Math.max(1, first.members().size()); m++) {
                if (!sequence.allows(first.member(m), second.member(m))) {
                    return false;
                }
            }
            return true;
        };
    }

    /**
     * The options that are open in every phrase of a decision, their gains added. Pickups that differ in number stay as they
     * must be and are not decided on.
     */
    private static List<List<Option>> shared(Decision decision, List<List<Option>> options, List<Phrase> phrases) {
        Phrase first = phrases.get(decision.phrases.getFirst());
        int leads = decision.phrases.stream().mapToInt(p -> phrases.get(p).bodyNote() - phrases.get(p).fromNote()).min().orElse(0);
        boolean sameLeads = decision.phrases.stream()
                .allMatch(p -> phrases.get(p).bodyNote() - phrases.get(p).fromNote() == leads);
        decision.leads = sameLeads ? leads : 0;
        int from = first.bodyNote() - decision.leads;
        List<List<Option>> all = new ArrayList<>();
        for (int n = from; n < first.toNote(); n++) {
            Map<Object, Option> open = new LinkedHashMap<>();
            for (Option option : options.get(n)) {
                open.put(option.key(n), option);
            }
            for (int p : decision.phrases.subList(1, decision.phrases.size())) {
                int there = phrases.get(p).bodyNote() - first.bodyNote() + n;
                Map<Object, Option> both = new LinkedHashMap<>();
                for (Option option : options.get(there)) {
                    Option mine = open.get(option.key(there));
                    if (mine != null) {
                        both.put(option.key(there), mine.and(option));
                    }
                }
                open = both;
            }
            all.add(List.copyOf(open.values()));
        }
        return all;
    }

    /** How a decision ends: the option of its last stretch, nothing where that is bare. */
    private static Option last(Decision decision, int[] picks) {
        int at = picks.length - 1;
        while (at > 0 && picks[at] < 0) {
            at--;
        }
        return decision.options.get(at).get(picks[at]);
    }

    private long between(Option end, Option start) {
        if (!end.decorates() || !start.decorates()) {
            return 0;
        }
        if (!sequence.allows(end, start)) {
            return Long.MIN_VALUE / 4;
        }
        return end.ids().stream().anyMatch(id -> !textures.contains(id) && start.ids().contains(id))
                ? -(long) taste.deductions().alike() * taste.deductions().neighbours() : 0;
    }

    /** Whether a phrase's decided notes begin with its first note, so that the phrase before can touch them. */
    private static boolean startsAtOnce(Decision decision, Phrase phrase) {
        return decision.phrases.size() == 1 || phrase.bodyNote() - phrase.fromNote() == decision.leads;
    }

    /**
     * Two decisions of which the second may touch the first, as often as they follow one another.
     *
     * @param end which of its phrases the first one ends there
     * @param start which of its phrases the second one begins there
     */
    record Pair(int before, int after, int end, int start) {}

    private List<Pair> pairs(List<Decision> decisions, List<Phrase> phrases) {
        int[] of = new int[phrases.size()];
        for (int d = 0; d < decisions.size(); d++) {
            for (int p : decisions.get(d).phrases) {
                of[p] = d;
            }
        }
        List<Pair> pairs = new ArrayList<>();
        Map<Integer, Integer> ends = new HashMap<>();
        Map<Integer, Integer> starts = new HashMap<>();
        for (int p = 0; p < phrases.size(); p++) {
            ends.put(phrases.get(p).lastNote(), p);
            starts.put(phrases.get(p).fromNote(), p);
            int next = p + 1;
            if (next < phrases.size() && tune.filter(t -> !t.everFollowsWritten(phrases.get(next).fromNote())).isEmpty()) {
                pair(p, next, of, decisions, phrases).ifPresent(pairs::add);
            }
        }
        tune.ifPresent(t -> t.jumps().forEach(jump -> {
            Integer end = ends.get(jump.from());
            Integer start = starts.get(jump.to());
            if (end != null && start != null) {
                pair(end, start, of, decisions, phrases).filter(pair -> !pairs.contains(pair)).ifPresent(pairs::add);
            }
        }));
        return pairs;
    }

    private static Optional<Pair> pair(int before, int after, int[] of, List<Decision> decisions, List<Phrase> phrases) {
        return startsAtOnce(decisions.get(of[after]), phrases.get(after)) ? Optional.of(new Pair(of[before], of[after],
                decisions.get(of[before]).phrases.indexOf(before), decisions.get(of[after]).phrases.indexOf(after))) : Optional.empty();
    }

    private long between(List<Decision> decisions, Pair pair) {
        Decision before = decisions.get(pair.before());
        Decision after = decisions.get(pair.after());
        return between(last(before, before.choice().picks()).member(pair.end()),
                after.options.getFirst().get(after.choice().picks()[0]).member(pair.start()));
    }

    private long touching(List<Decision> decisions, List<Phrase> phrases) {
        long sum = 0;
        for (Pair pair : pairs(decisions, phrases)) {
            sum += between(decisions, pair);
        }
        return Math.max(sum, Long.MIN_VALUE / 2);
    }

    /** How a decision may begin and end, and what the best choice with these ends is. */
    record Ends(Option first, Option last, PhraseChooser.Choice choice) {}

    /**
     * Solves the decisions that touch, the others kept at their best. As long as those then touch one of the others, it is taken
     * in as well; once none does, nothing could be better, since leaving the others free of what touches them can only add.
     */
    private void untangle(List<Decision> decisions, List<Phrase> phrases) {
        List<Pair> pairs = pairs(decisions, phrases);
        TreeMap<Integer, List<Ends>> ways = new TreeMap<>();
        while (true) {
            TreeSet<Integer> more = new TreeSet<>();
            for (Pair pair : pairs) {
                boolean solved = ways.containsKey(pair.before()) && ways.containsKey(pair.after());
                if (!solved && between(decisions, pair) < 0) {
                    more.add(pair.before());
                    more.add(pair.after());
                }
            }
            more.removeAll(ways.keySet());
            if (more.isEmpty()) {
                return;
            }
            more.forEach(d -> ways.put(d, waysOf(decisions.get(d))));
            solve(decisions, ways, pairs);
        }
    }

    private void solve(List<Decision> decisions, TreeMap<Integer, List<Ends>> ways, List<Pair> pairs) {
        List<Integer> order = List.copyOf(ways.keySet());
        List<Pair> inside = new ArrayList<>();
        for (Pair pair : pairs) {
            if (ways.containsKey(pair.before()) && ways.containsKey(pair.after())) {
                inside.add(new Pair(order.indexOf(pair.before()), order.indexOf(pair.after()), pair.end(), pair.start()));
            }
        }
        List<List<Ends>> open = List.copyOf(ways.values());
        long[] rest = new long[order.size() + 1];
        for (int d = order.size() - 1; d >= 0; d--) {
            rest[d] = rest[d + 1] + open.get(d).getFirst().choice().value();
        }
        int[] best = new BestWays(open, inside, rest, this::between).best();
        for (int d = 0; d < order.size(); d++) {
            decisions.get(order.get(d)).choice = open.get(d).get(best[d]).choice();
        }
    }

    private static List<Ends> waysOf(Decision decision) {
        decision.ways = decision.ways == null ? ways(decision) : decision.ways;
        return decision.ways;
    }

    private static List<Ends> ways(Decision decision) {
        List<Option> starts = decision.options.getFirst();
        List<Ends> ways = new ArrayList<>(IntStream.range(0, starts.size()).boxed()
                .flatMap(f -> decision.chooser().bestByEnd(f).stream()
                        .map(choice -> new Ends(starts.get(f), last(decision, choice.picks()), choice)))
                .toList());
        if (ways.isEmpty()) {
            ways.add(new Ends(decision.options.getFirst().get(decision.choice().picks()[0]), last(decision, decision.choice().picks()),
                    decision.choice()));
        }
        ways.sort((a, b) -> Long.compare(b.choice().value(), a.choice().value()));
        return ways;
    }

    private static Setting setting(List<Decision> decisions, List<List<Option>> options, List<Phrase> phrases) {
        SortedMap<Integer, List<String>> ornaments = new TreeMap<>();
        SortedMap<Integer, Variation> variations = new TreeMap<>();
        for (Decision decision : decisions) {
            for (int p : decision.phrases) {
                Phrase phrase = phrases.get(p);
                boolean alone = decision.phrases.size() == 1;
                int from = alone ? phrase.fromNote() : phrase.bodyNote() - decision.leads;
                for (int n = phrase.fromNote(); n < from; n++) {
                    put(options.get(n).getFirst(), n, ornaments, variations);
                }
                for (int i = 0; i < decision.choice().picks().length; i++) {
                    if (decision.choice().picks()[i] >= 0) {
                        put(decision.options.get(i).get(decision.choice().picks()[i]), from + i, ornaments, variations);
                    }
                }
            }
        }
        return new Setting(ornaments, variations);
    }

    private static void put(
            Option option, int note, SortedMap<Integer, List<String>> ornaments, SortedMap<Integer, Variation> variations) {
        option.variation().ifPresentOrElse(
                v -> variations.put(note, new Variation(note, note + v.to() - v.from(), v.kind(), v.notes())),
                () -> ornaments.put(note, option.ids()));
    }
}
