package wildflourish.core.ornament;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The choices on which schools of playing differ, by name.
 *
 * @param choices always one value for each name of {@link #NAMES}
 */
public record School(Map<String, String> choices) {

    /** What can be chosen, the usual choice first. */
    public static final Map<String, List<String>> NAMES = Map.of(
            "cut", List.of("upper-third", "by-hand", "first"),
            "roll", List.of("even", "leaning"));

    public static final School USUAL = new School(Map.of());

    public School {
        Map<String, String> all = new TreeMap<>();
        NAMES.forEach((name, values) -> all.put(name, values.getFirst()));
        choices.forEach((name, value) -> {
            if (!NAMES.containsKey(name) || !NAMES.get(name).contains(value)) {
                throw new IllegalArgumentException("there is no school %s=%s; there are %s".formatted(
                        name, value, new TreeMap<>(NAMES)));
            }
            all.put(name, value);
        });
        choices = Map.copyOf(all);
    }

    /** Which finger cuts: {@code upper-third}, {@code by-hand} or {@code first}. */
    public String cut() {
        return choices.get("cut");
    }

    /** How the pulses of a roll are shared out: {@code even} or {@code leaning}. */
    public String roll() {
        return choices.get("roll");
    }

    public School with(String name, String value) {
        Map<String, String> changed = new TreeMap<>(choices);
        changed.put(name, value);
        return new School(changed);
    }
}
