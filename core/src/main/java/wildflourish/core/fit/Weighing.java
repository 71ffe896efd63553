package wildflourish.core.fit;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.planning.Choices;
import wildflourish.core.planning.Planner;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * Weighs how one tune lies, moved about and on several instruments. Wind instruments of one chart in several keys put the same fingers down for it, each in another
 * key: what has been planned for the fingers once is not planned again. For any thread.
 */
final class Weighing {

    private final Tune tune;
    private final School school;
    private final int[] pitches;
    private final Map<Integer, Timeline> moved = new ConcurrentHashMap<>();
    private final Map<Fingers, Lie> known = new ConcurrentHashMap<>();

    /** Everything that the plan of a tune on a wind instrument follows from, but its notes' times, which do not change: in which ways each note can be fingered. */
    private record Fingers(String family, Map<String, String> schools, List<List<Place>> places) {}

    /** Of a tune for a player of a school. */
    Weighing(Tune tune, School school) {
        this.tune = tune;
        this.school = school;
        this.pitches = Timeline.of(tune).notes().stream().mapToInt(n -> n.pitch().midi()).toArray();
    }

    Tune tune() {
        return tune;
    }

    /** How many notes an instrument would not have, were the tune moved so many semitones up. */
    int missing(Instrument instrument, int semitones) {
        return (int) Arrays.stream(pitches).map(p -> p + semitones).filter(p -> p < 0 || !instrument.has(Pitch.ofMidi(p))).count();
    }

    private Timeline moved(int semitones) {
        return moved.computeIfAbsent(semitones, by -> Timeline.of(Moved.by(tune, by)));
    }

    /** How the tune lies on an instrument, moved so many semitones up. */
    Lie lie(Instrument instrument, int semitones) {
        Timeline line = moved(semitones);
        if (instrument.chart().isEmpty()) {
            return plan(line, instrument);
        }
        Set<Integer> seen = new HashSet<>();
        List<List<Place>> places = line.notes().stream().map(Timeline.Stand::pitch).filter(p -> seen.add(p.midi())).map(instrument.layout()::places).toList();
        return known.computeIfAbsent(new Fingers(instrument.family().id(), instrument.schools(), places), f -> plan(line, instrument)).on(instrument);
    }

    private Lie plan(Timeline line, Instrument instrument) {
        return Lie.of(line, Planner.plan(line, instrument, school, Choices.NONE));
    }
}
