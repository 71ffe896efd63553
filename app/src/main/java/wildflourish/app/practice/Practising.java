package wildflourish.app.practice;

import org.jspecify.annotations.Nullable;
import wildflourish.core.practice.Rest;
import wildflourish.core.practice.StepRule;

/**
 * How somebody practises, as it is kept.
 *
 * @param evenUpTo deviation from even, as a share, up to which a pass counts; so many {@code passes} running raise the tempo
 * @param restAfter minutes after which a rest is due; 0 for never
 * @param keyDelay milliseconds by which the keys are late, once they have been calibrated; null before
 * @param microphoneDelay the same for the microphone
 */
public record Practising(double evenUpTo, int passes, double restAfter, @Nullable Double keyDelay, @Nullable Double microphoneDelay) {

    /** As most do. */
    public static final Practising USUAL =
            new Practising(StepRule.USUAL.evenUpTo(), StepRule.USUAL.passes(), Rest.USUAL.afterMinutes(), null, null);

    static final double STRICTEST = 0.02;
    static final double LAXEST = 0.4;
    static final int MOST_PASSES = 9;
    static final int LONGEST = 120;

    /** Whether anybody could practise so. */
    boolean isPossible() {
        return evenUpTo >= STRICTEST && evenUpTo <= LAXEST && passes >= 1 && passes <= MOST_PASSES && restAfter >= 0 && restAfter <= LONGEST
                && isPossible(keyDelay) && isPossible(microphoneDelay);
    }

    private static boolean isPossible(@Nullable Double delay) {
        return delay == null || Math.abs(delay) < 1000;
    }
}
