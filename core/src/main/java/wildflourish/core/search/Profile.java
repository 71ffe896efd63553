package wildflourish.core.search;

import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * What a tune is found by: its notes as stave positions, each where it begins to sound, repeats not played out.
 *
 * @param notes a sign for each: its stave position counted in letters (C4 is 28) above {@value #LOWEST}
 * @param lowest MIDI note number of the lowest note; 0 without notes
 * @param highest that of the highest
 */
public record Profile(String notes, int lowest, int highest) {

    private static final char LOWEST = '0';
    private static final int HIGHEST = 77;

    /** A tune is known by so many notes. */
    private static final int MOST = 4000;
    /** So many intervals at the beginning that are the same make two tunes one. */
    private static final int SAME = 24;

    /** A profile of stave positions. */
    static Profile of(List<Integer> steps, int lowest, int highest) {
        StringBuilder notes = new StringBuilder();
        steps.forEach(s -> notes.append((char) (LOWEST + Math.clamp(s, 0, HIGHEST))));
        return new Profile(notes.toString(), lowest, highest);
    }

    /** How many notes it has. */
    public int size() {
        return notes.length();
    }

    /** The stave position of a note. */
    public int step(int note) {
        return notes.charAt(note) - LOWEST;
    }

    /** The profile of a tune. */
    public static Profile of(Tune tune) {
        List<Timeline.Stand> begun = Timeline.of(tune).notes().stream().filter(n -> !n.heldOver()).limit(MOST).toList();
        return of(begun.stream().map(n -> n.pitch().diatonic()).toList(), begun.stream().mapToInt(n -> n.pitch().midi()).min().orElse(0),
                begun.stream().mapToInt(n -> n.pitch().midi()).max().orElse(0));
    }

    /** The profile as a short text, read again by {@link #parse}. */
    public String text() {
        return lowest + " " + highest + " " + notes;
    }

    /** Reads a profile's text; empty where it is none. */
    public static Optional<Profile> parse(String text) {
        String[] parts = text.split(" ", -1);
        if (parts.length != 3 || !parts[0].matches("\\d{1,3}") || !parts[1].matches("\\d{1,3}") || !parts[2].chars().allMatch(c -> c >= LOWEST && c <= LOWEST + HIGHEST)) {
            return Optional.empty();
        }
        return Optional.of(new Profile(parts[2], Integer.parseInt(parts[0]), Integer.parseInt(parts[1])));
    }

    /** Whether two tunes begin with the same intervals, in whatever key. */
    public boolean isSameTuneAs(Profile other) {
        int notes = Math.min(size(), other.size());
        if (notes < SAME && size() != other.size() || notes < 8) {
            return false;
        }
        int up = other.step(0) - step(0);
        for (int i = 0; i < Math.min(notes, SAME); i++) {
            if (other.step(i) - step(i) != up) {
                return false;
            }
        }
        return true;
    }
}
