package wildflourish.core.memory;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * Values worked out from immutable keys, the latest used of them kept. For any thread; two that ask for the same new key at
 * once may both work it out, and get the same value.
 *
 * @param <K> told apart by equality
 */
public final class Kept<K, V> {

    private final Map<K, V> values;

    /** Keeps up to {@code most} values. */
    public Kept(int most) {
        values = new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** The value of a key, worked out when it is not there; what {@code work} throws is passed on and nothing is kept. */
    public V of(K key, Function<? super K, ? extends V> work) {
        synchronized (values) {
            V known = values.get(key);
            if (known != null) {
                return known;
            }
        }
        V made = work.apply(key);
        synchronized (values) {
            V earlier = values.putIfAbsent(key, made);
            return earlier == null ? made : earlier;
        }
    }
}
