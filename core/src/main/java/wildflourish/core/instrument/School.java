package wildflourish.core.instrument;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import wildflourish.core.data.DataFile;

/**
 * The choices made on which schools of playing differ, by name; what is not chosen stays as is usual.
 *
 * @param choices only those made
 */
public record School(Map<String, String> choices) {

    /**
     * A choice there is.
     *
     * @param asks what is chosen, in a word or two
     * @param families ids of the families that have it
     * @param system whether it is how the instrument in hand was made, and not what its player is used to
     * @param values the usual one first
     */
    public record Choice(String name, String asks, List<String> families, boolean system, List<Value> values) {

        public boolean concerns(Family family) {
            return families.contains(family.id());
        }
    }

    /** One school: its id and what it does, in words. */
    public record Value(String id, String words) {}

    record Table(String provenance, List<Choice> schools) {}

    private static final Pattern HAND = Pattern.compile("\\{([Ll]eft|[Rr]ight)}");
    private static final Map<String, String> OTHER = Map.of("left", "right", "right", "left", "Left", "Right", "Right", "Left");
    private static final Map<String, Choice> ALL = new LinkedHashMap<>();

    static {
        DataFile.read("schools.json", Table.class).schools().forEach(c -> ALL.put(c.name(), c));
    }

    public static final School USUAL = new School(Map.of());

    public School {
        choices.forEach((name, value) -> {
            if (!isKnown(name, value)) {
                throw new IllegalArgumentException("there is no school %s=%s; there are %s".formatted(
                        name, value, String.join(", ", ALL.values().stream().map(c -> c.name() + "="
                                + String.join("|", c.values().stream().map(Value::id).toList())).toList())));
            }
        });
        choices = Map.copyOf(choices);
    }

    static boolean isKnown(String name, String value) {
        return ALL.containsKey(name) && Objects.requireNonNull(ALL.get(name)).values().stream().anyMatch(v -> v.id().equals(value));
    }

    /** Every choice there is, in the order of the data file. */
    public static List<Choice> all() {
        return List.copyOf(ALL.values());
    }

    /** The choices that a family has. */
    public static List<Choice> of(Family family) {
        return ALL.values().stream().filter(c -> c.concerns(family)).toList();
    }

    /** Whether a choice is how the instrument was made. */
    static boolean isSystem(String name) {
        return Objects.requireNonNull(ALL.get(name)).system();
    }

    /** The values that {@code name=one|other} names. */
    static List<String> values(String text) {
        return List.of(text.substring(text.indexOf('=') + 1).split("\\|"));
    }

    static String usual(String name) {
        return Objects.requireNonNull(ALL.get(name)).values().getFirst().id();
    }

    Optional<String> explicitly(String name) {
        return Optional.ofNullable(choices.get(name));
    }

    /** Which finger cuts on open holes: {@code upper-third}, {@code by-hand} or {@code first}. */
    public String cut() {
        return choices.getOrDefault("cut", usual("cut"));
    }

    /** How the pulses of a roll are shared out: {@code even} or {@code leaning}. */
    public String roll() {
        return choices.getOrDefault("roll", usual("roll"));
    }

    /** A sentence with the hands in it as {@code {left}}, {@code {Left}}, {@code {right}} and {@code {Right}}, said to a player whose hands may be changed over. */
    public String said(String sentence) {
        boolean changed = choices.getOrDefault("hands", usual("hands")).equals("changed");
        return HAND.matcher(sentence).replaceAll(hand -> changed ? OTHER.get(hand.group(1)) : hand.group(1));
    }

    public School with(String name, String value) {
        Map<String, String> changed = new TreeMap<>(choices);
        changed.put(name, value);
        return new School(changed);
    }
}
