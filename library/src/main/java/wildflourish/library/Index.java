package wildflourish.library;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** What tunes are found by besides what the shelf tells of them. Every method may throw {@link LibraryFault}. */
public final class Index {

    private final Store store;

    Index(Store store) {
        this.store = store;
    }

    /**
     * What is known of a tune on the shelf.
     *
     * @param edition the current one
     * @param notes worked out from that edition, as {@link #keep} was given them; empty where they are out of date
     * @param tags in the order of the alphabet
     */
    public record Known(long tune, long edition, Optional<String> notes, List<String> tags) {

        public Known {
            tags = List.copyOf(tags);
        }
    }

    /**
     * Notes worked out from an edition.
     *
     * @param notes as the caller reads them again
     */
    public record Notes(long tune, long edition, String notes) {}

    /** Everything on the shelf. */
    public List<Known> all() {
        return store.read(h -> {
            Map<Long, List<String>> tags = new HashMap<>();
            h.createQuery("SELECT tune_id, word FROM tag ORDER BY word").map((r, c) -> tags.computeIfAbsent(r.getLong(1), t -> new ArrayList<>())
                    .add(Objects.requireNonNull(r.getString(2)))).list();
            return h.createQuery("SELECT t.id, t.current_edition, p.notes FROM tune t LEFT JOIN profile p ON p.tune_id = t.id AND p.edition_id = t.current_edition "
                    + "WHERE t.removed_at IS NULL AND t.current_edition IS NOT NULL ORDER BY t.id")
                    .map((r, c) -> new Known(r.getLong(1), r.getLong(2), Optional.ofNullable(r.getString(3)), tags.getOrDefault(r.getLong(1), List.of()))).list();
        });
    }

    /** Keeps what was worked out. */
    public void keep(List<Notes> worked) {
        store.change(h -> {
            var batch = h.prepareBatch("INSERT OR REPLACE INTO profile (tune_id, edition_id, notes) VALUES (:tune, :edition, :notes)");
            worked.forEach(n -> batch.bind("tune", n.tune()).bind("edition", n.edition()).bind("notes", n.notes()).add());
            if (!worked.isEmpty()) {
                batch.execute();
            }
        });
    }

    /** Sets the words on a tune, in place of those it had. */
    public void tag(long tune, List<String> words) {
        store.change(h -> {
            h.createUpdate("DELETE FROM tag WHERE tune_id = :tune").bind("tune", tune).execute();
            words.stream().distinct().forEach(w -> h.createUpdate("INSERT INTO tag (tune_id, word) VALUES (:tune, :word)")
                    .bind("tune", tune).bind("word", w).execute());
        });
    }
}
