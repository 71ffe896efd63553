package wildflourish.core.lesson;

import java.util.List;
import java.util.Set;
import wildflourish.core.reading.Lesson;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/**
 * A tune that a lesson may work on, with those who come.
 *
 * @param arrangement the tune with the tempo that the class goes for
 * @param takers everybody who comes, each with their own version at that tempo
 * @param taught how many steps of its teaching order have been taught in earlier lessons
 */
public record LessonTune(Arrangement arrangement, List<Taker> takers, int taught) {

    /**
     * One who comes, and how they stand with the tune; who has not begun it stands where nothing was played.
     *
     * @param next what is next for them, by the rules or by the teacher's word
     */
    public record Taker(OwnVersion own, Standing standing, NextStep next) {

        String name() {
            return own.student().name();
        }

        boolean isNew() {
            return standing.passes() == 0;
        }

        /** The rung that they play with the others: the one they are on, as far as it is clean. */
        int rung() {
            return Math.min(standing.rung(), own.rung());
        }
    }

    /** One who has not begun it. */
    public static Taker beginner(OwnVersion own) {
        Standing nothing = Standing.of(0, own.arrangement().ladder().rung(0).name(), own.arrangement().tempo(), List.of(), java.time.ZoneOffset.UTC);
        return new Taker(own, nothing, NextStep.of(nothing, own.arrangement(), java.util.Optional.empty(), java.time.LocalDate.EPOCH));
    }

    /** How many steps of a tune's teaching order have been taught; {@code done} are the ids of the lines that were done in earlier lessons. */
    public static int taught(Arrangement tune, Set<String> done) {
        int taught = 0;
        for (Lesson.Step step : Reading.of(tune).lesson().steps()) {
            if (!done.contains(id(tune, step.isJoin() ? Doing.JOIN : Doing.PHRASE, step.name()))) {
                return taught;
            }
            taught++;
        }
        return taught;
    }

    static String id(Arrangement tune, Doing doing, String what) {
        return "%s|%s|%s".formatted(tune.tune().title(), doing.name(), what);
    }

    public LessonTune {
        takers = List.copyOf(takers);
        if (takers.isEmpty() || taught < 0) {
            throw new IllegalArgumentException("a lesson has somebody who comes to it");
        }
    }

    String title() {
        return arrangement.tune().title();
    }

    Tempo goal() {
        return arrangement.tempo();
    }

    Tempo slow() {
        return goal().percent(LessonRule.USUAL.slowPercent());
    }

    Reading reading() {
        return Reading.of(arrangement);
    }

    /** The tempo for all together: what the slowest of them plays evenly, between slow and the goal. */
    Tempo together() {
        Tempo tempo = goal();
        for (Taker taker : takers) {
            Tempo reached = taker.standing.reached().filter(t -> t.beat().equals(goal().beat())).orElse(slow());
            tempo = reached.perMinute().isLess(tempo.perMinute()) ? reached : tempo;
        }
        return tempo.perMinute().isLess(slow().perMinute()) ? slow() : tempo;
    }

    /** Whether it is so new to the class that it is taught phrase by phrase. */
    boolean isToBeTaught() {
        long fresh = takers.stream().filter(Taker::isNew).count();
        return fresh * 100 >= (long) LessonRule.USUAL.teachFrom() * takers.size() && reading().lesson().steps().size() > taught;
    }

    /** How long it lasts once through with its repeats, in minutes. */
    double minutes(Tempo tempo) {
        return minutes(arrangement.tune(), PlayOrder.of(arrangement.tune()), tempo);
    }

    /** How long some bars last, in minutes. */
    static double minutes(Tune tune, List<Integer> bars, Tempo tempo) {
        Ratio length = Ratio.ZERO;
        for (int bar : bars) {
            length = length.plus(tune.bars().get(bar).length());
        }
        return tempo.millis(length).toDouble() / 60_000;
    }
}
