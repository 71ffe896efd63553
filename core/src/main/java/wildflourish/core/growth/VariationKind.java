package wildflourish.core.growth;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.ornament.Ornament;

/**
 * A way to vary a stretch of a tune, as its data file describes it.
 *
 * @param on the ways of playing that use it; empty for all
 * @param suits where a player would think of it
 * @param how what to do
 */
public record VariationKind(
        String id, String name, boolean heavy, List<String> on, List<Ornament.Suit> suits, String how) {

    record Table(String provenance, List<VariationKind> kinds) {}

    private static final Map<String, VariationKind> ALL = new LinkedHashMap<>();

    static {
        DataFile.read("variations/kinds.json", Table.class).kinds().forEach(k -> ALL.put(k.id(), k));
    }

    /** Every kind, in the order of the file. */
    public static List<VariationKind> all() {
        return List.copyOf(ALL.values());
    }

    /** The kind of that id; a lick is {@code lick} and its name behind a colon. */
    public static VariationKind of(String id) {
        int colon = id.indexOf(':');
        VariationKind kind = ALL.get(colon < 0 ? id : id.substring(0, colon));
        if (kind == null) {
            throw new DataFault("there is no variation '" + id + "'");
        }
        return kind;
    }

    /** Whether there is a kind of that id. */
    public static boolean isKnown(String id) {
        return ALL.containsKey(id.contains(":") ? id.substring(0, id.indexOf(':')) : id);
    }

    /** For reading: {@code connecting note}, {@code lick: the low road}. */
    public static String spoken(String id) {
        int colon = id.indexOf(':');
        return of(id).name() + (colon < 0 ? "" : ": " + id.substring(colon + 1).replace('_', ' '));
    }
}
