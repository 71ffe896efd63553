package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Tempo;

/**
 * The tempo for a class that plays its own versions together.
 *
 * @param limits up to which tempo each is clean, the slowest first; those whom no tempo stops last
 */
public record ClassTempo(List<Limit> limits) {

    /**
     * How fast one of them can go.
     *
     * @param upTo empty where no ornament could fail
     */
    public record Limit(String name, Optional<Tempo> upTo) {

        private boolean isCleanAt(Tempo tempo) {
            return upTo.filter(limit -> limit.perMinute().isLess(tempo.perMinute())).isEmpty();
        }
    }

    /** A step up: at tempi above {@code above} these are no longer clean. */
    public record Step(Tempo above, List<String> leavesBehind) {}

    public ClassTempo {
        limits = limits.stream().sorted(Comparator.comparing((Limit l) -> l.upTo.isEmpty())
                .thenComparing(l -> l.upTo.map(Tempo::perMinute).orElse(wildflourish.core.tune.Ratio.ZERO))).toList();
    }

    /** Of versions of one tune, their tempi counted in one beat. */
    public static ClassTempo of(List<OwnVersion> versions) {
        return new ClassTempo(versions.stream().map(v -> new Limit(v.student().name(), v.upTo())).toList());
    }

    /** The fastest tempo at which everybody is clean; empty where nothing could fail for anybody. */
    public Optional<Tempo> everybody() {
        return limits.stream().flatMap(l -> l.upTo.stream()).findFirst();
    }

    /** Who is not clean at a tempo. */
    public List<String> behindAt(Tempo tempo) {
        return limits.stream().filter(l -> !l.isCleanAt(tempo)).map(Limit::name).toList();
    }

    /** Each tempo above which somebody more is left behind, the slowest first. */
    public List<Step> steps() {
        List<Step> steps = new ArrayList<>();
        for (Limit limit : limits) {
            if (limit.upTo.isEmpty()) {
                continue;
            }
            if (!steps.isEmpty() && steps.getLast().above.equals(limit.upTo.get())) {
                List<String> more = new ArrayList<>(steps.removeLast().leavesBehind);
                more.add(limit.name);
                steps.add(new Step(limit.upTo.get(), List.copyOf(more)));
            } else {
                steps.add(new Step(limit.upTo.get(), List.of(limit.name)));
            }
        }
        return steps;
    }
}
