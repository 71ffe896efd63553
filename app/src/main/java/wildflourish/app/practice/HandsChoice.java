package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.SimulatedStudent;

/**
 * Who plays.
 *
 * @param id {@code keys}, {@code midi}, or the id of somebody made up
 */
public record HandsChoice(String id, String words) {

    public static final HandsChoice KEYS = new HandsChoice("keys", "taps on the keyboard");
    public static final HandsChoice MIDI = new HandsChoice("midi", "a MIDI keyboard");

    /** Everybody who can. */
    static List<HandsChoice> all() {
        List<HandsChoice> all = new ArrayList<>(List.of(KEYS, MIDI));
        SimulatedStudent.all().forEach(s -> all.add(new HandsChoice(s.id(), "made up: " + s.words())));
        return List.copyOf(all);
    }

    boolean isMadeUp() {
        return !equals(KEYS) && !equals(MIDI);
    }
}
