package wildflourish.app.desk;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import wildflourish.core.memory.Kept;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.core.practice.Spoken;
import wildflourish.core.practice.StepRule;
import wildflourish.core.practice.Steps;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.sound.transport.Piece;

/** Passes of a stretch of a tune, played by somebody made up and measured like any other. */
final class DemoPasses {

    private static final long SEED = 11;

    private final long tune;
    private final Arrangement arrangement;
    private final IntFunction<Instant> day;

    /** Of a tune's bare rung; {@code day} gives the moment at which a sitting of a day begins. */
    DemoPasses(long tune, Arrangement arrangement, IntFunction<Instant> day) {
        this.tune = tune;
        this.arrangement = arrangement;
        this.day = day;
    }

    /** Sittings of so many passes one after another, by a student who is made up. */
    private record Sittings(Arrangement arrangement, String name, int from, int to, String student, int passes, int times) {}

    private static final Kept<Sittings, List<List<LoggedPass>>> PLAYED = new Kept<>(64);

    /** Sittings of some days, the tempo going up and down by the usual rule. */
    List<LoggedPass> stretch(String name, int from, int to, String student, int passes, int... days) {
        List<List<LoggedPass>> sittings = PLAYED.of(new Sittings(arrangement, name, from, to, student, passes, days.length), this::play);
        List<LoggedPass> log = new ArrayList<>();
        for (int i = 0; i < days.length; i++) {
            Duration since = Duration.between(Instant.EPOCH, day.apply(days[i]));
            sittings.get(i).forEach(p -> log.add(p.moved(since, Optional.of(tune))));
        }
        return log;
    }

    /** The passes of each sitting, as if each had begun at the epoch. */
    private List<List<LoggedPass>> play(Sittings asked) {
        List<List<LoggedPass>> sittings = new ArrayList<>();
        Map<Tempo, Expected> known = new HashMap<>();
        Steps steps = Steps.upTo(arrangement.tempo(), StepRule.USUAL);
        int pass = 0;
        for (int sitting = 0; sitting < asked.times(); sitting++) {
            List<LoggedPass> log = new ArrayList<>();
            Instant at = Instant.EPOCH;
            for (int i = 0; i < asked.passes(); i++) {
                Tempo tempo = steps.tempo();
                Expected expected = known.computeIfAbsent(tempo, t -> expected(asked.from(), asked.to(), t));
                Evenness played = Evenness.of(expected, SimulatedStudent.byId(asked.student()).play(expected, pass++, SEED));
                Steps.Next next = steps.after(played);
                log.add(LoggedPass.of(at, new LoggedPass.Practised(Optional.empty(), arrangement.tune().title(), asked.name(), arrangement.instrument().id(),
                        arrangement.ladder().rung(0).name(), asked.student(), Optional.of(tempo), 0), played, next.even(), Spoken.UNHEARD));
                steps = next.steps();
                at = at.plusMillis(Math.round(expected.lengthMs()) + 4000);
            }
            sittings.add(log);
        }
        return sittings;
    }

    private Expected expected(int from, int to, Tempo tempo) {
        Piece piece = Piece.of(arrangement, 0, tempo, Lilt.STRAIGHT);
        boolean whole = from == 0 && to == piece.version().tune().size();
        PlayedOut.Span span = whole ? new PlayedOut.Span(Ratio.ZERO, piece.played().length()) : piece.played().span(from, to, Ratio.ZERO).orElseThrow();
        return Expected.of(piece.performance(), piece.played(), span, Lilt.STRAIGHT);
    }
}
