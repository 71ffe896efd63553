package wildflourish.core.planning;

import wildflourish.core.instrument.Place;

/**
 * Another place for a note.
 *
 * @param place where it could be played
 * @param extra what the cheapest plan that plays it there costs above the plan; below 0 only where the teacher has chosen a
 *     dearer place
 */
public record Alternative(Place place, int extra) {}
