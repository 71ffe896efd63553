package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;

/** Which ornaments of different families are the same musical idea; from a data file. */
public final class Equivalents {

    record File(String provenance, List<Map<String, Object>> ideas) {}

    /**
     * One idea: its name, and by family the ornaments that say it, the nearest first.
     *
     * @param without why a family does without it, by family
     */
    private record Idea(String name, Map<String, List<String>> byFamily, Map<String, String> without) {}

    private static final String FILE = "ornaments/equivalents.json";
    private static final List<Idea> IDEAS = read();
    private static final Map<String, List<String>> KNOWN = new HashMap<>();

    private Equivalents() {}

    private static List<Idea> read() {
        List<Idea> ideas = new ArrayList<>();
        for (Map<String, Object> row : DataFile.read(FILE, File.class).ideas()) {
            Map<String, List<String>> byFamily = new HashMap<>();
            Map<String, String> without = new HashMap<>();
            row.forEach((key, value) -> {
                if (value instanceof List<?> ids) {
                    byFamily.put(key, ids.stream().map(String::valueOf).toList());
                } else if (value instanceof Map<?, ?> reasons) {
                    reasons.forEach((family, why) -> without.put(String.valueOf(family), String.valueOf(why)));
                }
            });
            ideas.add(new Idea(String.valueOf(row.get("idea")), byFamily, without));
        }
        for (Family family : Family.all()) {
            for (Idea idea : ideas) {
                for (String id : idea.byFamily().getOrDefault(key(family), List.of())) {
                    if (Vocabulary.of(family).byId(id).isEmpty()) {
                        throw new DataFault("%s: idea '%s' field %s: there is no ornament '%s'".formatted(
                                FILE, idea.name(), key(family), id));
                    }
                }
            }
        }
        return ideas;
    }

    private static String key(Family family) {
        return family.vocabulary().orElse(family.id());
    }

    /**
     * The ornaments by which another family says what this one says, the nearest first: those of the ideas that begin with
     * it, or where none does, of the ideas it belongs to; then their easier relatives.
     */
    public static List<Ornament> of(Ornament ornament, Family from, Vocabulary to, Family target) {
        String known = from.id() + " " + ornament.id() + " " + target.id();
        List<String> ids;
        synchronized (KNOWN) {
            ids = KNOWN.computeIfAbsent(known, k -> ids(ornament.id(), key(from), key(target), Vocabulary.of(target)));
        }
        List<Ornament> found = new ArrayList<>();
        ids.forEach(id -> to.byId(id).ifPresent(found::add));
        return found;
    }

    /** Why a family does without an idea that begins with this ornament, as a sentence without its full stop. */
    public static Optional<String> without(Ornament ornament, Family from, Family target) {
        return IDEAS.stream().filter(i -> !i.byFamily().getOrDefault(key(from), List.of()).isEmpty()
                        && i.byFamily().getOrDefault(key(from), List.of()).getFirst().equals(ornament.id()))
                .map(i -> i.without().get(key(target))).filter(java.util.Objects::nonNull).findFirst();
    }

    private static List<String> ids(String id, String from, String target, Vocabulary vocabulary) {
        Set<String> ids = new LinkedHashSet<>();
        List<Idea> about = IDEAS.stream().filter(i -> i.byFamily().getOrDefault(from, List.of()).contains(id))
                .sorted(java.util.Comparator.comparingInt(i -> i.byFamily().getOrDefault(from, List.of()).indexOf(id))).toList();
        List<Idea> own = about.stream().filter(i -> i.byFamily().getOrDefault(from, List.of()).getFirst().equals(id)).toList();
        (own.isEmpty() ? about : own).forEach(i -> ids.addAll(i.byFamily().getOrDefault(target, List.of())));
        for (String equal : List.copyOf(ids)) {
            ids.addAll(vocabulary.known(equal).easier());
        }
        return List.copyOf(ids);
    }
}
