package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;

/**
 * How long each part of one pulse takes: its own span, and longer where a finger that has just moved has to move again
 * before the pulse is over.
 */
final class Spans {

    private Spans() {}

    /** One span for each part, in order. */
    static List<Speeds.Span> of(List<Gesture.Part> parts, Speeds speeds) {
        List<Speeds.Span> spans = new ArrayList<>(parts.size());
        for (int i = 0; i < parts.size(); i++) {
            int before = lastUse(parts, i);
            if (before >= 0) {
                lengthen(spans, before, speeds.again());
            }
            spans.add(speeds.of(parts.get(i).move()));
        }
        return spans;
    }

    /** Makes the last of the spans so long that from the start of one on there is time for the finger to come back. */
    private static void lengthen(List<Speeds.Span> spans, int from, Speeds.Span again) {
        int floor = 0;
        int comfort = 0;
        for (Speeds.Span span : spans.subList(from, spans.size())) {
            floor += span.floor();
            comfort += span.comfortable();
        }
        Speeds.Span last = spans.getLast();
        int longer = last.floor() + Math.max(0, again.floor() - floor);
        spans.set(spans.size() - 1, new Speeds.Span(
                longer, Math.max(longer, last.comfortable() + Math.max(0, again.comfortable() - comfort))));
    }

    /** Whether a finger strikes or leaves its place in a part and has to come back for another. */
    static boolean usesFinger(Gesture.Part part) {
        boolean moves = part.means().isMovement();
        // A hammered finger falls and stays.
        boolean comesBack = part.move().isBlip() && part.move() != Move.HAMMER;
        return moves && !part.ornament().isEmpty()
                && (comesBack || part.move() == Move.STROKE || part.move() == Move.PASSING || part.move() == Move.CLOSE);
    }

    private static int lastUse(List<Gesture.Part> parts, int before) {
        if (!usesFinger(parts.get(before))) {
            return -1;
        }
        for (int i = before - 1; i >= 0; i--) {
            if (usesFinger(parts.get(i)) && parts.get(i).means().isSameFingerAs(parts.get(before).means())) {
                return i;
            }
        }
        return -1;
    }

    /** The first part that the finger of another part makes, or −1. */
    static int firstUse(List<Gesture.Part> parts, Gesture.Part finger) {
        for (int i = 0; i < parts.size(); i++) {
            if (usesFinger(parts.get(i)) && finger.means().isSameFingerAs(parts.get(i).means())) {
                return i;
            }
        }
        return -1;
    }

    static boolean isUsedLater(List<Gesture.Part> parts, int at) {
        return firstUse(parts.subList(at + 1, parts.size()), parts.get(at)) >= 0;
    }

    /** How long the parts before one of a pulse take together. */
    record Before(int floor, int comfortable) {}

    static Before until(List<Gesture.Part> parts, int at, Speeds speeds) {
        int floor = 0;
        int comfort = 0;
        for (Speeds.Span span : of(parts, speeds).subList(0, at)) {
            floor += span.floor();
            comfort += span.comfortable();
        }
        return new Before(floor, comfort);
    }
}
