package wildflourish.core.ornament;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.planning.Lungs;

/**
 * How fast a student's hands are: for each elementary part the floor, below which it is not heard or not possible, and
 * the comfortable length. Of one who blows also how long a breath lasts.
 *
 * @param name the level or the student these are the values of
 * @param again the time from one movement of a finger to the next of the same finger
 * @param lungs what they blow with
 */
public record Speeds(String name, Map<Move, Span> spans, Span again, Lungs lungs) {

    /** The name of speeds that were set or measured for one student. */
    public static final String OWN = "own";
    /** The level of most people in a class, for which a new ladder is grown. */
    public static final String USUAL = "fluent";

    /** Floor and comfortable length in whole milliseconds; {@code 0 < floor <= comfortable}. */
    public record Span(int floor, int comfortable) {
        public Span {
            if (floor <= 0 || comfortable < floor) {
                throw new IllegalArgumentException("a floor is above 0 ms and a comfortable length not below it");
            }
        }

        /** For {@link #with(String, String)}: {@code 45/70}. */
        public String text() {
            return floor + "/" + comfortable;
        }
    }

    record Level(String name, Map<Move, Span> spans, Span again) {}

    record Table(String provenance, List<Level> levels) {}

    private static final List<Speeds> LEVELS = load();

    public Speeds {
        if (!spans.keySet().containsAll(List.of(Move.values()))) {
            throw new IllegalArgumentException("speeds of '" + name + "' name every part of a gesture");
        }
        spans = java.util.Collections.unmodifiableMap(new EnumMap<>(spans));
    }

    private static List<Speeds> load() {
        try {
            return DataFile.read("ornaments/speeds.json", Table.class).levels().stream()
                    .map(l -> new Speeds(l.name(), l.spans(), l.again(), Lungs.of(l.name())))
                    .toList();
        } catch (IllegalArgumentException e) {
            throw new DataFault("ornaments/speeds.json: " + e.getMessage());
        }
    }

    /** The levels, slowest first: learner, fluent, expert. */
    public static List<Speeds> levels() {
        return LEVELS;
    }

    /** The level of that name; throws {@link IllegalArgumentException} when there is none. */
    public static Speeds level(String name) {
        return LEVELS.stream()
                .filter(l -> l.name.equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no level '" + name + "'"));
    }

    public Span of(Move move) {
        return Objects.requireNonNull(spans.get(move));
    }

    /** With another span for a movement, as a student's own speeds. */
    public Speeds with(Move move, Span span) {
        Map<Move, Span> changed = new EnumMap<>(spans);
        changed.put(move, span);
        return new Speeds(OWN, changed, again, lungs);
    }

    /** The name by which {@link #with(String, String)} knows the time for the same finger to move again. */
    public static final String AGAIN = "again";

    /** The name by which {@link #with(String, String)} knows how long a breath lasts. */
    public static final String LUNGFUL = "lungful";

    /**
     * With another span for a movement given in words, {@code cut} and {@code 45/70}; or another lungful, {@code lungful} and {@code 8} seconds.
     *
     * @throws IllegalArgumentException when there is no such movement, or these are not its two lengths
     */
    public Speeds with(String movement, String lengths) {
        if (movement.strip().equalsIgnoreCase(LUNGFUL)) {
            return withLungful(lungs.withLungful(lengths));
        }
        String[] halves = lengths.strip().split("[/\\s]+");
        Span span;
        try {
            span = new Span(Integer.parseInt(halves[0]), Integer.parseInt(halves[1]));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            throw new IllegalArgumentException(
                    "'%s' are not two lengths in milliseconds like 45/70".formatted(lengths), e);
        }
        String name = movement.strip().toUpperCase(Locale.ROOT).replaceAll("[- ]", "_");
        if (name.equals(AGAIN.toUpperCase(Locale.ROOT))) {
            return withAgain(span);
        }
        for (Move move : Move.values()) {
            if (move.name().equals(name)) {
                return with(move, span);
            }
        }
        throw new IllegalArgumentException("there is no movement '%s'; there are %s, again and lungful".formatted(movement,
                String.join(", ", java.util.Arrays.stream(Move.values()).map(Speeds::word).toList())));
    }

    /** What differs from others, in the words that {@link #with(String, String)} takes: {@code cut} and {@code 45/70}. */
    public Map<String, String> differences(Speeds others) {
        Map<String, String> own = new TreeMap<>();
        for (Move move : Move.values()) {
            if (!of(move).equals(others.of(move))) {
                own.put(word(move), of(move).text());
            }
        }
        if (!again.equals(others.again)) {
            own.put(AGAIN, again.text());
        }
        if (!lungs.equals(others.lungs)) {
            own.put(LUNGFUL, String.valueOf(lungs.lungfulSeconds()));
        }
        return own;
    }

    /** The name by which {@link #with(String, String)} knows a movement. */
    public static String word(Move move) {
        return move.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** With another time for the same finger to move again, as a student's own speeds. */
    public Speeds withAgain(Span span) {
        return new Speeds(OWN, spans, span, lungs);
    }

    /** With other lungs, as a student's own. */
    public Speeds withLungful(Lungs other) {
        return new Speeds(OWN, spans, again, other);
    }

    /** The level that differs from these in the fewest movements; of equals the slower. */
    public Speeds nearestLevel() {
        Speeds nearest = LEVELS.getFirst();
        for (Speeds level : LEVELS) {
            if (level.differences(this).size() < nearest.differences(this).size()) {
                nearest = level;
            }
        }
        return nearest;
    }
}
