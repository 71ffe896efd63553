package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Lesson;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.tune.Tempo;

/**
 * What a lesson can do with one tune, in the order in which teachers do it: whole, bare and slow, phrase by phrase with the traps before they bite, what is stuck, ornaments
 * by those who play them, all together, what to take home.
 *
 * <p>How far the lesson has come with it is the number of steps of its teaching order that are known; {@link #OUT} where the tune is left out.
 */
final class TuneWork {

    static final int OUT = -1;
    /** Worth is counted in thousandths of a tune. */
    static final int HUNDREDTH = 10;

    private final LessonRule rule = LessonRule.USUAL;
    private final LessonTune tune;
    private final Set<String> without;
    private final Reading reading;
    private final List<Lesson.Step> steps;
    private final Everybody everybody;
    private final boolean teaching;
    private final boolean brief;

    /**
     * @param brief whether the lesson is so short that the tune need not be heard whole, nor slowly, before something of it is taught
     */
    TuneWork(LessonTune tune, Set<String> without, boolean brief) {
        this.brief = brief;
        this.tune = tune;
        this.without = without;
        this.reading = tune.reading();
        this.steps = reading.lesson().steps();
        this.everybody = new Everybody(tune);
        this.teaching = tune.isToBeTaught();
    }

    /** Its stages in their order. */
    List<Stage> stages() {
        List<Stage> stages = new ArrayList<>();
        stages.add(opening());
        if (teaching) {
            stages.add(slowly());
            for (int s = tune.taught(); s < steps.size(); s++) {
                stages.add(teach(s));
            }
        }
        stuck().forEach(p -> stages.add(optional(p, rule.stuckMinutes(), rule.stuck(), p.share())));
        ShownOrnament.of(tune.takers()).stream().limit(rule.mostOrnaments()).forEach(o -> stages.add(optional(offer(o), rule.ornamentMinutes(), rule.ornament(), o.share())));
        stages.add(together());
        stages.add(takeHome());
        return stages;
    }

    private static int upToMinutes(double minutes) {
        return Math.max(1, (int) Math.ceil(minutes - 1e-9));
    }

    private String id(Doing doing, String what) {
        return LessonTune.id(tune.arrangement(), doing, what);
    }

    /** Something that is weighed; its worth in thousandths of a tune. */
    private Piece piece(Doing doing, String what, int minutes, String words, String why, int worth, Supplier<List<LessonPlan.Part>> parts) {
        return new Piece(doing, id(doing, what), tune.title(), minutes, words, why, worth, false, parts);
    }

    /** Something that comes with the tune. */
    private Piece due(Doing doing, int minutes, String words, String why, int worth, Supplier<List<LessonPlan.Part>> parts) {
        return new Piece(doing, id(doing, ""), tune.title(), minutes, words, why, worth, !brief || doing == Doing.TAKE_HOME, parts);
    }

    private boolean isLeftAway(Doing doing, String what) {
        return without.contains(id(doing, what));
    }

    private Stage opening() {
        int known = teaching ? tune.taught() : steps.size();
        List<Piece> whole = new ArrayList<>();
        if (!isLeftAway(Doing.WHOLE, "")) {
            whole.add(due(Doing.WHOLE, upToMinutes(tune.minutes(tune.goal())), "the whole tune once, at " + tune.goal().spoken(),
                    teaching ? "so that everybody hears where it goes" : "to hear where it stands", teaching ? 0 : rule.whole() * HUNDREDTH, () -> everybody.listening(teaching)));
        }
        // A new tune is worth what of it is taught.
        int here = teaching ? 0 : rule.drop() * HUNDREDTH;
        List<Stage.Choice> choices = new ArrayList<>(List.of(new Stage.Choice(0, 0, OUT, List.of()),
                new Stage.Choice(whole.stream().mapToInt(Piece::minutes).sum(), here + whole.stream().mapToInt(Piece::worth).sum(), known, whole)));
        if (brief && !whole.isEmpty()) {
            choices.add(new Stage.Choice(0, here, known, List.of()));
        }
        return come -> choices;
    }

    private Stage slowly() {
        boolean again = tune.taught() > 0;
        double minutes = tune.minutes(tune.slow()) * (again ? steps.get(tune.taught() - 1).share() : 1);
        Piece slow = due(Doing.SLOW, upToMinutes(minutes), (again ? "what is known of it, bare and slow, at " : "the whole of it bare and slow, at ") + tune.slow().spoken(),
                again ? "so that the next phrase has something to hang on" : "so that every note is heard", 0, () -> everybody.listening(!again));
        return come -> come == OUT || isLeftAway(Doing.SLOW, "") ? List.of(Stage.Choice.nothing(come))
                : brief ? List.of(new Stage.Choice(slow.minutes(), 0, come, List.of(slow)), Stage.Choice.nothing(come)) : List.of(new Stage.Choice(slow.minutes(), 0, come, List.of(slow)));
    }

    /** A step of the teaching order: not any more today, briskly, or with time; with none, one or more of its traps. */
    private Stage teach(int s) {
        Lesson.Step step = steps.get(s);
        String name = step.name();
        if (isLeftAway(step.isJoin() ? Doing.JOIN : Doing.PHRASE, name)) {
            return come -> List.of(Stage.Choice.nothing(come));
        }
        double before = s == 0 ? 0 : steps.get(s - 1).share();
        int gain = (int) Math.round(1000 * (step.share() - before) * fresh()) + (step.isJoin() ? rule.join() * HUNDREDTH : 0);
        List<Trap> traps = step.isJoin() ? List.of() : trapsOf(step.phrases().getFirst());
        int minutes = minutes(step);
        int brisk = upToMinutes(minutes * rule.briskMinutes() / 100.0);
        List<Stage.Choice> all = new ArrayList<>();
        all.add(Stage.Choice.nothing(s));
        for (int t = 0; t <= traps.size(); t++) {
            int told = t * rule.trapMinutes();
            List<Trap> few = traps.subList(0, t);
            if (brisk < minutes) {
                all.add(choice(brisk + told, s + 1, pieces(step, name, brisk, few, true, gain * rule.briskWorth() / 100)));
            }
            all.add(choice(minutes + told, s + 1, pieces(step, name, minutes, few, false, gain)));
        }
        return come -> come == s ? all : List.of(Stage.Choice.nothing(come));
    }

    private static Stage.Choice choice(int minutes, int leads, List<Piece> pieces) {
        return new Stage.Choice(minutes, pieces.stream().mapToInt(Piece::worth).sum(), leads, pieces);
    }

    private double fresh() {
        return tune.takers().stream().filter(LessonTune.Taker::isNew).count() / (double) tune.takers().size();
    }

    private List<Piece> pieces(Lesson.Step step, String name, int minutes, List<Trap> traps, boolean brisk, int gain) {
        List<Piece> pieces = new ArrayList<>();
        for (int t = 0; t < traps.size(); t++) {
            Trap trap = traps.get(t);
            int worth = (int) Math.round(rule.trap().get(t) * everybody.share(trap) * HUNDREDTH);
            pieces.add(piece(Doing.TRAP, name + " " + trap.kind(), rule.trapMinutes(), "in %s: %s".formatted(name, trap.inWords()), "", worth, () -> everybody.warned(trap)));
        }
        String known = "%d %% of the tune is known then".formatted(Math.round(step.share() * 100));
        if (step.isJoin()) {
            pieces.add(piece(Doing.JOIN, name, minutes, step.text(), known, gain, everybody::joining));
        } else {
            Phrase phrase = step.phrases().getFirst();
            pieces.add(piece(Doing.PHRASE, name, minutes, step.text(), known + (brisk ? "; briskly, for want of time" : ""), gain, () -> everybody.starting(phrase, traps)));
        }
        return pieces;
    }

    /** How long a step takes: a phrase by its new bars, the slowest who learn it and the instruments it is shown on, a join by playing it a few times slowly. */
    private int minutes(Lesson.Step step) {
        if (step.isJoin()) {
            List<Integer> bars = step.phrases().stream().flatMapToInt(p -> IntStream.range(p.fromBar(), p.toBar())).boxed().toList();
            return upToMinutes(LessonTune.minutes(tune.arrangement().tune(), bars, tune.slow()) * rule.timesJoined());
        }
        if (reading.passages().stream().anyMatch(p -> p.phrase().equals(step.phrases().getFirst()) && p.isSame())) {
            return upToMinutes(rule.minutesPerPhrase());
        }
        double perBar = tune.takers().stream().filter(LessonTune.Taker::isNew).mapToDouble(t -> rule.minutesPerNewBar().getOrDefault(t.own().student().level(), 1.0)).max().orElse(1);
        double shown = step.newBars() == 0 ? 0 : rule.minutesPerInstrument() * (everybody.instruments() - 1);
        return upToMinutes(rule.minutesPerPhrase() + shown + perBar * step.newBars());
    }

    /** The traps of a phrase that are worth telling, on any instrument that is there. */
    private List<Trap> trapsOf(Phrase phrase) {
        return everybody.traps().stream().filter(t -> phrase.holds(t.note()) && !isLeftAway(Doing.TRAP, phrase.name() + " " + t.kind())).limit(rule.trap().size()).toList();
    }

    /** Something that may be done shorter, longer, or not at all. */
    private record Offer(Doing doing, String what, String words, String why, double share, Supplier<List<LessonPlan.Part>> parts) {}

    private Stage optional(Offer offer, List<Integer> minutes, List<Integer> worth, double share) {
        List<Stage.Choice> all = new ArrayList<>();
        for (int i = 0; i < minutes.size(); i++) {
            int length = minutes.get(i);
            all.add(choice(length, 0, List.of(piece(offer.doing, offer.what, length, offer.words, offer.why, (int) Math.round(worth.get(i) * share * HUNDREDTH), offer.parts))));
        }
        return come -> {
            List<Stage.Choice> choices = new ArrayList<>(List.of(Stage.Choice.nothing(come)));
            if (come != OUT && !isLeftAway(offer.doing, offer.what)) {
                all.forEach(c -> choices.add(new Stage.Choice(c.minutes(), c.worth(), come, c.pieces())));
            }
            return choices;
        };
    }

    private List<Offer> stuck() {
        Map<String, List<LessonTune.Taker>> by = new LinkedHashMap<>();
        tune.takers().forEach(t -> t.standing().stuck().forEach(l -> by.computeIfAbsent(l.passage(), k -> new ArrayList<>()).add(t)));
        return by.entrySet().stream().sorted(Comparator.comparingInt((Map.Entry<String, List<LessonTune.Taker>> e) -> -e.getValue().size())).limit(rule.mostStuck())
                .map(e -> new Offer(Doing.STUCK, e.getKey(), "%s, slowly and in small pieces, at %s".formatted(e.getKey(), tune.slow().spoken()),
                        "stuck for " + Everybody.names(e.getValue()), e.getValue().size() / (double) tune.takers().size(), () -> everybody.unsticking(e.getValue(), e.getKey()))).toList();
    }

    private Offer offer(ShownOrnament shown) {
        return new Offer(Doing.ORNAMENT, shown.family() + " " + shown.name(), shown.words(), shown.why(), shown.share(), () -> everybody.showing(shown));
    }

    /** So many times through all together, slowly and what is known of it where it is still being taught. */
    private Stage together() {
        double fading = tune.takers().stream().filter(t -> t.next() instanceof NextStep.Revisit).count() / (double) tune.takers().size();
        return come -> {
            if (come == OUT) {
                return List.of(Stage.Choice.nothing(come));
            }
            boolean whole = come >= steps.size();
            double share = whole ? 1 : come == 0 ? 0 : steps.get(come - 1).share();
            Tempo tempo = teaching ? tune.slow() : tune.together();
            List<Stage.Choice> choices = new ArrayList<>();
            if (share == 0 || isLeftAway(Doing.TOGETHER, "")) {
                return List.of(Stage.Choice.nothing(come));
            }
            int worth = (int) Math.round(rule.fading() * fading * HUNDREDTH);
            for (int times = 1; times <= rule.together().size(); times++) {
                worth += (int) Math.round(rule.together().get(times - 1) * share * HUNDREDTH);
                int minutes = upToMinutes(tune.minutes(tempo) * share * times);
                String words = "%s all together, %s, at %s".formatted(whole ? "the tune" : "what is known of it", times == 1 ? "once" : times == 2 ? "twice" : times + " times",
                        tempo.spoken());
                choices.add(choice(minutes, come, List.of(piece(Doing.TOGETHER, "", minutes, words, fading > 0 ? "it fades for some" : "", worth, () -> everybody.together(tempo)))));
            }
            return choices;
        };
    }

    private Stage takeHome() {
        return come -> {
            if (come == OUT || isLeftAway(Doing.TAKE_HOME, "")) {
                return List.of(Stage.Choice.nothing(0));
            }
            String known = come == 0 || steps.isEmpty() ? "" : come >= steps.size() ? "all of it" : steps.get(0).phrases().getFirst().name() + " to " + steps.get(come - 1).phrases().getLast().name();
            return List.of(new Stage.Choice(rule.takeHome(), 0, 0, List.of(due(Doing.TAKE_HOME, rule.takeHome(), "what each takes home of it", "", 0, () -> everybody.takingHome(known)))));
        };
    }

    /** What of it had no time, a sentence without its full stop each. */
    List<String> left(List<Stage.Choice> chosen) {
        if (chosen.getFirst().leads() == OUT) {
            return List.of("“%s” found no time".formatted(tune.title()));
        }
        List<String> left = new ArrayList<>();
        int come = chosen.stream().filter(c -> c.pieces().stream().anyMatch(p -> p.doing() == Doing.PHRASE || p.doing() == Doing.JOIN)).mapToInt(Stage.Choice::leads).max()
                .orElse(chosen.getFirst().leads());
        if (teaching && come < steps.size()) {
            left.add("“%s” from %s on: next time".formatted(tune.title(), steps.get(come).name()));
        }
        Set<String> done = new HashSet<>();
        chosen.forEach(c -> c.pieces().forEach(p -> done.add(p.id())));
        stuck().stream().filter(o -> !done.contains(id(o.doing, o.what))).forEach(o -> left.add("“%s”, %s: %s".formatted(tune.title(), o.what, o.why)));
        ShownOrnament.of(tune.takers()).stream().map(this::offer).filter(o -> !done.contains(id(o.doing, o.what)))
                .forEach(o -> left.add("“%s”, %s".formatted(tune.title(), o.words)));
        return left;
    }
}
