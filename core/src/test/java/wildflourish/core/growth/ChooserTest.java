package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import wildflourish.core.Tunes;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;

/** The chooser's value equals the best of all choices tried one by one, on small random problems. */
class ChooserTest {

    private static final List<Ornament> ORNAMENTS = Tunes.whistle("D4").vocabulary().all();
    private static final int ALIKE = 18;
    private static final int NEIGHBOURS = 3;
    private static final int ALTERNATING = 9;
    private static final int ONE_IN = 2;

    private record Problem(
            List<List<Option>> options, List<Phrase> phrases, List<Integer> sameAs, Taste.Level level, Taste taste) {}

    private static Option option(Random random) {
        Ornament first = ORNAMENTS.get(random.nextInt(4));
        Ornament second = ORNAMENTS.get(6 + random.nextInt(4));
        List<Ornament> stack = random.nextInt(3) == 0 ? List.of(first, second)
                : List.of(random.nextBoolean() ? first : second);
        return Option.of(stack, random.nextInt(80) - 10, random.nextInt(3) == 0, false, Optional.empty());
    }

    /** A variation of some notes from one on; its notes do not matter here. */
    private static Option variation(Random random, int note, int span) {
        String[] kinds = {"fill", "connect", "double"};
        Variation variation = new Variation(note, note + span, kinds[random.nextInt(3)], Variation.parse("D4:1/8"));
        return Option.of(new Offer(variation, null, 0, ""), random.nextInt(80) - 10, false);
    }

    private static List<List<Option>> phrase(Random random, int from, int size) {
        List<List<Option>> options = new ArrayList<>();
        for (int n = 0; n < size; n++) {
            List<Option> here = new ArrayList<>(List.of(Option.NOTHING));
            for (int o = random.nextInt(3); o > 0; o--) {
                here.add(option(random));
            }
            if (random.nextInt(3) == 0) {
                here.add(variation(random, from + n, 1 + random.nextInt(Math.min(2, size - n))));
            }
            options.add(distinct(here, from + n));
        }
        return options;
    }

    private static List<Option> distinct(List<Option> options, int note) {
        Map<Object, Option> byKey = new HashMap<>();
        List<Option> kept = new ArrayList<>();
        for (Option option : options) {
            if (byKey.put(option.key(note), option) == null) {
                kept.add(option);
            }
        }
        return kept;
    }

    /** The same phrase again, with gains of its own. */
    private static List<List<Option>> again(Random random, List<List<Option>> phrase, int by) {
        List<List<Option>> options = new ArrayList<>();
        for (List<Option> here : phrase) {
            options.add(here.stream().map(o -> {
                Option moved = o.variation().map(v -> new Option(o.ids(), o.size(), o.heavy(), o.gain(), false, false,
                        Optional.empty(), Optional.of(new Variation(v.from() + by, v.to() + by, v.kind(), v.notes())))).orElse(o);
                return o.size() == 0 ? o : moved.with(random.nextInt(80) - 10, o.tight(), false);
            }).toList());
        }
        return options;
    }

    private static Problem problem(Random random) {
        List<List<Option>> options = new ArrayList<>();
        List<Phrase> phrases = new ArrayList<>();
        List<Integer> sameAs = new ArrayList<>();
        int count = 2 + random.nextInt(2);
        for (int p = 0; p < count; p++) {
            int from = options.size();
            boolean repeat = p > 0 && random.nextBoolean();
            Phrase model = repeat ? phrases.get(random.nextInt(p)) : null;
            List<List<Option>> here = repeat
                    ? again(random, options.subList(model.fromNote(), model.toNote()), from - model.fromNote())
                    : phrase(random, from, 1 + random.nextInt(3));
            sameAs.add(repeat ? sameAs.get(phrases.indexOf(model)) : p);
            options.addAll(here);
            phrases.add(new Phrase("A" + p, from, from, options.size(), p, p + 1, p == 0, false));
        }
        Taste.Level level = new Taste.Level("test", List.of(), List.of(), List.of(), "alike", random.nextInt(4),
                random.nextInt(2), random.nextBoolean(), 0);
        return new Problem(options, phrases, sameAs, level, taste(List.of(level), new Taste.Deductions(0, ALIKE, ALTERNATING, NEIGHBOURS, 0, 0, 0, 0, 0)));
    }

    static Taste taste(List<Taste.Level> levels, Taste.Deductions deductions) {
        return new Taste("", levels, deductions, ONE_IN, 0, false, 0, 3, Map.of());
    }

    private static Chooser chooser(Problem problem) {
        return new Chooser(problem.taste(), problem.level(), ChooserTest::follow);
    }

    @Property(tries = 500)
    void theChoiceIsTheBestThereIs(@ForAll long seed) {
        Problem problem = problem(new Random(seed));
        List<Integer> none = Collections.nCopies(problem.options().size(), 0);
        Setting chosen = chooser(problem).choose(problem.options(), problem.phrases(), problem.sameAs(), none);
        long best = best(new ArrayList<>(), problem);
        assertThat(value(picks(chosen, problem), problem)).isEqualTo(best);
        assertThat(chooser(problem).worth(problem.options(), problem.phrases(), problem.sameAs(), none)).isEqualTo(best);
    }

    private static List<Option> picks(Setting chosen, Problem problem) {
        List<Option> picks = new ArrayList<>();
        for (int n = 0; n < problem.options().size(); n++) {
            int note = n;
            Optional<Variation> variation = chosen.variationAt(n);
            picks.add(variation.isPresent() && variation.get().from() < n ? null
                    : problem.options().get(n).stream().filter(o -> variation.isPresent()
                            ? o.variation().equals(variation) : o.variation().isEmpty() && o.ids().equals(chosen.at(note)))
                            .findFirst().orElseThrow());
        }
        return picks;
    }

    /** An arbitrary rule of which treatments the hands can do one after the other. */
    private static boolean follow(Option first, Option second) {
        return Math.floorMod(first.ids().hashCode() * 31 + second.ids().hashCode(), 4) != 0;
    }

    private static long best(List<Option> picks, Problem problem) {
        if (picks.size() == problem.options().size()) {
            return value(picks, problem);
        }
        long best = Long.MIN_VALUE;
        int note = picks.size();
        Phrase phrase = problem.phrases().stream().filter(p -> p.holds(note)).findFirst().orElseThrow();
        for (Option option : problem.options().get(note)) {
            if (note + option.span() <= phrase.toNote()) {
                picks.add(option);
                for (int covered = 1; covered < option.span(); covered++) {
                    picks.add(null);
                }
                best = Math.max(best, best(picks, problem));
                while (picks.size() > note) {
                    picks.removeLast();
                }
            }
        }
        return best;
    }

    /**
     * The objective, written out anew: gains, less dullness, within the budgets of each phrase and what the hands can do one
     * after the other, the same phrases treated the same.
     */
    private static long value(List<Option> picks, Problem problem) {
        long value = 0;
        for (int p = 0; p < problem.phrases().size(); p++) {
            Phrase phrase = problem.phrases().get(p);
            Phrase first = problem.phrases().get(problem.sameAs().get(p));
            int used = 0;
            int heavy = 0;
            int tight = 0;
            int last = -1;
            int lastButOne = -1;
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                Option here = picks.get(n);
                Option there = picks.get(n - phrase.fromNote() + first.fromNote());
                if ((here == null) != (there == null)
                        || here != null && !here.key(n).equals(there.key(n - phrase.fromNote() + first.fromNote()))) {
                    return Long.MIN_VALUE;
                }
                if (here == null || here.size() == 0) {
                    continue;
                }
                used += here.size();
                heavy += here.heavy();
                value += here.gain();
                if (last >= 0 && isAlike(picks.get(last), here)) {
                    value -= last + picks.get(last).span() == n ? (long) NEIGHBOURS * ALIKE : ALIKE;
                } else if (lastButOne >= 0 && isAlike(picks.get(lastButOne), here)) {
                    value -= ALTERNATING;
                }
                tight += here.tight() ? here.size() : 0;
                lastButOne = last;
                last = n;
            }
            if (used > problem.level().perPhrase() || heavy > problem.level().heavyPerPhrase()
                    || tight > (problem.level().tightAllowed() ? used / ONE_IN : 0)) {
                return Long.MIN_VALUE;
            }
        }
        return touching(picks, problem, value);
    }

    private static long touching(List<Option> picks, Problem problem, long soFar) {
        long value = soFar;
        for (int n = 1; n < picks.size(); n++) {
            int at = n - 1;
            while (picks.get(at) == null) {
                at--;
            }
            Option before = picks.get(at);
            Option here = picks.get(n);
            if (here == null || here.size() == 0 || before.size() == 0) {
                continue;
            }
            if (!follow(before, here)) {
                return Long.MIN_VALUE;
            }
            int note = n;
            boolean starts = problem.phrases().stream().anyMatch(p -> p.fromNote() == note);
            value -= starts && isAlike(before, here) ? (long) NEIGHBOURS * ALIKE : 0;
        }
        return value;
    }

    private static boolean isAlike(Option a, Option b) {
        return a.ids().stream().anyMatch(b.ids()::contains);
    }
}
