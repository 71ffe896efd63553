package wildflourish.core.setting;

import java.util.Collections;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What a teacher wants to stay, and not to come back, when a ladder is grown.
 *
 * @param locked notes that keep, on every rung, what stands on them
 * @param forbidden ids of ornaments and kinds of variation that must not be put on a note, by its index
 * @param free whether the melody itself may be moved, dodged and set in another octave on the fuller rungs
 */
public record Wishes(SortedSet<Integer> locked, SortedMap<Integer, SortedSet<String>> forbidden, boolean free) {

    public static final Wishes NONE = new Wishes(new TreeSet<>(), new TreeMap<>(), false);

    public Wishes {
        locked = Collections.unmodifiableSortedSet(new TreeSet<>(locked));
        TreeMap<Integer, SortedSet<String>> copy = new TreeMap<>();
        forbidden.forEach((note, ids) -> {
            if (!ids.isEmpty()) {
                copy.put(note, Collections.unmodifiableSortedSet(new TreeSet<>(ids)));
            }
        });
        forbidden = Collections.unmodifiableSortedMap(copy);
    }

    public boolean isLocked(int note) {
        return locked.contains(note);
    }

    public boolean forbids(int note, String id) {
        return forbidden.containsKey(note) && forbidden.get(note).contains(id);
    }

    /** With a note locked, or opened again. */
    public Wishes locking(int note, boolean lock) {
        TreeSet<Integer> changed = new TreeSet<>(locked);
        if (lock) {
            changed.add(note);
        } else {
            changed.remove(note);
        }
        return new Wishes(changed, forbidden, free);
    }

    /** With an ornament or variation forbidden on a note, or allowed again. */
    public Wishes forbidding(int note, String id, boolean forbid) {
        TreeMap<Integer, SortedSet<String>> changed = new TreeMap<>(forbidden);
        TreeSet<String> ids = new TreeSet<>(changed.getOrDefault(note, new TreeSet<>()));
        if (forbid) {
            ids.add(id);
        } else {
            ids.remove(id);
        }
        changed.put(note, ids);
        return new Wishes(locked, changed, free);
    }

    public Wishes freely(boolean now) {
        return new Wishes(locked, forbidden, now);
    }
}
