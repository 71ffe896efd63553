package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Sound;

/**
 * A note of the tune as it should come.
 *
 * @param bar printed number of its bar
 * @param note index of the written note
 * @param pass which time it is played, from 1: repeats come again
 * @param atMs milliseconds since the first beat at the tempo of the performance
 * @param midi sounding MIDI note number
 */
public record Wanted(int bar, int note, int pass, double atMs, double forMs, int midi) {

    /** The notes of a performance, in the order in which they come; of two at once the first. */
    public static List<Wanted> of(Performance performance) {
        Map<Integer, Integer> passes = new HashMap<>();
        List<Wanted> all = new ArrayList<>();
        for (Sound sound : performance.melody().stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList()) {
            if (all.isEmpty() || sound.atMs() > all.getLast().atMs() + 0.5) {
                all.add(new Wanted(sound.bar(), sound.note(), passes.merge(sound.note(), 1, Integer::sum), sound.atMs(), sound.forMs(), sound.midi()));
            }
        }
        return all;
    }
}
