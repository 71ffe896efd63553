package wildflourish.core.memory;

import java.util.function.Supplier;

/** A value worked out when it is first asked for. For any thread: others wait for the one that works. */
public final class Once<T> implements Supplier<T> {

    private Supplier<? extends T> work;
    private volatile T value;

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
            if (value == null) {
                value = work.get();
                work = null;
            }
            return value;
        }
    }

    /** Whether it has been worked out. */
    public boolean isKnown() {
        return value != null;
    }
}
