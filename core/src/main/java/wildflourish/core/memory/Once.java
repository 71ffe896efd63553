package wildflourish.core.memory;

import java.util.Objects;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** A value worked out when it is first asked for. For any thread: others wait for the one that works. */
public final class Once<T> implements Supplier<T> {

    private @Nullable Supplier<? extends T> work;
    private volatile @Nullable T value;

    /** {@code work} gives a value, is run once, and is let go of then. */
    public Once(Supplier<? extends T> work) {
        this.work = work;
    }

    @Override
    public T get() {
        T known = value;
        if (known != null) {
            return known;
        }
        synchronized (this) {
            T made = value;
            if (made == null) {
                made = Objects.requireNonNull(work).get();
                value = made;
                work = null;
            }
            return made;
        }
    }

    /** Whether it has been worked out. */
    public boolean isKnown() {
        return value != null;
    }
}
