package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.Breaths;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;

/**
 * An ornament as its data file describes it.
 *
 * @param id its name in files and on the command line
 * @param key the key that places it; a capital is typed with Shift
 * @param heavy whether it counts among the weighty ones of which a phrase bears few
 * @param from shortest note value it is placed on
 * @param to longest note value it is placed on, if there is one
 * @param lengths the only note values it is placed on; empty for all between the two
 * @param only the written pitches it is placed on; empty for all
 * @param pulses its stretches in order; the last one takes what is left of the note
 * @param writing how it stands in a score that others read
 * @param how what the hands do, with places for the fingers of the note in hand
 * @param easier ids of its simpler relatives, the nearest first
 * @param absorbs ids of those that it takes up: where both stand on a note, this one is what is played
 * @param excludes ids of those that cannot stand on the same note, because one is made without the other
 * @param separates whether it sets a note apart from an equal one before it
 * @param texture whether it goes on from note to note, so that the same again is not dull
 * @param slowestPulse milliseconds over which its pulses are no longer heard as one gesture; 0 where that never happens
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
        List<Ratio> lengths,
        List<Pitch> only,
        List<Beat> pulses,
        Writing writing,
        String how,
        List<String> easier,
        List<String> absorbs,
        List<String> excludes,
        boolean separates,
        boolean texture,
        int slowestPulse,
        List<Suit> suits,
        String source) {

    /**
     * One stretch of a gesture.
     *
     * @param length its time as a ratio of a whole note; empty when it is a share, or takes what is left
     * @param share its share of the note's own time; empty when it has a length, or takes what is left
     * @param each milliseconds that one of as many equal repetitions as fill the note should last at the tune's tempo;
     *     empty where the tempo has no say
     * @param again whether it is repeated, each time as long, until the note is over
     * @param schools what it is instead in a school, by {@code name=value}
     */
    public record Beat(
            Optional<Ratio> length, Optional<Ratio> share, OptionalInt each, boolean again, List<Motion> motions,
            SortedMap<String, Beat> schools) {

        public Beat {
            motions = List.copyOf(motions);
            schools = Collections.unmodifiableSortedMap(new TreeMap<>(schools));
        }

        /** The movements alone. */
        public List<Move> moves() {
            return motions.stream().map(Motion::move).toList();
        }

        /**
         * This stretch as the schools chosen on an instrument have it. Where several schools say something about it, they
         * are merged in the order of their names: one that changes the movements keeps the time another gives them.
         */
        Beat in(Instrument instrument, School school) {
            Beat merged = this;
            for (Map.Entry<String, Beat> other : schools.entrySet()) {
                String[] halves = other.getKey().split("=", 2);
                if (instrument.school(halves[0], school).equals(halves[1])) {
                    merged = merged.changedAs(this, other.getValue());
                }
            }
            return merged;
        }

        private Beat changedAs(Beat usual, Beat other) {
            boolean time = !other.length.equals(usual.length) || !other.share.equals(usual.share);
            return new Beat(time ? other.length : length, time ? other.share : share, each,
                    other.again == usual.again ? again : other.again,
                    other.motions.equals(usual.motions) ? motions : other.motions, new TreeMap<>());
        }
    }

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
     * @param sign the standard decoration's name or the words; empty for other kinds
     */
    public record Writing(Sign kind, String sign) {}

    /** The kinds of sign by which ordinary scores show an ornament. */
    public enum Sign {
        /** Grace notes before the note. */
        GRACES,
        /** Grace notes before the next note. */
        GRACES_OF_NEXT,
        /** A standard decoration on the note. */
        DECORATION,
        /** Words over the note. */
        WORDS,
        /** Further heads on the note's stem. */
        HEADS,
        /** A slur from the note before. */
        SLUR
    }

    public Ornament {
        lengths = List.copyOf(lengths);
        only = List.copyOf(only);
        pulses = List.copyOf(pulses);
        easier = List.copyOf(easier);
        absorbs = List.copyOf(absorbs);
        excludes = List.copyOf(excludes);
        suits = List.copyOf(suits);
    }

    /** How much of a note is taken by what stands on it, breaths apart. */
    public static Breaths.Busy busy(List<Ornament> stack) {
        List<Ornament> others = stack.stream().filter(o -> !o.isBreath()).toList();
        return others.isEmpty() ? Breaths.Busy.NOT
                : others.stream().allMatch(o -> o.slot == Slot.STROKE || o.slot == Slot.APPROACH) ? Breaths.Busy.AT_ITS_START
                : Breaths.Busy.THROUGHOUT;
    }

    /** Its stretches as the schools chosen on an instrument have them. */
    List<Beat> pulses(Instrument instrument, School school) {
        List<Beat> chosen = new ArrayList<>(pulses.size());
        for (Beat beat : pulses) {
            chosen.add(beat.in(instrument, school));
        }
        return chosen;
    }

    private Move first() {
        return pulses.getFirst().motions().getFirst().move();
    }

    /** Whether it begins with a click or a dip, so that no other may stand just before it. */
    public boolean startsWithBlip() {
        return first().isBlip();
    }

    /** Whether it glides into the note, which then comes before any click. */
    boolean startsWithGlide() {
        return first() == Move.SLIDE;
    }

    /** Whether it is nothing but silence to breathe in, which no phrase end is too busy for. */
    public boolean isBreath() {
        return pulses.stream().allMatch(p -> p.moves().stream().allMatch(m -> m == Move.BREATH));
    }

    /** Whether this is a single cut and the other, on the same note, begins with the same: the two are one movement. */
    public boolean isCutInto(Ornament other) {
        List<Motion> own = pulses.getFirst().motions();
        if (slot != Slot.APPROACH || own.size() != 1 || other.slot != Slot.BODY) {
            return false;
        }
        Motion first = other.pulses.getFirst().motions().getFirst();
        return first.equals(own.getFirst()) && first.move().isBlip()
                || own.getFirst().move() == Move.CUT && first.move() == Move.CRAN_CUT;
    }

    /**
     * Whether this one takes up another on the same note, which is then not played: a roll the cut it begins with, a treble the
     * fill that stood there on a barer rung, and between equal notes a finger the tongue that parted them.
     *
     * @param repeated whether the note before is the same
     */
    public boolean takesUp(Ornament other, boolean repeated) {
        boolean parts = repeated && separates && slot == Slot.APPROACH && other.separates && other.slot == Slot.STROKE;
        return other.isCutInto(this) || absorbs.contains(other.id) || parts;
    }

    /**
     * Whether this one, standing on a note, has to go when the other comes: the two share a slot without room for both,
     * want the same instant, or one is made without the other.
     */
    public boolean givesWayTo(Ornament coming) {
        if (id.equals(coming.id) || coming.takesUp(this, false) || coming.isCutInto(this)) {
            return false;
        }
        if (excludes.contains(coming.id) || coming.excludes.contains(id)) {
            return true;
        }
        boolean meet = slot != Slot.EXIT && coming.slot != Slot.EXIT
                && slot != Slot.COMPANY && coming.slot != Slot.COMPANY;
        boolean twoClicks = startsWithBlip() && coming.startsWithBlip() && meet;
        boolean bothFit = slot.room() > 1 && startsWithBlip() != coming.startsWithBlip();
        boolean twoStarts = slot == Slot.STROKE && coming.startsAfresh() || startsAfresh() && coming.slot == Slot.STROKE;
        return slot == coming.slot && !bothFit || twoClicks || twoStarts;
    }

    private boolean startsAfresh() {
        return slot == Slot.BODY && first().isStart();
    }
}
