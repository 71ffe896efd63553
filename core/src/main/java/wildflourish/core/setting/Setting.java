package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;

/**
 * Which ornaments stand on which notes.
 *
 * @param byNote ids of the ornaments of each note that has any, by the note's index; each list sorted by id
 */
public record Setting(SortedMap<Integer, List<String>> byNote) {

    public static final Setting BARE = new Setting(new TreeMap<>());

    public Setting {
        TreeMap<Integer, List<String>> copy = new TreeMap<>();
        byNote.forEach((note, ids) -> {
            if (!ids.isEmpty()) {
                copy.put(note, ids.stream().distinct().sorted().toList());
            }
        });
        byNote = Collections.unmodifiableSortedMap(copy);
    }

    /** Ids of the ornaments on a note; empty when there are none. */
    public List<String> at(int note) {
        return byNote.getOrDefault(note, List.of());
    }

    public boolean has(int note, String ornament) {
        return at(note).contains(ornament);
    }

    public Setting with(int note, String ornament) {
        List<String> more = new ArrayList<>(at(note));
        more.add(ornament);
        return withNote(note, more);
    }

    public Setting without(int note, String ornament) {
        return withNote(note, at(note).stream().filter(id -> !id.equals(ornament)).toList());
    }

    private Setting withNote(int note, List<String> ids) {
        SortedMap<Integer, List<String>> changed = new TreeMap<>(byNote);
        changed.put(note, ids);
        return new Setting(changed);
    }

    /** How many ornaments stand in it. */
    public int size() {
        return byNote.values().stream().mapToInt(List::size).sum();
    }

    /** Whether every placement of the other stands here too. */
    public boolean contains(Setting other) {
        return other.byNote.entrySet().stream().allMatch(e -> at(e.getKey()).containsAll(e.getValue()));
    }

    /** The ornaments of a note in the order in which they act on it. */
    public List<Ornament> ornaments(int note, Vocabulary vocabulary) {
        return at(note).stream().flatMap(id -> vocabulary.byId(id).stream())
                .sorted(Comparator.comparing(Ornament::slot)).toList();
    }

    /** The ornaments of all notes, for the realiser. */
    public Map<Integer, List<Ornament>> ornaments(Vocabulary vocabulary) {
        Map<Integer, List<Ornament>> all = new TreeMap<>();
        byNote.keySet().forEach(note -> all.put(note, ornaments(note, vocabulary)));
        return all;
    }
}
