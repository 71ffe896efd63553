package wildflourish.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jspecify.annotations.Nullable;

/**
 * The tunes of a library and their editions. An edition is never changed or deleted: undo points to the parent, redo to the
 * youngest child. Every method may throw {@link LibraryFault}.
 */
public final class Tunes {

    private final Store store;
    private final Clock clock;

    Tunes(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** The tunes on the shelf, in the order in which they came. */
    public List<TuneEntry> all() {
        return store.read(h -> h.createQuery("SELECT id, title, type, key_name, meter FROM tune WHERE removed_at IS NULL ORDER BY id")
                .map((r, c) -> new TuneEntry(r.getLong(1), r.getString(2), r.getString(3), r.getString(4),
                        r.getString(5)))
                .list());
    }

    /** Adds a tune with its first edition; the id it got. */
    public long add(String title, String type, String key, String meter, String document) {
        return store.write(h -> {
            long tune = h.createUpdate("INSERT INTO tune (title, type, key_name, meter, added_at)"
                            + " VALUES (:title, :type, :key, :meter, :now)")
                    .bind("title", title).bind("type", type).bind("key", key).bind("meter", meter)
                    .bind("now", clock.instant().toString())
                    .executeAndReturnGeneratedKeys("id").mapTo(Long.class).one();
            insert(h, tune, null, "added", document);
            return tune;
        });
    }

    private long insert(Handle h, long tune, @Nullable Long parent, String what, String document) {
        long edition = h.createUpdate("INSERT INTO edition (tune_id, parent_id, made_at, what, document)"
                        + " VALUES (:tune, :parent, :now, :what, :document)")
                .bind("tune", tune).bind("parent", parent).bind("now", clock.instant().toString())
                .bind("what", what).bind("document", document)
                .executeAndReturnGeneratedKeys("id").mapTo(Long.class).one();
        point(h, tune, edition);
        return edition;
    }

    private static void point(Handle h, long tune, long edition) {
        h.createUpdate("UPDATE tune SET current_edition = :edition WHERE id = :tune")
                .bind("edition", edition).bind("tune", tune).execute();
    }

    /** The tune as it is now. */
    public Edition current(long tune) {
        return store.read(h -> h.createQuery(EDITION + "JOIN tune t ON t.current_edition = e.id WHERE t.id = :tune")
                .bind("tune", tune).map((r, c) -> edition(r)).one());
    }

    private static final String EDITION = "SELECT e.id, e.tune_id, e.made_at, e.what, e.document FROM edition e ";

    private static Edition edition(ResultSet r) throws SQLException {
        return new Edition(r.getLong(1), r.getLong(2), Instant.parse(r.getString(3)), r.getString(4), r.getString(5));
    }

    /**
     * Saves a new edition made from {@code parent}. When another program has saved one in between, both are kept and this
     * one becomes the current.
     */
    public Edition save(long tune, long parent, String what, String document) {
        return store.write(h -> byId(h, insert(h, tune, parent, what, document)));
    }

    private static Edition byId(Handle h, long edition) {
        return h.createQuery(EDITION + "WHERE e.id = :id").bind("id", edition).map((r, c) -> edition(r)).one();
    }

    /** Goes back to the edition that the given one was made from; empty when it was the first. */
    public Optional<Edition> undo(long from) {
        return move(from, "SELECT parent_id FROM edition WHERE id = :id AND parent_id IS NOT NULL");
    }

    /** Goes forward to the latest edition that was made from the given one; empty when there is none. */
    public Optional<Edition> redo(long from) {
        return move(from, "SELECT id FROM edition WHERE parent_id = :id ORDER BY id DESC LIMIT 1");
    }

    private Optional<Edition> move(long from, String query) {
        return store.write(h -> {
            Optional<Long> to = h.createQuery(query).bind("id", from).mapTo(Long.class).findOne();
            Optional<Edition> edition = to.map(id -> byId(h, id));
            edition.ifPresent(e -> point(h, e.tune(), e.id()));
            return edition;
        });
    }

    /** Every edition of a tune, the oldest first, abandoned ones too. */
    public List<Edition> editions(long tune) {
        return store.read(h -> h.createQuery(EDITION + "WHERE e.tune_id = :tune ORDER BY e.id").bind("tune", tune)
                .map((r, c) -> edition(r)).list());
    }

    /** An edition by its id. */
    public Edition edition(long id) {
        return store.read(h -> byId(h, id));
    }

    /** The given edition and those it was made from, back to the first, without their documents. */
    public List<EditionEntry> ancestors(long edition) {
        return store.read(h -> h.createQuery("WITH RECURSIVE back (id, depth) AS (SELECT :id, 0 UNION ALL "
                        + "SELECT p.parent_id, depth + 1 FROM edition p JOIN back ON p.id = back.id "
                        + "WHERE p.parent_id IS NOT NULL) "
                        + "SELECT e.id, e.what FROM edition e JOIN back ON back.id = e.id ORDER BY back.depth")
                .bind("id", edition).map((r, c) -> new EditionEntry(r.getLong(1), r.getString(2))).list());
    }

    /** The editions that redoing from the given one would come to, in order, without their documents. */
    public List<EditionEntry> descendants(long edition) {
        return store.read(h -> h.createQuery("WITH RECURSIVE forth (id, depth) AS (SELECT :id, 0 UNION ALL "
                        + "SELECT (SELECT max(c.id) FROM edition c WHERE c.parent_id = forth.id), depth + 1 FROM forth "
                        + "WHERE EXISTS (SELECT 1 FROM edition c WHERE c.parent_id = forth.id)) "
                        + "SELECT e.id, e.what FROM edition e JOIN forth ON forth.id = e.id WHERE forth.depth > 0 ORDER BY forth.depth")
                .bind("id", edition).map((r, c) -> new EditionEntry(r.getLong(1), r.getString(2))).list());
    }

    /** Takes a tune off the shelf; its editions stay in the file. */
    public void remove(long tune) {
        store.change(h -> h.createUpdate("UPDATE tune SET removed_at = :now WHERE id = :tune")
                .bind("now", clock.instant().toString()).bind("tune", tune).execute());
    }

    /** Puts a tune that was taken off back on the shelf. */
    public void putBack(long tune) {
        store.change(h -> h.createUpdate("UPDATE tune SET removed_at = NULL WHERE id = :tune")
                .bind("tune", tune).execute());
    }
}
