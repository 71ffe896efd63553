package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** Makes a setting of many placements and variations at once; each does what {@link Setting#with} does. */
public final class SettingBuilder {

    private final TreeMap<Integer, List<String>> byNote = new TreeMap<>();
    private final TreeMap<Integer, Variation> variations = new TreeMap<>();

    /** A builder of a bare setting. */
    public SettingBuilder() {}

    /** Puts an ornament on a note; a variation that replaced the note gives way. */
    public SettingBuilder place(int note, String ornament) {
        var before = variations.floorEntry(note);
        if (before != null && before.getValue().holds(note) && !before.getValue().isStandIn()) {
            variations.remove(before.getKey());
        }
        byNote.computeIfAbsent(note, n -> new ArrayList<>(1)).add(ornament);
        return this;
    }

    /** Varies a stretch; ornaments and other variations in its way give way. */
    public SettingBuilder vary(Variation variation) {
        clear(variation);
        variations.put(variation.from(), variation);
        return this;
    }

    /** Makes room for a variation that is not to stand here. */
    public SettingBuilder clear(Variation variation) {
        if (!variation.isStandIn()) {
            byNote.subMap(variation.from(), variation.to()).clear();
        }
        var before = variations.lowerEntry(variation.from());
        if (before != null && before.getValue().overlaps(variation)) {
            variations.remove(before.getKey());
        }
        variations.subMap(variation.from(), variation.to()).values().removeIf(variation::overlaps);
        return this;
    }

    /** The setting. */
    public Setting build() {
        return new Setting(byNote, variations);
    }
}
