package wildflourish.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;
import org.jspecify.annotations.Nullable;

/**
 * The tunes of a library and their editions. An edition is never changed or deleted: undo and redo only say another one is the
 * current one. Every method may throw {@link LibraryFault}.
 */
public final class Tunes {

    private static final String EDITION = "SELECT e.id, e.tune_id, e.made_at, e.what, e.document FROM edition e ";
    private static final String ENTRY = "SELECT e.id, e.what, e.made_at FROM edition e ";
    /** From an edition back to the first, itself too; parents are older, and have smaller numbers. */
    private static final String BACK = "WITH RECURSIVE line (id) AS (SELECT :id UNION ALL "
            + "SELECT p.id FROM line JOIN edition e ON e.id = line.id JOIN edition p ON p.id = e.parent_id AND p.tune_id = e.tune_id "
            + "WHERE p.id < e.id) "
            + "SELECT e.id, e.what, e.made_at FROM line JOIN edition e ON e.id = line.id ORDER BY e.id DESC";
    /** From an edition forth by the youngest that was made of each. */
    private static final String FORTH = "WITH RECURSIVE line (id) AS (SELECT :id UNION ALL "
            + "SELECT (SELECT max(c.id) FROM edition c WHERE c.parent_id = line.id AND c.id > line.id) FROM line WHERE line.id IS NOT NULL) "
            + "SELECT e.id, e.what, e.made_at FROM line JOIN edition e ON e.id = line.id WHERE e.id <> :id ORDER BY e.id";

    private final Store store;
    private final Clock clock;

    Tunes(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** The tunes on the shelf, in the order in which they came. */
    public Rows<TuneEntry> all() {
        return store.read(h -> Reader.all(h, "tune", "title, type, key_name, meter FROM tune WHERE removed_at IS NULL",
                r -> new TuneEntry(r.getLong(1), text(r, 2), text(r, 3), text(r, 4), text(r, 5))));
    }

    /** The tunes that were taken off, in the order in which they came. */
    public Rows<TuneEntry> off() {
        return store.read(h -> Reader.all(h, "tune", "title, type, key_name, meter FROM tune WHERE removed_at IS NOT NULL",
                r -> new TuneEntry(r.getLong(1), text(r, 2), text(r, 3), text(r, 4), text(r, 5))));
    }

    private static String text(ResultSet row, int column) throws SQLException {
        return Objects.requireNonNull(row.getString(column));
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

    /** The tune as it is now; where that edition cannot be read, as it was at the latest that can. */
    public Edition current(long tune) {
        return store.read(h -> now(h, tune));
    }

    /** The tune as it is now; empty where that edition cannot be read. */
    Optional<Edition> atItsCurrent(long tune) {
        return store.read(h -> {
            try {
                return pointedTo(h, tune).flatMap(id -> readable(h, id));
            } catch (JdbiException e) {
                LibraryFault.unlessDamaged(LibraryFile.of(h), e);
                return Optional.empty();
            }
        });
    }

    private static Edition now(Handle h, long tune) {
        return pointedTo(h, tune).flatMap(id -> readable(h, id)).or(() -> latest(h, tune)).orElseThrow(
                () -> new IllegalStateException("no edition of tune %d can be read".formatted(tune)));
    }

    private static Optional<Long> pointedTo(Handle h, long tune) {
        return h.createQuery("SELECT e.id FROM tune t JOIN edition e ON e.id = t.current_edition AND e.tune_id = t.id WHERE t.id = :tune")
                .bind("tune", tune).mapTo(Long.class).findOne();
    }

    private static Optional<Edition> latest(Handle h, long tune) {
        return h.createQuery("SELECT id FROM edition WHERE tune_id = :tune ORDER BY id DESC").bind("tune", tune).mapTo(Long.class).list()
                .stream().flatMap(id -> readable(h, id).stream()).findFirst();
    }

    /** An edition, unless the part of the file that holds it is damaged. */
    private static Optional<Edition> readable(Handle h, long id) {
        try {
            return h.createQuery(EDITION + "WHERE e.id = :id").bind("id", id).map((r, c) -> edition(r)).findOne();
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(LibraryFile.of(h), e);
            return Optional.empty();
        }
    }

    private static Edition edition(ResultSet r) throws SQLException {
        return new Edition(r.getLong(1), r.getLong(2), instant(r.getString(3)), text(r, 4), text(r, 5));
    }

    /** A time that makes no sense costs no edition. */
    private static Instant instant(String written) {
        try {
            return Instant.parse(written);
        } catch (DateTimeException | NullPointerException e) {
            return Instant.EPOCH;
        }
    }

    /**
     * Saves a new edition made from {@code parent}, which becomes the current one. One that is there already is not made twice: a disk
     * that went away may have taken what it did not say it took.
     */
    public Saved save(long tune, long parent, String what, String document) {
        return store.write(h -> {
            if (h.createQuery("SELECT count(*) FROM edition WHERE id = :id AND tune_id = :tune").bind("id", parent).bind("tune", tune).mapTo(Integer.class).one() == 0) {
                throw new LibraryFault("the library does not hold the version that was changed: nothing was written to it", null);
            }
            Optional<EditionEntry> meanwhile = besides(h, tune, parent);
            Optional<Edition> already = meanwhile.map(e -> byId(h, e.id())).filter(e -> e.what().equals(what) && e.document().equals(document))
                    .filter(e -> parent(h, e.id()).equals(Optional.of(parent)));
            if (already.isPresent()) {
                return new Saved(already.get(), Optional.empty());
            }
            return new Saved(byId(h, insert(h, tune, parent, what, document)), meanwhile);
        });
    }

    /** The current edition, when it is another than the one that this program goes by. */
    private static Optional<EditionEntry> besides(Handle h, long tune, long mine) {
        return pointedTo(h, tune).filter(id -> id != mine)
                .map(id -> h.createQuery(ENTRY + "WHERE e.id = :id").bind("id", id).map((r, c) -> entry(r)).one());
    }

    private static Edition byId(Handle h, long edition) {
        return h.createQuery(EDITION + "WHERE e.id = :id").bind("id", edition).map((r, c) -> edition(r)).one();
    }

    /**
     * Makes {@code to} the current edition of a tune, as undo and redo do.
     *
     * @param from the edition that was the current one for this program
     * @return the edition that another program had made the current one meanwhile; it is kept
     */
    public Optional<EditionEntry> stand(long tune, long from, long to) {
        return store.write(h -> {
            Optional<EditionEntry> meanwhile = besides(h, tune, from);
            point(h, tune, to);
            return meanwhile;
        });
    }

    private static EditionEntry entry(ResultSet r) throws SQLException {
        return new EditionEntry(r.getLong(1), text(r, 2), text(r, 3));
    }

    /** An edition by its id. */
    public Edition edition(long id) {
        return store.read(h -> byId(h, id));
    }

    /** Every edition of a tune without its document, the oldest first: also those that undo and redo do not come to. */
    public List<EditionEntry> editions(long tune) {
        return store.read(h -> h.createQuery(ENTRY + "WHERE e.tune_id = :tune ORDER BY e.id").bind("tune", tune)
                .map((r, c) -> entry(r)).list());
    }

    /**
     * The editions that lead to the current one, and those that redoing would come to. An edition is always made from an older one
     * of the same tune: where a damaged file says otherwise, the line ends there.
     */
    public Steps steps(long tune) {
        return store.read(h -> {
            Edition now = now(h, tune);
            List<EditionEntry> steps = new ArrayList<>();
            Optional<String> remark = pointedTo(h, tune).filter(id -> id == now.id()).isPresent() ? Optional.empty()
                    : Optional.of("the latest edition of this tune cannot be read; this is the last one that can");
            try {
                steps.addAll(line(h, now.id(), BACK).reversed());
                if (parent(h, steps.getFirst().id()).isPresent()) {
                    remark = remark.or(() -> Optional.of("the earliest steps of this tune are damaged; what they led to is here"));
                }
            } catch (JdbiException e) {
                LibraryFault.unlessDamaged(LibraryFile.of(h), e);
                steps.clear();
                steps.add(new EditionEntry(now.id(), now.what(), now.madeAt().toString()));
                remark = Optional.of("the steps that led here cannot be read; the tune is here");
            }
            int at = steps.size() - 1;
            try {
                steps.addAll(line(h, now.id(), FORTH));
            } catch (JdbiException e) {
                LibraryFault.unlessDamaged(LibraryFile.of(h), e);
                remark = remark.or(() -> Optional.of("what was undone last cannot be read; the tune is here"));
            }
            return new Steps(steps, at, now, remark);
        });
    }

    private static Optional<Long> parent(Handle h, long edition) {
        return h.createQuery("SELECT parent_id FROM edition WHERE id = :id AND parent_id IS NOT NULL").bind("id", edition)
                .mapTo(Long.class).findOne();
    }

    private static List<EditionEntry> line(Handle h, long from, String query) {
        return h.createQuery(query).bind("id", from).map((r, c) -> entry(r)).list();
    }

    /** Writes anew what the shelf tells of a tune; its editions stay as they are. */
    public void describe(long tune, String title, String type, String key, String meter) {
        store.change(h -> h.createUpdate("UPDATE tune SET title = :title, type = :type, key_name = :key, meter = :meter WHERE id = :tune")
                .bind("title", title).bind("type", type).bind("key", key).bind("meter", meter).bind("tune", tune).execute());
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
