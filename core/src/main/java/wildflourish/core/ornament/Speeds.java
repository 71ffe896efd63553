package wildflourish.core.ornament;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;

/**
 * How fast a student's hands are: for each elementary part the floor, below which it is not heard or not possible, and
 * the comfortable length.
 *
 * @param name the level or the student these are the values of
 */
public record Speeds(String name, Map<Move, Span> spans) {

    /** Floor and comfortable length in whole milliseconds; {@code 0 < floor <= comfortable}. */
    public record Span(int floor, int comfortable) {
        public Span {
            if (floor <= 0 || comfortable < floor) {
                throw new IllegalArgumentException("a floor is above 0 ms and a comfortable length not below it");
            }
        }
    }

    record Level(String name, Map<Move, Span> spans) {}

    record Table(String provenance, List<Level> levels) {}

    private static final List<Speeds> LEVELS = load();

    public Speeds {
        if (!spans.keySet().containsAll(List.of(Move.values()))) {
            throw new IllegalArgumentException("speeds of '" + name + "' name every part of a gesture");
        }
        spans = Map.copyOf(new EnumMap<>(spans));
    }

    private static List<Speeds> load() {
        try {
            return DataFile.read("ornaments/speeds.json", Table.class).levels().stream()
                    .map(l -> new Speeds(l.name(), l.spans()))
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
        return spans.get(move);
    }
}
