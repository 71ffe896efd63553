package wildflourish.core.planning;

import java.util.Map;
import java.util.Objects;

/**
 * What a player's lungs do.
 *
 * @param lungfulSeconds how long they blow without strain, more than 0
 * @param needsMs how long a quick breath takes
 */
public record Lungs(double lungfulSeconds, int needsMs) {

    /** Those of a level; of the student's own speeds, those of a fluent player. From memory. */
    public static Lungs of(String level) {
        return new Lungs(of(level, Breaths.COSTS.lungfulSeconds()), of(level, Breaths.COSTS.needsMs()));
    }

    private static <T> T of(String level, Map<String, T> values) {
        T own = values.get(level);
        return own == null ? Objects.requireNonNull(values.get("fluent")) : own;
    }
}
