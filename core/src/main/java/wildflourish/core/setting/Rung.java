package wildflourish.core.setting;

import java.util.Optional;

/**
 * A version of a tune and the name a teacher gives it.
 *
 * @param density how much the teacher wants on it when it is grown; empty where taste decides
 */
public record Rung(String name, Setting setting, Optional<Density> density) {

    /** A rung as dense as taste has it. */
    public Rung(String name, Setting setting) {
        this(name, setting, Optional.empty());
    }

    public Rung with(Setting other) {
        return new Rung(name, other, density);
    }

    public Rung named(String other) {
        return new Rung(other, setting, density);
    }

    public Rung with(Optional<Density> other) {
        return new Rung(name, setting, other);
    }
}
