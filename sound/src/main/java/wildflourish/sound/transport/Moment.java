package wildflourish.sound.transport;

/**
 * Where one is in an itinerary.
 *
 * @param leg index of the leg
 * @param pass how often the itinerary had been through before; 0 the first time
 * @param ms milliseconds since the beginning of the leg's stretch; below 0 while it is counted in
 * @param over whether everything has been played
 */
public record Moment(int leg, int pass, double ms, boolean over) {

    public boolean isCountedIn() {
        return ms < 0;
    }
}
