package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A lesson for a class, fitted to its time: of all that the tunes and those who come ask for, what is worth most together, in the order in which teachers work.
 *
 * @param minutes the time there is
 * @param worth of all of it, in thousandths of a tune: its lines', and that known tunes are in it at all ({@link LessonRule#drop})
 * @param lines what is done, one after another
 * @param left what found no time, a sentence without its full stop each
 * @param more what ten more minutes would bring, without a full stop; empty where they would bring nothing
 */
public record LessonPlan(int minutes, int worth, List<Line> lines, List<String> left, List<String> more) {

    private static final int LITTLE_MORE = 10;

    /**
     * What one or several do meanwhile.
     *
     * @param who their names
     */
    public record Part(String who, String does) {}

    /**
     * A stretch of it.
     *
     * @param id the same for the same thing whenever the lesson is planned anew
     * @param from minutes from the beginning of the lesson
     * @param tune its title; empty where it belongs to none
     * @param words what is done, without a full stop
     * @param why without a full stop; empty where it goes without saying
     * @param worth what it adds to the lesson, in thousandths of a tune
     * @param obligatory whether it comes with its tune, or with the lesson's length, and is not weighed
     */
    public record Line(Doing doing, String id, String tune, int from, int minutes, String words, String why, int worth, boolean obligatory, List<Part> parts) {

        public Line {
            parts = List.copyOf(parts);
        }

        /** Index after its last minute. */
        public int to() {
            return from + minutes;
        }
    }

    public LessonPlan {
        lines = List.copyOf(lines);
        left = List.copyOf(left);
        more = List.copyOf(more);
    }

    /** Minutes that nothing was found for. */
    public int free() {
        return minutes - (lines.isEmpty() ? 0 : lines.getLast().to());
    }

    /**
     * The best plan.
     *
     * @param tunes in the order in which they are to come
     * @param minutes from 1 to {@link LessonRule#longest}
     * @param without ids of lines that the teacher leaves away
     * @throws IllegalArgumentException for a lesson without minutes, or of too many
     */
    public static LessonPlan of(List<LessonTune> tunes, int minutes, Set<String> without) {
        LessonRule rule = LessonRule.USUAL;
        if (minutes < 1 || minutes > rule.longest()) {
            throw new IllegalArgumentException("a lesson lasts from 1 to %d minutes".formatted(rule.longest()));
        }
        Set<String> away = Set.copyOf(without);
        List<TuneWork> works = tunes.stream().map(t -> new TuneWork(t, away, minutes <= rule.brief())).toList();
        List<Stage.Choice> chosen = fitted(works, minutes, away);
        List<Piece> now = rested(chosen, minutes, away);
        Set<String> ids = new HashSet<>();
        now.forEach(p -> ids.add(p.id()));
        List<String> more = minutes + LITTLE_MORE > rule.longest() ? List.of() : fitted(works, minutes + LITTLE_MORE, away).stream().flatMap(c -> c.pieces().stream())
                .filter(p -> !ids.contains(p.id())).map(p -> p.tune().isEmpty() ? p.words() : "“%s”: %s".formatted(p.tune(), p.words())).toList();
        return new LessonPlan(minutes, chosen.stream().mapToInt(Stage.Choice::worth).sum(), lines(now), left(works, chosen), more);
    }

    private static List<String> left(List<TuneWork> works, List<Stage.Choice> chosen) {
        List<String> left = new ArrayList<>();
        int at = 1;
        for (TuneWork work : works) {
            int size = work.stages().size();
            left.addAll(work.left(chosen.subList(at, at + size)));
            at += size;
        }
        return left;
    }

    /** The stages of a whole lesson; it is what a search for the optimum, of whatever kind, has to go through. */
    static List<Stage> stages(List<TuneWork> works, Set<String> without) {
        List<Stage> stages = new ArrayList<>();
        Piece tuning = new Piece(Doing.TUNE_UP, Doing.TUNE_UP.name(), "", LessonRule.USUAL.tuneUp(), "everybody in tune, and the hands warm", "",
                LessonRule.USUAL.inTune() * TuneWork.HUNDREDTH, false, List::of);
        stages.add(come -> without.contains(tuning.id()) ? List.of(Stage.Choice.nothing(come))
                : List.of(new Stage.Choice(tuning.minutes(), tuning.worth(), come, List.of(tuning)), Stage.Choice.nothing(come)));
        works.forEach(w -> stages.addAll(w.stages()));
        return stages;
    }

    private static int rests(int minutes, Set<String> without) {
        return without.contains(Doing.REST.name()) ? 0 : (minutes - 1) / LessonRule.USUAL.restAfter();
    }

    private static List<Stage.Choice> fitted(List<TuneWork> works, int minutes, Set<String> without) {
        int playing = Math.max(0, minutes - rests(minutes, without) * LessonRule.USUAL.rest());
        return Fitting.best(stages(works, without), playing).map(Fitting::choices).orElseThrow();
    }

    private static List<Piece> rested(List<Stage.Choice> chosen, int minutes, Set<String> without) {
        List<Piece> pieces = new ArrayList<>(chosen.stream().flatMap(c -> c.pieces().stream()).toList());
        int rests = rests(minutes, without);
        for (int r = 1; r <= rests; r++) {
            rest(pieces, minutes * r / (rests + 1.0));
        }
        return pieces;
    }

    /** Puts a rest where one thing ends and another begins, as near as can be to some minute. */
    private static void rest(List<Piece> pieces, double minute) {
        Piece rest = new Piece(Doing.REST, Doing.REST.name(), "", LessonRule.USUAL.rest(), "instruments down, hands loose", "tired hands learn nothing, and are hurt", 0, true, List::of);
        int at = 0;
        int best = pieces.size();
        double nearest = Double.MAX_VALUE;
        for (int i = 0; i <= pieces.size(); i++) {
            boolean warning = i > 0 && pieces.get(i - 1).doing() == Doing.TRAP;
            if (!warning && Math.abs(at - minute) < nearest) {
                nearest = Math.abs(at - minute);
                best = i;
            }
            at += i < pieces.size() ? pieces.get(i).minutes() : 0;
        }
        pieces.add(best, rest);
    }

    private static List<Line> lines(List<Piece> pieces) {
        List<Line> lines = new ArrayList<>();
        int at = 0;
        for (Piece piece : pieces) {
            lines.add(new Line(piece.doing(), piece.id(), piece.tune(), at, piece.minutes(), piece.words(), piece.why(), piece.worth(), piece.obligatory(), piece.parts().get()));
            at += piece.minutes();
        }
        return lines;
    }
}
