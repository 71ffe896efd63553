package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;

/**
 * Shares the time of a gesture out among its parts, in milliseconds.
 *
 * <p>Every part takes its comfortable length when the stretch has room, its floor when it is at the limit, and the same
 * share between the two in between; what is over goes to the sounding notes.
 */
final class Timing {

    /** A part with its time since the start of the note; parts before the beat begin below 0. */
    record Timed(Gesture.Part part, double atMs, double forMs) {}

    private Timing() {}

    /** The parts before the beat and those of the pulses, in order. */
    static List<Timed> of(Gesture gesture, double msPerWhole, Speeds speeds) {
        List<Timed> timed = new ArrayList<>();
        if (!gesture.lead().isEmpty()) {
            double lead = gesture.lead().stream().mapToDouble(p -> speeds.of(p.move()).comfortable()).sum();
            double at = -lead;
            for (Gesture.Part part : gesture.lead()) {
                timed.add(new Timed(part, at, speeds.of(part.move()).comfortable()));
                at += speeds.of(part.move()).comfortable();
            }
        }
        double at = 0;
        for (Gesture.Pulse pulse : gesture.pulses()) {
            at = pulse(pulse, at, msPerWhole, speeds, timed);
        }
        return timed;
    }

    private static double pulse(
            Gesture.Pulse pulse, double start, double msPerWhole, Speeds speeds, List<Timed> timed) {
        double has = pulse.length().toDouble() * msPerWhole;
        double floor = 0;
        double comfort = 0;
        int tones = 0;
        List<Speeds.Span> spans = Spans.of(pulse.parts(), speeds);
        for (int i = 0; i < spans.size(); i++) {
            floor += spans.get(i).floor();
            comfort += spans.get(i).comfortable();
            tones += pulse.parts().get(i).move().isTone() ? 1 : 0;
        }
        double ease = comfort <= floor ? 1 : Math.clamp((has - floor) / (comfort - floor), 0, 1);
        double over = Math.max(0, has - comfort);
        double squeeze = has < floor ? has / floor : 1;
        double at = start;
        for (int i = 0; i < spans.size(); i++) {
            Gesture.Part part = pulse.parts().get(i);
            Speeds.Span span = spans.get(i);
            double length = (span.floor() + ease * (span.comfortable() - span.floor())) * squeeze;
            if (tones == 0) {
                length += over / pulse.parts().size();
            } else if (part.move().isTone()) {
                length += over / tones;
            }
            timed.add(new Timed(part, at, length));
            at += length;
        }
        return start + has;
    }
}
