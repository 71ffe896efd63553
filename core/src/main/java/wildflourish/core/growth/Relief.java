package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

/**
 * What to do about a note whose ornaments, together, are not clean.
 *
 * @param first what to give up first
 * @param simpler the simpler form to take in its place, if one is clean there
 * @param after the verdict once that is done
 */
public record Relief(Ornament first, Optional<Ornament> simpler, Verdict after) {

    /**
     * What to give up first on a note: what has a simpler form that makes the rest clean; else what leaves the note clean
     * when it goes, the lighter before the weightier; else what leaves it least far from clean. Empty where the note is clean, or bare.
     */
    public static Optional<Relief> of(Situation situation, int note, Setting setting, Tempo tempo, Speeds speeds) {
        List<Ornament> stack = setting.ornaments(note, situation.vocabulary());
        Verdict now = verdict(situation, note, stack, setting, tempo, speeds);
        if (stack.isEmpty() || now instanceof Verdict.Clean) {
            return Optional.empty();
        }
        List<Relief> ways = new ArrayList<>();
        for (Ornament ornament : stack) {
            Optional<Ornament> simpler = Check.easier(situation, note, ornament, stack,
                    n -> setting.ornaments(n, situation.vocabulary()), tempo, speeds);
            List<Ornament> rest = new ArrayList<>(stack);
            rest.remove(ornament);
            simpler.ifPresent(s -> {
                rest.removeIf(o -> o.givesWayTo(s));
                rest.add(s);
            });
            ways.add(new Relief(ornament, simpler, verdict(situation, note, rest, setting, tempo, speeds)));
        }
        return ways.stream().min(Comparator.comparingInt((Relief r) -> r.simpler().isPresent() ? 0 : 1)
                .thenComparing(r -> rank(r.after()))
                .thenComparing(r -> r.first().heavy())
                .thenComparing(Relief::limit, Comparator.reverseOrder()));
    }

    private static Verdict verdict(
            Situation situation, int note, List<Ornament> stack, Setting setting, Tempo tempo, Speeds speeds) {
        return Playability.of(situation, note, stack, n -> setting.ornaments(n, situation.vocabulary()), tempo, speeds);
    }

    private static int rank(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Clean c -> 0;
            case Verdict.Tight t -> 1;
            case Verdict.TooFast f -> 2;
            case Verdict.Impossible i -> 3;
        };
    }

    private double limit() {
        return after.cleanUpTo().map(t -> t.in(wildflourish.core.tune.Ratio.of(1, 4)).perMinute().toDouble()).orElse(0.0);
    }

    /** As advice without its full stop. */
    public String inWords() {
        String then = after.cleanUpTo().map(t -> ", then clean up to " + t.spoken()).orElse("");
        return simpler.map(s -> "take a %s for the %s%s".formatted(s.name(), first.name(), then))
                .orElseGet(() -> "give up the %s first%s".formatted(first.name(), then));
    }
}
