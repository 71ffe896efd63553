package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.SimulatedStudent;

/**
 * Who plays, and what is known of it.
 *
 * @param id {@code keys}, {@code midi}, {@code microphone}, the id of somebody made up, or {@code heard} and that id
 */
public record HandsChoice(String id, String words) {

    public static final HandsChoice KEYS = new HandsChoice("keys", "taps on the keyboard");
    public static final HandsChoice MIDI = new HandsChoice("midi", "a MIDI keyboard");
    /** The instrument itself is listened to. */
    public static final HandsChoice MICROPHONE = new HandsChoice("microphone", "the instrument itself, by microphone");

    private static final String HEARD = "heard ";

    /** Everybody who can. */
    static List<HandsChoice> all() {
        List<HandsChoice> all = new ArrayList<>(List.of(KEYS, MICROPHONE, MIDI));
        SimulatedStudent.all().forEach(s -> all.add(new HandsChoice(s.id(), "made up: " + s.words())));
        SimulatedStudent.all().forEach(s -> all.add(heard(s)));
        return List.copyOf(all);
    }

    /** Somebody made up, who is listened to as by a microphone. */
    public static HandsChoice heard(SimulatedStudent student) {
        return new HandsChoice(HEARD + student.id(), "made up and listened to: " + student.words());
    }

    boolean isMadeUp() {
        return !equals(KEYS) && !equals(MIDI) && !equals(MICROPHONE);
    }

    /** Whether the instrument is heard, and not only when something is played. */
    public boolean isHeard() {
        return equals(MICROPHONE) || id.startsWith(HEARD);
    }

    /** Somebody made up. */
    SimulatedStudent student() {
        return SimulatedStudent.byId(id.startsWith(HEARD) ? id.substring(HEARD.length()) : id);
    }
}
