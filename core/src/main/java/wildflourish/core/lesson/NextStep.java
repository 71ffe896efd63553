package wildflourish.core.lesson;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.growth.Check;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.PracticeHistory;
import wildflourish.core.practice.StepRule;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/**
 * What a student does next with a tune, and why. The rules in their order: what was never played is begun; what was learned and is due is played again before it fades;
 * what is stuck gets the drill of the gesture that holds it back, or, bare, an easier tune first; what is not yet even at its goal gets a faster tempo; then the next rung
 * is taken, or what stands in its way is drilled; at the top it is kept, at growing intervals (common practice; the intervals after {@link Review}).
 */
public sealed interface NextStep {

    /** What to do, for reading, without a full stop. */
    String inWords();

    /** Why, as a sentence without its full stop. */
    String why();

    /** It is begun. */
    record Begin(String why) implements NextStep {
        @Override
        public String inWords() {
            return "begin: bare and slow, phrase by phrase";
        }
    }

    /** It is played at another tempo. */
    record AtTempo(Tempo tempo, String why) implements NextStep {
        @Override
        public String inWords() {
            return "at " + tempo.spoken();
        }
    }

    /** The next rung is taken. */
    record TakeRung(int rung, String name, String why) implements NextStep {
        @Override
        public String inWords() {
            return "take the rung “%s”".formatted(name);
        }
    }

    /** A gesture is practised apart. */
    record DrillIt(Drill drill, String why) implements NextStep {
        @Override
        public String inWords() {
            return "drill the " + drill.name();
        }
    }

    /** Another tune first. */
    record Easier(String title, String why) implements NextStep {
        @Override
        public String inWords() {
            return "an easier tune first: " + title;
        }
    }

    /** It is played again, so that it stays. */
    record Revisit(long days, String why) implements NextStep {
        @Override
        public String inWords() {
            return "play it again";
        }
    }

    /**
     * It is kept.
     *
     * @param today whether it is due on the day on which that is said
     */
    record Keep(LocalDate due, boolean today, String why) implements NextStep {
        @Override
        public String inWords() {
            return today ? "keep it; play it again today" : "keep it; play it again on " + due.format(DateTimeFormatter.ofPattern("d MMMM", Locale.UK));
        }
    }

    /** As the teacher has decided, whatever is computed. */
    record Decided(String inWords) implements NextStep {
        @Override
        public String why() {
            return "as you decided";
        }
    }

    /**
     * What is next.
     *
     * @param hers the tune in the student's hands, with its ladder on their instrument
     * @param easier the title of a tune that is easier on their instrument and that they have not begun, if there is one
     */
    static NextStep of(Standing standing, Arrangement hers, Optional<String> easier, LocalDate today) {
        if (standing.passes() == 0) {
            return new Begin("nothing of it has been played yet");
        }
        boolean top = standing.rung() + 1 >= hers.ladder().size();
        long since = standing.good().isEmpty() ? 0 : ChronoUnit.DAYS.between(standing.good().last(), today);
        if (!standing.good().isEmpty() && Review.RULE.overdue(standing.good(), today) > 0 && (top || since > Review.RULE.climbingDays())) {
            int good = standing.good().size();
            return new Revisit(Review.RULE.overdue(standing.good(), today), "it was even at its goal on %s, the last time %s ago: after %s it fades".formatted(
                    days(good), days(since), days(Math.max(Review.RULE.interval(good), top ? 0 : Review.RULE.climbingDays()))));
        }
        if (!standing.stuck().isEmpty()) {
            return stuck(standing, hers, easier);
        }
        if (!standing.isThere()) {
            return faster(standing);
        }
        if (!top) {
            return fuller(standing, hers);
        }
        LocalDate due = Review.RULE.due(standing.good());
        return new Keep(due, !due.isAfter(today), "it is even at its goal on the top rung");
    }

    private static String days(long number) {
        return number == 1 ? "1 day" : number + " days";
    }

    private static NextStep stuck(Standing standing, Arrangement hers, Optional<String> easier) {
        PracticeHistory.Line line = standing.stuck().getFirst();
        String why = "%s has been uneven %d times without a gain".formatted(line.passage(), line.stuckFor());
        if (standing.rung() == 0 && easier.isPresent()) {
            return new Easier(easier.get(), why + ", bare as it is");
        }
        Optional<Held> held = standing.rung() == 0 ? Optional.empty() : hardest(hers.version(Math.min(standing.rung(), hers.ladder().size() - 1)), false);
        return held.flatMap(h -> drill(h.ornament, hers).<NextStep>map(d -> new DrillIt(d, why + "; of its ornaments the %s in bar %d has least to spare".formatted(h.ornament.name(), h.bar))))
                .orElseGet(() -> new AtTempo(standing.goal().percent(below(standing)), why + ": slower, until it is even"));
    }

    /** The step below what was reached, in per cent; the lowest where nothing was. */
    private static int below(Standing standing) {
        return StepRule.USUAL.percent().stream().filter(p -> p < standing.percent()).max(Comparator.naturalOrder()).orElse(StepRule.USUAL.percent().getFirst());
    }

    private static NextStep faster(Standing standing) {
        if (standing.part() && standing.percent() > 0) {
            return new AtTempo(standing.goal().percent(StepRule.USUAL.percent().getFirst()), "its passages are even up to %s each: now the whole of it, slowly".formatted(
                    standing.reached().orElseThrow().spoken()));
        }
        int percent = StepRule.USUAL.percent().stream().filter(p -> standing.reached().filter(r -> !r.perMinute().isLess(standing.goal().percent(p).perMinute())).isEmpty())
                .findFirst().orElse(100);
        return new AtTempo(standing.goal().percent(Math.min(100, percent)), standing.reached().map(r -> "it is even up to %s; the goal is %s".formatted(r.spoken(), standing.goal().spoken()))
                .orElse("nothing of it was even yet: slow enough that it is"));
    }

    private static NextStep fuller(Standing standing, Arrangement hers) {
        Version next = hers.version(standing.rung() + 1);
        Optional<Held> held = hardest(next, true);
        Optional<Drill> drill = held.flatMap(h -> drill(h.ornament, hers));
        String name = hers.ladder().rung(standing.rung() + 1).name();
        if (drill.isPresent()) {
            return new DrillIt(drill.get(), "the rung “%s” wants a %s in bar %d that is not clean in these hands at %s (%s)".formatted(name, held.get().ornament.name(), held.get().bar,
                    standing.goal().spoken(), held.get().verdict.inWords()));
        }
        return new TakeRung(standing.rung() + 1, name, held.isEmpty() ? "it is even at its goal, and everything on the next rung is clean in these hands"
                : "it is even at its goal; the %s in bar %d wants care".formatted(held.get().ornament.name(), held.get().bar));
    }

    /** The placement that has least to spare. */
    record Held(int bar, Ornament ornament, Verdict verdict) {}

    /** The placement of a version with the lowest limit; with {@code failing} among those alone that are not clean. */
    private static Optional<Held> hardest(Version version, boolean failing) {
        List<Check> checks = OwnVersion.checks(version);
        return checks.stream().filter(c -> !failing || !(c.verdict() instanceof Verdict.Clean))
                .min(Comparator.comparingDouble((Check c) -> c.verdict().cleanUpTo().map(t -> t.perMinute().toDouble()).orElse(0.0)))
                .map(c -> new Held(c.bar(), c.ornament(), c.verdict()));
    }

    /** The drill for an ornament: the one of its name, else one that measures a movement of it. */
    private static Optional<Drill> drill(Ornament ornament, Arrangement hers) {
        List<Drill> drills = Drill.of(hers.instrument().family());
        Set<Move> moves = ornament.pulses().stream().flatMap(p -> p.moves().stream()).collect(Collectors.toSet());
        return drills.stream().filter(d -> ornament.id().equals(d.id()) || ornament.id().endsWith("-" + d.id())).findFirst()
                .or(() -> drills.stream().filter(d -> d.measures().stream().anyMatch(moves::contains)).findFirst());
    }
}
