package wildflourish.core.planning;

import java.util.Map;
import java.util.Objects;

/**
 * What a player's lungs do.
 *
 * @param lungfulSeconds how long they blow without strain, from {@value #LEAST} to {@value #MOST}
 * @param needsMs how long a quick breath takes
 */
public record Lungs(int lungfulSeconds, int needsMs) {

    private static final int LEAST = 2;
    private static final int MOST = 60;

    public Lungs {
        if (lungfulSeconds < LEAST || lungfulSeconds > MOST) {
            throw new IllegalArgumentException("a lungful lasts %d to %d seconds".formatted(LEAST, MOST));
        }
    }

    /** Those of a level; of the student's own speeds, those of a fluent player. From memory. */
    public static Lungs of(String level) {
        return new Lungs(of(level, Breaths.COSTS.lungfulSeconds()), of(level, Breaths.COSTS.needsMs()));
    }

    /**
     * With another lungful, given in words: {@code 8} seconds.
     *
     * @throws IllegalArgumentException when that is no whole number of seconds, or no lungful
     */
    public Lungs withLungful(String seconds) {
        try {
            return new Lungs(Integer.parseInt(seconds.strip()), needsMs);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'%s' is not a lungful in whole seconds like 8".formatted(seconds), e);
        }
    }

    private static <T> T of(String level, Map<String, T> values) {
        T own = values.get(level);
        return own == null ? Objects.requireNonNull(values.get("fluent")) : own;
    }
}
