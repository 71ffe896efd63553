package wildflourish.core.planning;

import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntUnaryOperator;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Pitch;

/**
 * The places a teacher has chosen, as texts that {@link wildflourish.core.instrument.Place#text} gives.
 *
 * @param here by instrument and written note, for this tune
 * @param habits by instrument and written pitch (as {@link Pitch#ofMidi} spells it), for every tune
 */
public record Choices(Map<String, SortedMap<Integer, String>> here, Map<String, SortedMap<String, String>> habits) {

    public static final Choices NONE = new Choices(Map.of(), Map.of());

    public Choices {
        here = copied(here);
        habits = copied(habits);
    }

    private static <K> Map<String, SortedMap<K, String>> copied(Map<String, SortedMap<K, String>> map) {
        Map<String, SortedMap<K, String>> copy = new TreeMap<>();
        map.forEach((key, value) -> {
            if (!value.isEmpty()) {
                copy.put(key, java.util.Collections.unmodifiableSortedMap(new TreeMap<>(value)));
            }
        });
        return java.util.Collections.unmodifiableMap(copy);
    }

    /** The place chosen for a note of this tune. */
    public Optional<String> at(Instrument instrument, int note) {
        return Optional.ofNullable(here.get(instrument.id())).map(m -> m.get(note));
    }

    /** The habit of this instrument for a pitch. */
    public Optional<String> habit(Instrument instrument, Pitch pitch) {
        return Optional.ofNullable(habits.get(instrument.id())).map(m -> m.get(name(pitch)));
    }

    private static String name(Pitch pitch) {
        return Pitch.ofMidi(pitch.midi()).toString();
    }

    /** With a place chosen for a note of this tune; an empty one takes the choice back. */
    public Choices with(Instrument instrument, int note, Optional<String> place) {
        return new Choices(changed(here, instrument.id(), note, place), habits);
    }

    /** With a habit for a pitch on an instrument; an empty one ends it. */
    public Choices withHabit(Instrument instrument, Pitch pitch, Optional<String> place) {
        return new Choices(here, changed(habits, instrument.id(), name(pitch), place));
    }

    /** The same for a tune whose notes are counted otherwise; a note that gets a negative number is left out. */
    public Choices renumbered(IntUnaryOperator number) {
        Map<String, SortedMap<Integer, String>> changed = new TreeMap<>();
        here.forEach((instrument, places) -> {
            SortedMap<Integer, String> own = new TreeMap<>();
            places.forEach((note, place) -> {
                int now = number.applyAsInt(note);
                if (now >= 0) {
                    own.put(now, place);
                }
            });
            changed.put(instrument, own);
        });
        return new Choices(changed, habits);
    }

    /** With these habits in place of its own. */
    public Choices withHabits(Map<String, SortedMap<String, String>> others) {
        return new Choices(here, others);
    }

    private static <K extends Comparable<K>> Map<String, SortedMap<K, String>> changed(
            Map<String, SortedMap<K, String>> map, String instrument, K key, Optional<String> place) {
        Map<String, SortedMap<K, String>> changed = new TreeMap<>(map);
        SortedMap<K, String> own = new TreeMap<>(map.getOrDefault(instrument, new TreeMap<>()));
        place.ifPresentOrElse(p -> own.put(key, p), () -> own.remove(key));
        changed.put(instrument, own);
        return changed;
    }
}
