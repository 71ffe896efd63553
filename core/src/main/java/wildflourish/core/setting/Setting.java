package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;

/**
 * Which ornaments stand on which notes of the plain tune, and which stretches of it are varied. No ornament stands on a
 * note that a variation replaces, unless that {@linkplain Variation#isStandIn stands in} for it note by note.
 *
 * @param byNote ids of the ornaments of each note that has any, by the note's index; each list sorted by id
 * @param variations by the first note that they replace; none overlaps another
 */
public record Setting(SortedMap<Integer, List<String>> byNote, SortedMap<Integer, Variation> variations) {

    public static final Setting BARE = new Setting(new TreeMap<>());

    public Setting {
        TreeMap<Integer, Variation> varied = new TreeMap<>(variations);
        int free = 0;
        for (Variation variation : varied.values()) {
            if (variation.from() < free) {
                throw new IllegalArgumentException("two variations overlap at note " + variation.from());
            }
            free = variation.to();
        }
        TreeMap<Integer, List<String>> copy = new TreeMap<>();
        byNote.forEach((note, ids) -> {
            if (!ids.isEmpty() && over(varied, note).isEmpty()) {
                copy.put(note, ids.stream().distinct().sorted().toList());
            }
        });
        byNote = Collections.unmodifiableSortedMap(copy);
        variations = Collections.unmodifiableSortedMap(varied);
    }

    /** A setting of ornaments alone. */
    public Setting(SortedMap<Integer, List<String>> byNote) {
        this(byNote, new TreeMap<>());
    }

    private static Optional<Variation> over(TreeMap<Integer, Variation> variations, int note) {
        return Optional.ofNullable(variations.floorEntry(note)).map(Map.Entry::getValue).filter(v -> v.holds(note) && !v.isStandIn());
    }

    /** Ids of the ornaments on a note; empty when there are none. */
    public List<String> at(int note) {
        return byNote.getOrDefault(note, List.of());
    }

    public boolean has(int note, String ornament) {
        return at(note).contains(ornament);
    }

    /** The variation that replaces a note. */
    public Optional<Variation> variationAt(int note) {
        SortedMap<Integer, Variation> before = variations.headMap(note + 1);
        return before.isEmpty() ? Optional.empty() : Optional.ofNullable(before.get(before.lastKey())).filter(v -> v.holds(note));
    }

    /** The stretches in which other notes stand in for those that an instrument has not got. */
    public List<Variation> standIns() {
        return variations.values().stream().filter(Variation::isStandIn).toList();
    }

    public boolean isVaried() {
        return !variations.isEmpty();
    }

    /** With an ornament on a note; a variation that replaced the note gives way. */
    public Setting with(int note, String ornament) {
        List<String> more = new ArrayList<>(at(note));
        more.add(ornament);
        return variationAt(note).filter(v -> !v.isStandIn()).map(this::without).orElse(this).withNote(note, more);
    }

    public Setting without(int note, String ornament) {
        return withNote(note, at(note).stream().filter(id -> !id.equals(ornament)).toList());
    }

    private Setting withNote(int note, List<String> ids) {
        SortedMap<Integer, List<String>> changed = new TreeMap<>(byNote);
        changed.put(note, ids);
        return new Setting(changed, variations);
    }

    /** With a stretch varied; ornaments and other variations in its way give way. */
    public Setting with(Variation variation) {
        SortedMap<Integer, Variation> changed = new TreeMap<>(variations);
        changed.values().removeIf(variation::overlaps);
        changed.put(variation.from(), variation);
        return new Setting(byNote, changed);
    }

    public Setting without(Variation variation) {
        SortedMap<Integer, Variation> changed = new TreeMap<>(variations);
        changed.values().remove(variation);
        return new Setting(byNote, changed);
    }

    public Setting without(Set<Variation> gone) {
        SortedMap<Integer, Variation> changed = new TreeMap<>(variations);
        changed.values().removeIf(gone::contains);
        return new Setting(byNote, changed);
    }

    /**
     * With a stretch treated as another setting treats it, or treats another stretch.
     *
     * @param toNote index after the last note of the stretch in the model
     * @param by how much further on the stretch is here than in the model
     */
    public Setting treatedAs(Setting model, int fromNote, int toNote, int by) {
        SortedMap<Integer, List<String>> ornaments = new TreeMap<>(byNote);
        SortedMap<Integer, Variation> varied = new TreeMap<>(variations);
        ornaments.keySet().removeIf(n -> n >= fromNote + by && n < toNote + by);
        varied.values().removeIf(v -> v.from() < toNote + by && v.to() > fromNote + by);
        model.byNote.subMap(fromNote, toNote).forEach((n, ids) -> ornaments.put(n + by, ids));
        model.variations.values().stream().filter(v -> v.from() >= fromNote && v.to() <= toNote).forEach(v ->
                varied.put(v.from() + by, new Variation(v.from() + by, v.to() + by, v.kind(), v.notes())));
        return new Setting(ornaments, varied);
    }

    /** How many ornaments and variations stand in it. */
    public int size() {
        return byNote.values().stream().mapToInt(List::size).sum() + variations.size();
    }

    /** Whether every placement of the other stands here too. */
    public boolean contains(Setting other) {
        return other.byNote.entrySet().stream().allMatch(e -> at(e.getKey()).containsAll(e.getValue()))
                && other.variations.entrySet().stream().allMatch(e -> e.getValue().equals(variations.get(e.getKey())));
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
