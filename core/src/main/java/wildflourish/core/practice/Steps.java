package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Tempo;

/**
 * Where a student stands on the way up to a tempo.
 *
 * @param tempi from slow to the goal
 * @param at index of the tempo of the next pass
 * @param evenInRow even passes at it so far, one after another
 * @param reached whether the goal has been played evenly as often as the rule asks
 */
public record Steps(StepRule rule, List<Tempo> tempi, int at, int evenInRow, boolean reached) {

    /** With fewer onsets there are no two gaps to compare. */
    private static final int FEWEST = 3;

    /** What to do next. */
    public enum Advice { UP, AGAIN, DOWN, REACHED }

    /**
     * What a pass led to.
     *
     * @param why in a sentence for the student, without a full stop
     */
    public record Next(Steps steps, Advice advice, boolean even, String why) {}

    public Steps {
        tempi = List.copyOf(tempi);
    }

    /** At the lowest step. */
    public static Steps upTo(Tempo goal, StepRule rule) {
        List<Tempo> tempi = new ArrayList<>();
        for (int percent : rule.percent()) {
            Tempo tempo = goal.percent(percent);
            if (tempi.isEmpty() || tempo.isFasterThan(tempi.getLast())) {
                tempi.add(tempo);
            }
        }
        return new Steps(rule, tempi, 0, 0, false);
    }

    public Tempo tempo() {
        return tempi.get(at);
    }

    /** On the step whose tempo is nearest to one that was reached before, not above it; the lowest where all are above. */
    public Steps startingFrom(Tempo known) {
        int step = 0;
        for (int i = 0; i < tempi.size(); i++) {
            step = tempi.get(i).isFasterThan(known) ? step : i;
        }
        return new Steps(rule, tempi, step, 0, false);
    }

    /** One step below that of a tempo that was played evenly another day, so that it is even at once. */
    public Steps resuming(Tempo reached) {
        Steps there = startingFrom(reached);
        return new Steps(rule, tempi, Math.max(0, there.at() - 1), 0, false);
    }

    /** After a pass at the present tempo to which nobody listened. */
    public Next after(Evenness pass) {
        return after(pass, Spoken.UNHEARD);
    }

    /** After a pass at the present tempo; ornaments that do not speak hold it where it is. */
    public Next after(Evenness pass, Spoken spoken) {
        if (pass.expected().size() < FEWEST) {
            return new Next(this, Advice.AGAIN, false, "too short to tell whether it is even: take a longer stretch");
        }
        if (rule.isFallenApart(pass)) {
            Steps down = new Steps(rule, tempi, Math.max(0, at - 1), 0, false);
            return new Next(down, at == 0 ? Advice.AGAIN : Advice.DOWN, false, at == 0
                    ? "it fell apart at the slowest step: take a shorter stretch, or the barer rung"
                    : "it fell apart: back to " + down.tempo().spoken());
        }
        if (!rule.isEven(pass)) {
            return new Next(new Steps(rule, tempi, at, 0, reached), Advice.AGAIN, false, "again at the same tempo: " + rule.fault(pass));
        }
        if (!rule.speaks(spoken)) {
            return new Next(new Steps(rule, tempi, at, 0, reached), Advice.AGAIN, false, "again at the same tempo: " + StepRule.silence(spoken));
        }
        if (evenInRow + 1 < rule.passes()) {
            return new Next(new Steps(rule, tempi, at, evenInRow + 1, reached), Advice.AGAIN, true,
                    "even; %s like this".formatted(rule.passes() - evenInRow - 1 == 1 ? "once more" : (rule.passes() - evenInRow - 1) + " more"));
        }
        if (at + 1 < tempi.size()) {
            Steps up = new Steps(rule, tempi, at + 1, 0, false);
            return new Next(up, Advice.UP, true, "even: up to " + up.tempo().spoken());
        }
        return new Next(new Steps(rule, tempi, at, 0, true), Advice.REACHED, true, "the goal is reached: %s, evenly".formatted(tempo().spoken()));
    }
}
