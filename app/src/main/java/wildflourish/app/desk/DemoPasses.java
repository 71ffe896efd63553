package wildflourish.app.desk;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.SimulatedStudent;
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

    /** Sittings of some days, the tempo going up and down by the usual rule. */
    List<LoggedPass> stretch(String name, int from, int to, String student, int passes, int... days) {
        List<LoggedPass> log = new ArrayList<>();
        Map<Tempo, Expected> known = new HashMap<>();
        Steps steps = Steps.upTo(arrangement.tempo(), StepRule.USUAL);
        int pass = 0;
        for (int one : days) {
            Instant at = day.apply(one);
            for (int i = 0; i < passes; i++) {
                Tempo tempo = steps.tempo();
                Expected expected = known.computeIfAbsent(tempo, t -> expected(from, to, t));
                Evenness played = Evenness.of(expected, SimulatedStudent.byId(student).play(expected, pass++, SEED));
                Steps.Next next = steps.after(played);
                log.add(LoggedPass.of(at, new LoggedPass.Practised(Optional.of(tune), arrangement.tune().title(), name, arrangement.instrument().id(),
                        arrangement.ladder().rung(0).name(), student, Optional.of(tempo), 0), played, next.even()));
                steps = next.steps();
                at = at.plusMillis(Math.round(expected.lengthMs()) + 4000);
            }
        }
        return log;
    }

    private Expected expected(int from, int to, Tempo tempo) {
        Piece piece = Piece.of(arrangement, 0, tempo, Lilt.STRAIGHT);
        boolean whole = from == 0 && to == piece.version().tune().size();
        PlayedOut.Span span = whole ? new PlayedOut.Span(Ratio.ZERO, piece.played().length()) : piece.played().span(from, to, Ratio.ZERO).orElseThrow();
        return Expected.of(piece.performance(), piece.played(), span, Lilt.STRAIGHT);
    }
}
