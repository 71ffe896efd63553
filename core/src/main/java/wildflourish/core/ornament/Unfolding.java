package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.planning.Stroke;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/**
 * A gesture unfolded in time at a tempo: what sounds from when to when, and which finger, bow or button moves for it.
 *
 * @param fromMs where it begins; below 0 when something comes before the beat
 * @param toMs where the note ends, counted from its beat
 * @param sounds in order of time
 * @param lanes one for each thing that moves
 */
public record Unfolding(double fromMs, double toMs, List<Heard> sounds, List<Lane> lanes) {

    /**
     * Something heard.
     *
     * @param glidesFrom where the pitch comes from, when it glides
     * @param along whether it sounds along with the note
     * @param fresh whether it has a start of its own
     */
    public record Heard(
            double fromMs, double toMs, Pitch pitch, Optional<Pitch> glidesFrom, boolean along, boolean fresh, String ornament) {}

    /** What a thing does, by its name. */
    public record Lane(String name, List<Span> spans) {
        public Lane {
            spans = List.copyOf(spans);
        }
    }

    /** A movement from when to when. */
    public record Span(double fromMs, double toMs, Move move, String ornament, String word) {

        public double lengthMs() {
            return toMs - fromMs;
        }
    }

    public Unfolding {
        sounds = List.copyOf(sounds);
        lanes = List.copyOf(lanes);
    }

    /** Unfolds a gesture; {@code stroke} is how its note is struck, where strokes are planned. */
    public static Unfolding of(Gesture gesture, Pitch pitch, Tempo tempo, Speeds speeds, Optional<Stroke> stroke) {
        return new Builder(gesture, pitch, stroke).build(
                Timing.of(gesture, tempo.millis(Ratio.ONE).toDouble(), speeds),
                gesture.pulses().stream().map(Gesture.Pulse::length).reduce(Ratio.ZERO, Ratio::plus)
                        .times(tempo.millis(Ratio.ONE)).toDouble());
    }

    private static final class Builder {

        private final Gesture gesture;
        private final Pitch pitch;
        private final Optional<Stroke> stroke;
        private final List<Heard> sounds = new ArrayList<>();
        private final Map<String, List<Span>> lanes = new LinkedHashMap<>();
        private int strokes;

        Builder(Gesture gesture, Pitch pitch, Optional<Stroke> stroke) {
            this.gesture = gesture;
            this.pitch = pitch;
            this.stroke = stroke;
        }

        Unfolding build(List<Timing.Timed> timed, double length) {
            boolean struckFirst = gesture.pulses().getFirst().parts().getFirst().move() == Move.STROKE;
            if (!struckFirst && stroke.filter(s -> !s.joined()).isPresent() && !gesture.slurred()) {
                struck(0, length, "");
            }
            for (Timing.Timed t : timed) {
                heard(t);
                moves(t);
            }
            for (Gesture.Part part : gesture.along()) {
                if (part.move() == Move.COMPANY) {
                    sounds.add(new Heard(0, length, part.pitch(), Optional.empty(), true, true, part.ornament()));
                }
                if (!(part.means() instanceof Means.Still)) {
                    lane(HowTo.means(part.means()), 0, part.move() == Move.COMPANY ? length : length / 4, part, "");
                }
                if (part.move() == Move.TONGUE || part.move() == Move.SLUR) {
                    lane(part.move() == Move.TONGUE ? "tongue" : "one bow with the note before", 0, length / 6, part, "");
                }
            }
            double from = timed.isEmpty() ? 0 : Math.min(0, timed.getFirst().atMs());
            List<Lane> all = new ArrayList<>();
            lanes.forEach((name, spans) -> all.add(new Lane(name, spans)));
            return new Unfolding(from, length, sounds, all);
        }

        private void heard(Timing.Timed t) {
            Gesture.Part part = t.part();
            double end = t.atMs() + t.forMs();
            boolean silence = part.move().isSilence();
            if (silence) {
                return;
            }
            Optional<Pitch> from = switch (part.move()) {
                case SLIDE -> Optional.of(part.pitch());
                case BEND, FALL -> Optional.of(pitch);
                default -> Optional.empty();
            };
            Pitch there = part.move() == Move.SLIDE ? pitch : part.pitch();
            boolean fresh = part.move().isStart() || sounds.isEmpty() && !gesture.slurred();
            Heard last = sounds.isEmpty() ? null : sounds.getLast();
            boolean goesOn = last != null && !last.along() && last.pitch().equals(there) && from.isEmpty() && !fresh
                    && last.toMs() > t.atMs() - 1e-6;
            if (last != null && goesOn) {
                sounds.set(sounds.size() - 1, new Heard(last.fromMs(), end, last.pitch(), last.glidesFrom(), false,
                        last.fresh(), last.ornament()));
            } else {
                sounds.add(new Heard(t.atMs(), end, there, from, false, fresh, part.ornament()));
            }
        }

        private void moves(Timing.Timed t) {
            Gesture.Part part = t.part();
            double end = t.atMs() + t.forMs();
            switch (part.means()) {
                case Means.Still s -> {
                    switch (part.move()) {
                        case TONGUE -> lane("tongue", t.atMs(), t.atMs() + t.forMs() / 4, part, "");
                        case BREATH -> lane("breath", t.atMs(), end, part, "");
                        case SWELL -> lane(stroke.isPresent() ? "bow" : "breath", t.atMs(), end, part, "more, then less");
                        default -> { }
                    }
                }
                case Means.Stroke s -> struck(t.atMs(), end, part.ornament());
                case Means.Hole h -> lane(HowTo.means(h), t.atMs(), end, part, "");
                case Means.Holes h -> h.holes().forEach(
                        hole -> lane(HowTo.finger(hole), t.atMs(), end, part, ""));
                case Means.Finger f -> lane(HowTo.means(f), t.atMs(), end, part, "");
                case Means.Press p -> lane(HowTo.means(p), t.atMs(), end, part, "");
                case Means.Directed d -> { }
                case Means.Turn turn -> { }
                case Means.Knee k -> lane(HowTo.means(k), t.atMs(), end, part, "");
            }
        }

        private void struck(double from, double to, String ornament) {
            boolean down = stroke.map(s -> s.down() == (strokes % 2 == 0)).orElse(true);
            String word = stroke.isEmpty() ? "pluck" : down ? "down" : "up";
            strokes++;
            lanes.computeIfAbsent("stroke", n -> new ArrayList<>()).add(new Span(from, to, Move.STROKE, ornament, word));
        }

        private void lane(String name, double from, double to, Gesture.Part part, String word) {
            lanes.computeIfAbsent(name, n -> new ArrayList<>()).add(new Span(from, to, part.move(), part.ornament(), word));
        }
    }
}
