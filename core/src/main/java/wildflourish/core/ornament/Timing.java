package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;

/**
 * Shares the time of a gesture out among its parts, in milliseconds.
 *
 * <p>Clicks, dips, glides and breaths take their comfortable length when the stretch has room, their floor when it is at
 * the limit, and the same share between the two in between; the sounding note takes what is left.
 */
final class Timing {

    /** A part with its time since the start of the note. */
    record Timed(Gesture.Part part, double atMs, double forMs) {}

    private Timing() {}

    static List<Timed> of(Gesture gesture, double msPerWhole, Speeds speeds) {
        List<Timed> timed = new ArrayList<>();
        double at = 0;
        for (Gesture.Pulse pulse : gesture.pulses()) {
            double has = pulse.length().toDouble() * msPerWhole;
            double floor = 0;
            double comfort = 0;
            for (Gesture.Part part : pulse.parts()) {
                floor += speeds.of(part.move()).floor();
                comfort += speeds.of(part.move()).comfortable();
            }
            double ease = comfort <= floor ? 1 : Math.clamp((has - floor) / (comfort - floor), 0, 1);
            double spare = has;
            int tones = 0;
            for (Gesture.Part part : pulse.parts()) {
                if (part.move().isTone()) {
                    tones++;
                } else {
                    spare -= length(part, ease, speeds);
                }
            }
            double squeeze = tones == 0 ? has / (has - spare) : 1;
            for (Gesture.Part part : pulse.parts()) {
                double length = part.move().isTone() ? spare / tones : length(part, ease, speeds) * squeeze;
                timed.add(new Timed(part, at, length));
                at += length;
            }
        }
        return timed;
    }

    private static double length(Gesture.Part part, double ease, Speeds speeds) {
        Speeds.Span span = speeds.of(part.move());
        return span.floor() + ease * (span.comfortable() - span.floor());
    }
}
