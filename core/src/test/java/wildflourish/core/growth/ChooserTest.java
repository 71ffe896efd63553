package wildflourish.core.growth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import wildflourish.core.Tunes;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.reading.Phrase;
import wildflourish.core.setting.Setting;

/** The chooser's value equals the best of all choices tried one by one, on small random problems. */
class ChooserTest {

    private static final List<Ornament> ORNAMENTS = Tunes.whistle("D4").vocabulary().all();
    private static final int ALIKE = 18;

    private record Problem(List<List<Option>> options, List<Phrase> phrases, Taste.Level level, Taste taste) {}

    private static Problem problem(Random random) {
        int notes = 2 + random.nextInt(5);
        List<List<Option>> options = new ArrayList<>();
        for (int n = 0; n < notes; n++) {
            List<Option> here = new ArrayList<>(List.of(Option.NOTHING));
            for (int o = random.nextInt(4); o > 0; o--) {
                Ornament first = ORNAMENTS.get(random.nextInt(4));
                Ornament second = ORNAMENTS.get(6 + random.nextInt(4));
                List<Ornament> stack = random.nextInt(3) == 0 ? List.of(first, second)
                        : List.of(random.nextBoolean() ? first : second);
                here.add(new Option(stack, stack.stream().map(Ornament::id).sorted().toList(), random.nextInt(80) - 10,
                        false, false, java.util.Optional.empty()));
            }
            options.add(here);
        }
        int cut = 1 + random.nextInt(notes - 1);
        List<Phrase> phrases = List.of(new Phrase("A1", 0, 0, cut, 0, 1, true, false), new Phrase("A2", cut, cut, notes, 1, 2, false, false));
        Taste.Level level = new Taste.Level("test", List.of(), random.nextInt(4), random.nextInt(2), false, 0);
        return new Problem(options, phrases, level, new Taste("", List.of(level), 0, ALIKE, 0, 0));
    }

    @Property(tries = 400)
    void theChoiceIsTheBestThereIs(@ForAll long seed) {
        Problem problem = problem(new Random(seed));
        int notes = problem.options().size();
        Setting chosen = new Chooser(problem.taste(), problem.level(), ChooserTest::follow)
                .choose(problem.options(), problem.phrases(), Collections.nCopies(notes, 0));
        List<Option> picks = new ArrayList<>();
        for (int n = 0; n < notes; n++) {
            List<String> ids = chosen.at(n);
            picks.add(problem.options().get(n).stream().filter(o -> o.ids().equals(ids))
                    .max(java.util.Comparator.comparingInt(Option::gain)).orElseThrow());
        }
        assertThat(value(picks, problem)).isEqualTo(best(new ArrayList<>(), problem));
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
        for (Option option : problem.options().get(picks.size())) {
            picks.add(option);
            best = Math.max(best, best(picks, problem));
            picks.removeLast();
        }
        return best;
    }

    /** The objective, written out anew: gains, less dullness, within the budgets of each phrase and what the hands can do one after the other. */
    private static long value(List<Option> picks, Problem problem) {
        long value = 0;
        for (Phrase phrase : problem.phrases()) {
            int used = 0;
            int heavy = 0;
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                used += picks.get(n).size();
                heavy += picks.get(n).heavy();
            }
            if (used > problem.level().perPhrase() || heavy > problem.level().heavyPerPhrase()) {
                return Long.MIN_VALUE;
            }
        }
        for (int n = 1; n < picks.size(); n++) {
            if (picks.get(n - 1).size() > 0 && picks.get(n).size() > 0 && !follow(picks.get(n - 1), picks.get(n))) {
                return Long.MIN_VALUE;
            }
        }
        int before = -1;
        for (int n = 0; n < picks.size(); n++) {
            int here = n;
            value += picks.get(n).gain();
            if (picks.get(n).size() == 0) {
                continue;
            }
            if (before >= 0) {
                int last = before;
                boolean neighbours = last == n - 1;
                boolean samePhrase = problem.phrases().stream()
                        .anyMatch(p -> last >= p.fromNote() && here < p.toNote());
                boolean alike = picks.get(n).ids().stream().anyMatch(picks.get(last).ids()::contains);
                if (alike && neighbours) {
                    value -= 20L * ALIKE;
                } else if (alike && samePhrase) {
                    value -= ALIKE;
                }
            }
            before = n;
        }
        return value;
    }
}
