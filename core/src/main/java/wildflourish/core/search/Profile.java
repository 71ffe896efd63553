package wildflourish.core.search;

import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * What a tune is found by: its notes as stave positions, each where it begins to sound, repeats not played out.
 *
 * @param steps stave positions counted in letters, C4 is 28
 * @param lowest MIDI note number of the lowest note; 0 without notes
 * @param highest that of the highest
 */
public record Profile(List<Integer> steps, int lowest, int highest) {

    /** A tune is known by so many notes. */
    private static final int MOST = 4000;
    /** So many intervals at the beginning that are the same make two tunes one. */
    private static final int SAME = 24;

    public Profile {
        steps = List.copyOf(steps);
    }

    /** The profile of a tune. */
    public static Profile of(Tune tune) {
        List<Timeline.Stand> begun = Timeline.of(tune).notes().stream().filter(n -> !n.heldOver()).limit(MOST).toList();
        return new Profile(begun.stream().map(n -> n.pitch().diatonic()).toList(), begun.stream().mapToInt(n -> n.pitch().midi()).min().orElse(0),
                begun.stream().mapToInt(n -> n.pitch().midi()).max().orElse(0));
    }

    /** The profile as a short text, read again by {@link #parse}. */
    public String text() {
        StringBuilder text = new StringBuilder().append(lowest).append(' ').append(highest).append(' ');
        steps.forEach(s -> text.append((char) ('0' + Math.clamp(s, 0, 77))));
        return text.toString();
    }

    /** Reads a profile's text; empty where it is none. */
    public static Optional<Profile> parse(String text) {
        String[] parts = text.split(" ", -1);
        if (parts.length != 3 || !parts[0].matches("\\d{1,3}") || !parts[1].matches("\\d{1,3}") || !parts[2].chars().allMatch(c -> c >= '0' && c <= '0' + 77)) {
            return Optional.empty();
        }
        return Optional.of(new Profile(parts[2].chars().mapToObj(c -> c - '0').toList(), Integer.parseInt(parts[0]), Integer.parseInt(parts[1])));
    }

    /** Whether two tunes begin with the same intervals, in whatever key. */
    public boolean isSameTuneAs(Profile other) {
        int notes = Math.min(steps.size(), other.steps.size());
        if (notes < SAME && steps.size() != other.steps.size() || notes < 8) {
            return false;
        }
        int up = other.steps.getFirst() - steps.getFirst();
        for (int i = 0; i < Math.min(notes, SAME); i++) {
            if (other.steps.get(i) - steps.get(i) != up) {
                return false;
            }
        }
        return true;
    }
}
