package wildflourish.core.ornament;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Ratio;

/**
 * An ornament as its data file describes it.
 *
 * @param id its name in files and on the command line
 * @param key the key that places it
 * @param heavy whether it counts among the weighty ones of which a phrase bears few
 * @param from shortest note value it is placed on
 * @param to longest note value it is placed on, if there is one
 * @param pulses its stretches in order; the last one takes what is left of the note
 * @param writing how it stands in a score that others read
 * @param how what the hands do, with places for the fingers of the note in hand
 * @param easier ids of its simpler relatives, the nearest first
 * @param suits where a player would think of it
 */
public record Ornament(
        String id,
        String name,
        char key,
        Slot slot,
        boolean heavy,
        Ratio from,
        Optional<Ratio> to,
        List<Beat> pulses,
        Writing writing,
        String how,
        List<String> easier,
        List<Suit> suits,
        String source) {

    /**
     * One stretch of a gesture.
     *
     * @param length its share of the note's time, as a ratio of a whole note; empty for the stretch that takes the rest
     * @param leaning its share in the school that leans on the first pulse, when that differs
     */
    public record Beat(Optional<Ratio> length, Optional<Ratio> leaning, List<Move> moves) {}

    /**
     * A place where it belongs.
     *
     * @param place a name the taste rules know
     * @param gain how much a player likes it there, in the units of the taste rules
     * @param because the reason, in the teacher's words
     */
    public record Suit(String place, int gain, String because) {}

    /**
     * How it is written.
     *
     * @param kind what kind of sign
     * @param decoration the standard decoration's name; empty unless {@code kind} is {@link Sign#DECORATION}
     */
    public record Writing(Sign kind, String decoration) {}

    /** The kinds of sign by which ordinary scores show an ornament. */
    public enum Sign {
        /** Grace notes before the note. */
        GRACES,
        /** Grace notes before the next note. */
        GRACES_OF_NEXT,
        /** A standard decoration on the note. */
        DECORATION
    }

    public Ornament {
        pulses = List.copyOf(pulses);
        easier = List.copyOf(easier);
        suits = List.copyOf(suits);
    }

    /** Whether it begins with a click or a dip, so that no other may stand just before it. */
    public boolean startsWithBlip() {
        return !pulses.isEmpty() && pulses.getFirst().moves().getFirst().isBlip();
    }

    /** Whether it is nothing but silence to breathe in, which no phrase end is too busy for. */
    public boolean isBreath() {
        return pulses.stream().allMatch(p -> p.moves().stream().allMatch(m -> m == Move.BREATH));
    }

    /** Whether this is a single cut and the other, on the same note, begins with one: the two are one movement. */
    public boolean isCutInto(Ornament other) {
        List<Move> own = pulses.getFirst().moves();
        if (slot != Slot.APPROACH || own.size() != 1 || own.getFirst() != Move.CUT || other.slot != Slot.BODY) {
            return false;
        }
        Move first = other.pulses.getFirst().moves().getFirst();
        return first == Move.CUT || first == Move.CRAN_CUT;
    }

    /**
     * Whether this one, standing on a note, has to go when the other comes: the two share a slot without room for both,
     * or want the same instant.
     */
    public boolean givesWayTo(Ornament coming) {
        if (id.equals(coming.id) || isCutInto(coming) || coming.isCutInto(this)) {
            return false;
        }
        boolean twoClicks = startsWithBlip() && coming.startsWithBlip() && slot != Slot.EXIT && coming.slot != Slot.EXIT;
        boolean bothFit = slot.room() > 1 && startsWithBlip() != coming.startsWithBlip();
        boolean twoTongues = slot == Slot.STROKE && coming.startsWithTongue()
                || startsWithTongue() && coming.slot == Slot.STROKE;
        return slot == coming.slot && !bothFit || twoClicks || twoTongues;
    }

    private boolean startsWithTongue() {
        return slot == Slot.BODY && pulses.getFirst().moves().getFirst() == Move.TONGUE;
    }

    /** The shares of the first pulse and so on, in the school chosen. */
    static Optional<Ratio> share(Beat beat, School school) {
        return school.roll().equals("leaning") && beat.leaning().isPresent() ? beat.leaning() : beat.length();
    }
}
