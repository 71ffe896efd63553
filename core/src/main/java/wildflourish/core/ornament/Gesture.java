package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;

/**
 * What the hands do on one note: all its ornaments together, as stretches of the note's time with parts in each.
 *
 * @param note index of the written note
 * @param place where the note is played for this; the plan's place, unless only another one allows the ornaments
 * @param moved whether that is another place than the plan's
 * @param lead parts that come before the beat and take their time from the note before
 * @param pulses in order; their lengths add up to the note's sounding length
 * @param along what goes on meanwhile: the tongue or a slur at the start, notes that sound along throughout
 */
public record Gesture(
        int note, Place place, boolean moved, List<Part> lead, List<Pulse> pulses, List<Part> along) {

    /** A stretch of time and the parts that follow one another in it. */
    public record Pulse(Ratio length, List<Part> parts) {
        public Pulse {
            parts = List.copyOf(parts);
        }
    }

    /**
     * One elementary part.
     *
     * @param ornament id of the ornament it belongs to; empty for the bare note
     * @param pitch what is heard: of a cut the note clicked to, of a slide where it starts; written, not sounding
     * @param means what moves
     */
    public record Part(Move move, String ornament, Pitch pitch, Means means) {

        /** The hole whose finger moves, from 1 at the mouth; −1 when none does. */
        public int hole() {
            return means.hole();
        }
    }

    public Gesture {
        lead = List.copyOf(lead);
        pulses = List.copyOf(pulses);
        along = List.copyOf(along);
    }

    /** Whether the tongue starts the note. */
    public boolean tongued() {
        return along.stream().anyMatch(p -> p.move() == Move.TONGUE);
    }

    /** Whether the note is joined to the one before. */
    public boolean slurred() {
        return along.stream().anyMatch(p -> p.move() == Move.SLUR);
    }

    /** How many strokes of bow, plectrum or plucking hand it takes. */
    public int strokes() {
        long later = pulses.stream().flatMap(p -> p.parts().stream()).filter(p -> p.move() == Move.STROKE).count();
        boolean first = pulses.getFirst().parts().stream().anyMatch(p -> p.move() == Move.STROKE);
        return (int) later + (first ? 0 : 1);
    }

    /** The notes that sound along. */
    public List<Part> company() {
        return along.stream().filter(p -> p.move() == Move.COMPANY).toList();
    }

    /** All parts in order: those before the beat, those of the pulses, then what goes on meanwhile. */
    public List<Part> parts() {
        List<Part> all = new ArrayList<>(lead);
        pulses.forEach(p -> all.addAll(p.parts()));
        all.addAll(along);
        return all;
    }

    /** The parts of one ornament, in order. */
    public List<Part> parts(String ornament) {
        return parts().stream().filter(p -> p.ornament().equals(ornament)).toList();
    }

    /** The first part of all. */
    Part first() {
        return lead.isEmpty() ? pulses.getFirst().parts().getFirst() : lead.getFirst();
    }

    /** The last part of all. */
    Part last() {
        return pulses.getLast().parts().getLast();
    }

    /** The last part in which a finger moves, if one does. */
    Optional<Part> lastMoving() {
        for (int p = pulses.size() - 1; p >= 0; p--) {
            for (int i = pulses.get(p).parts().size() - 1; i >= 0; i--) {
                Part part = pulses.get(p).parts().get(i);
                if (!(part.means() instanceof Means.Still) && !part.ornament().isEmpty()) {
                    return Optional.of(part);
                }
            }
        }
        return Optional.empty();
    }

    /**
     * What a neighbouring note can feel of it: equal edges of two gestures on one note mean that both get along with the same
     * neighbours.
     */
    public List<Object> edges() {
        List<Object> edges = new ArrayList<>(List.of(lead, first(), last(), pulses.getLast()));
        Optional<Part> moving = lastMoving();
        if (moving.isPresent()) {
            Ratio since = Ratio.ZERO;
            for (int p = pulses.size() - 1; p >= 0; p--) {
                since = since.plus(pulses.get(p).length());
                if (pulses.get(p).parts().contains(moving.get())) {
                    break;
                }
            }
            edges.add(moving.get());
            edges.add(since);
        }
        return edges;
    }
}
