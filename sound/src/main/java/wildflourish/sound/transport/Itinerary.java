package wildflourish.sound.transport;

import java.util.List;

/**
 * What is played, leg after leg.
 *
 * @param again whether it begins anew when it is through, without end; it is counted in once then, where it is begun
 */
public record Itinerary(List<Leg> legs, boolean again, Backing backing) {

    public Itinerary {
        legs = List.copyOf(legs);
        if (legs.isEmpty()) {
            throw new IllegalArgumentException("an itinerary has a leg");
        }
    }

    public static Itinerary once(List<Leg> legs, Backing backing) {
        return new Itinerary(legs, false, backing);
    }

    public static Itinerary loop(List<Leg> legs, Backing backing) {
        return new Itinerary(legs, true, backing);
    }
}
