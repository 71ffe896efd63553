package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;

/** What one setting has and another has not. */
public final class Difference {

    private Difference() {}

    /** One thing that stands in only one of two settings. */
    public sealed interface Change {

        /** The note it stands on, or begins on. */
        int note();

        /** Whether it is in the second setting and not in the first. */
        boolean added();

        /** A setting with this taken over from the second. */
        Setting appliedTo(Setting setting);

        /** An ornament by its id. */
        record OfOrnament(int note, String ornament, boolean added) implements Change {
            @Override
            public Setting appliedTo(Setting setting) {
                return added ? setting.with(note, ornament) : setting.without(note, ornament);
            }
        }

        /** A stretch that is varied. */
        record OfVariation(Variation variation, boolean added) implements Change {
            @Override
            public int note() {
                return variation.from();
            }

            @Override
            public Setting appliedTo(Setting setting) {
                return added ? setting.with(variation) : setting.without(variation);
            }
        }
    }

    /** Every change from the first setting to the second, in the order of the notes. */
    public static List<Change> between(Setting first, Setting second) {
        List<Change> changes = new ArrayList<>();
        collect(first, second, false, changes);
        collect(second, first, true, changes);
        changes.sort(java.util.Comparator.comparingInt(Change::note).thenComparing(Change::added));
        return changes;
    }

    /** What the first setting has and the other has not. */
    private static void collect(Setting has, Setting hasNot, boolean added, List<Change> changes) {
        has.byNote().forEach((note, ids) -> ids.stream().filter(id -> !hasNot.has(note, id))
                .forEach(id -> changes.add(new Change.OfOrnament(note, id, added))));
        has.variations().values().stream().filter(v -> !v.equals(hasNot.variations().get(v.from())))
                .forEach(v -> changes.add(new Change.OfVariation(v, added)));
    }
}
