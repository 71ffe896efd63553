package wildflourish.core.planning;

import java.util.Map;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Place;

/**
 * What a plan leans towards beside the costs of its places one after another.
 *
 * @param demand which places of a note will do
 * @param figures for notes of a bar that has been before, the place that the same note had there
 * @param strained for notes in a stretch in which the bellows would run out of travel, the direction to spare and how much
 */
record Leanings(Planner.Demand demand, Map<Integer, Place> figures, Map<Integer, Strain> strained) {

    /** A bellows direction that has been used too long, and how many times it counts. */
    record Strain(Bellows direction, int times) {}

    Leanings {
        figures = Map.copyOf(figures);
        strained = Map.copyOf(strained);
    }

    static Leanings of(Planner.Demand demand) {
        return new Leanings(demand, Map.of(), Map.of());
    }

    Leanings with(Planner.Demand other) {
        return new Leanings(other, figures, strained);
    }

    Leanings withFigures(Map<Integer, Place> places) {
        return new Leanings(demand, places, strained);
    }

    /** With one direction of the bellows spared on each of some notes. */
    Leanings sparing(Map<Integer, Strain> strains) {
        return new Leanings(demand, figures, strains);
    }

    boolean departs(int note, Place place) {
        Place there = figures.get(note);
        return there != null && !there.equals(place);
    }

    int strain(int note, Place place) {
        Strain strain = strained.get(note);
        return strain != null && place instanceof Place.Pressed p && p.direction().filter(strain.direction()::equals).isPresent()
                ? strain.times() : 0;
    }
}
