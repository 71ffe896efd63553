package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Ratio;

/**
 * A stretch of written time and what has to go into it. A gesture fits while every stretch holds its parts; the fastest
 * tempo at which it does follows by division.
 *
 * @param length written time, as a ratio of a whole note; positive
 * @param floor milliseconds below which its parts cannot be done
 * @param comfort milliseconds that its parts take at comfortable length
 * @param what for what the time is wanted, where it is not plainly for the parts; else empty
 */
record Stretch(Ratio length, int floor, int comfort, String what) {

    private static final String AGAIN = "for the same finger to move again";

    private Stretch(Ratio length, int floor, int comfort) {
        this(length, floor, comfort, "");
    }

    /** The stretches of a gesture by itself, those it borrows from the note before apart. */
    static List<Stretch> of(Gesture gesture, Speeds speeds) {
        List<Stretch> all = new ArrayList<>();
        int alongFloor = 0;
        int alongComfort = 0;
        Ratio whole = Ratio.ZERO;
        for (int i = 0; i < gesture.pulses().size(); i++) {
            Gesture.Pulse pulse = gesture.pulses().get(i);
            whole = whole.plus(pulse.length());
            Stretch own = of(pulse.length(), pulse.parts(), speeds);
            if (i == 0) {
                // The tongue acts while the fingers do: the longer of the two counts, not their sum.
                for (Gesture.Part part : gesture.along()) {
                    if (part.move().isStart()) {
                        own = new Stretch(own.length, Math.max(own.floor, speeds.of(part.move()).floor()),
                                Math.max(own.comfort, speeds.of(part.move()).comfortable()));
                    }
                }
            }
            all.add(own);
        }
        for (Gesture.Part part : gesture.along()) {
            if (part.move().runsAlong()) {
                alongFloor = Math.max(alongFloor, speeds.of(part.move()).floor());
                alongComfort = Math.max(alongComfort, speeds.of(part.move()).comfortable());
            }
        }
        if (alongFloor > 0) {
            all.add(new Stretch(whole, alongFloor, alongComfort));
        }
        again(gesture, speeds, all);
        return all;
    }

    private static Stretch of(Ratio length, List<Gesture.Part> parts, Speeds speeds) {
        int floor = 0;
        int comfort = 0;
        for (Speeds.Span span : Spans.of(parts, speeds)) {
            floor += span.floor();
            comfort += span.comfortable();
        }
        return new Stretch(length, floor, comfort);
    }

    /** The time that a finger needs between moving in one pulse and moving again in a later one. */
    private static void again(Gesture gesture, Speeds speeds, List<Stretch> all) {
        List<Gesture.Pulse> pulses = gesture.pulses();
        for (int p = 0; p + 1 < pulses.size(); p++) {
            List<Gesture.Part> parts = pulses.get(p).parts();
            for (int i = 0; i < parts.size(); i++) {
                if (Spans.usesFinger(parts.get(i)) && !Spans.isUsedLater(parts, i)) {
                    again(gesture, p, i, speeds, all);
                }
            }
        }
    }

    private static void again(Gesture gesture, int pulse, int at, Speeds speeds, List<Stretch> all) {
        List<Gesture.Pulse> pulses = gesture.pulses();
        Gesture.Part first = pulses.get(pulse).parts().get(at);
        Ratio between = pulses.get(pulse).length();
        for (int q = pulse + 1; q < pulses.size(); q++) {
            int next = Spans.firstUse(pulses.get(q).parts(), first);
            if (next >= 0) {
                Spans.Before before = Spans.until(pulses.get(pulse).parts(), at, speeds);
                Spans.Before gained = Spans.until(pulses.get(q).parts(), next, speeds);
                int floor = speeds.again().floor() + before.floor() - gained.floor();
                int comfort = speeds.again().comfortable() + before.comfortable() - gained.comfortable();
                if (floor > 0) {
                    all.add(new Stretch(between, floor, Math.max(floor, comfort), AGAIN));
                }
                return;
            }
            between = between.plus(pulses.get(q).length());
        }
    }

    /**
     * What two neighbouring gestures ask of the end of the first: room for parts that the second takes before its beat,
     * and time for a finger that both use.
     */
    static List<Stretch> between(Gesture first, Gesture second, Speeds speeds) {
        List<Stretch> all = new ArrayList<>();
        Gesture.Pulse last = first.pulses().getLast();
        if (!second.lead().isEmpty()) {
            List<Gesture.Part> both = new ArrayList<>(last.parts());
            both.addAll(second.lead());
            Stretch wanted = of(last.length(), both, speeds);
            all.add(new Stretch(wanted.length, wanted.floor, wanted.comfort, "together with the graces before the next beat"));
        }
        Optional<Gesture.Part> end = first.lastMoving();
        if (end.isPresent() && second.first().move().isBlip() && !second.first().ornament().isEmpty()
                && end.get().means().isSameFingerAs(second.first().means())) {
            Ratio since = Ratio.ZERO;
            for (int p = first.pulses().size() - 1; p >= 0; p--) {
                since = since.plus(first.pulses().get(p).length());
                if (first.pulses().get(p).parts().contains(end.get())) {
                    break;
                }
            }
            all.add(new Stretch(since, speeds.again().floor(), speeds.again().comfortable(), AGAIN));
        }
        return all;
    }

    /** What of the first stands in the way of the second at any tempo: two clicks on the same instant. */
    static Optional<String> clash(Gesture first, Gesture second) {
        boolean clicks = first.last().move().isBlip() && second.first().move().isBlip();
        return clicks ? Optional.of(first.last().ornament()) : Optional.empty();
    }
}
