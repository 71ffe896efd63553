package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.tune.Tempo;

/**
 * An open library. Methods may be called from any thread, one after another; each writes one transaction or nothing.
 *
 * @see #open
 */
public final class Library implements AutoCloseable {

    private static final int WAIT_MS = 5000;
    private static final String SCHEMA = "4";

    private final Handle handle;
    private final Clock clock;

    private Library(Jdbi jdbi, Clock clock) {
        this.handle = jdbi.open();
        this.clock = clock;
    }

    /**
     * Opens the library in a file, making the file and its folders when they are not there.
     *
     * @throws LibraryFault when the file is something else, is damaged, or cannot be written
     */
    public static Library open(Path file) {
        return open(file, Clock.systemUTC());
    }

    /** As {@link #open(Path)}, with a clock for the times of editions. */
    public static Library open(Path file, Clock clock) {
        try {
            Path folder = file.toAbsolutePath().getParent();
            Files.createDirectories(folder);
            SQLiteConfig config = new SQLiteConfig();
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.NORMAL);
            config.setBusyTimeout(WAIT_MS);
            config.enforceForeignKeys(true);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
            SQLiteDataSource source = new SQLiteDataSource(config);
            source.setUrl("jdbc:sqlite:" + file.toAbsolutePath());
            Jdbi jdbi = Jdbi.create(source);
            if (!isCurrent(jdbi)) {
                Flyway.configure().dataSource(source).locations("classpath:library-schema").load().migrate();
            }
            return new Library(jdbi, clock);
        } catch (IOException e) {
            throw new LibraryFault("the folder of the library %s cannot be made: choose another with --library"
                    .formatted(file), e);
        } catch (FlywayException | JdbiException e) {
            throw new LibraryFault(("the library %s cannot be opened: it may be another kind of file, or damaged, or "
                    + "read-only; choose another with --library, or put a copy back in its place").formatted(file), e);
        }
    }

    /** Whether the schema is the newest already: the usual case, which needs no migration tool to start. */
    private static boolean isCurrent(Jdbi jdbi) {
        return jdbi.withHandle(h -> {
            boolean known = h.createQuery("SELECT count(*) FROM sqlite_master WHERE name = 'flyway_schema_history'")
                    .mapTo(Integer.class).one() > 0;
            return known && h.createQuery("SELECT max(version) FROM flyway_schema_history WHERE success = 1")
                    .mapTo(String.class).findOne().filter(SCHEMA::equals).isPresent();
        });
    }

    private synchronized <T> T inTransaction(Function<Handle, T> work) {
        try {
            return handle.inTransaction(work::apply);
        } catch (JdbiException e) {
            throw new LibraryFault("the library could not be written; what it held before is kept", e);
        }
    }

    /** The tunes on the shelf, in the order in which they came. */
    public synchronized List<TuneEntry> tunes() {
        return handle.createQuery("SELECT id, title, type, key_name, meter FROM tune WHERE removed_at IS NULL ORDER BY id")
                .map((r, c) -> new TuneEntry(r.getLong(1), r.getString(2), r.getString(3), r.getString(4),
                        r.getString(5)))
                .list();
    }

    /** Adds a tune with its first edition; the id it got. */
    public long add(String title, String type, String key, String meter, String document) {
        return inTransaction(h -> {
            long tune = h.createUpdate("INSERT INTO tune (title, type, key_name, meter, added_at)"
                            + " VALUES (:title, :type, :key, :meter, :now)")
                    .bind("title", title).bind("type", type).bind("key", key).bind("meter", meter)
                    .bind("now", clock.instant().toString())
                    .executeAndReturnGeneratedKeys("id").mapTo(Long.class).one();
            insert(h, tune, null, "added", document);
            return tune;
        });
    }

    private long insert(Handle h, long tune, Long parent, String what, String document) {
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
    public synchronized Edition current(long tune) {
        return handle.createQuery(EDITION + "JOIN tune t ON t.current_edition = e.id WHERE t.id = :tune")
                .bind("tune", tune).map((r, c) -> edition(r)).one();
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
        return inTransaction(h -> byId(h, insert(h, tune, parent, what, document)));
    }

    private static Edition byId(Handle h, long edition) {
        return h.createQuery(EDITION + "WHERE e.id = :id").bind("id", edition).map((r, c) -> edition(r)).one();
    }

    /** Goes back to the edition that the given one was made from; empty when it was the first. */
    public Optional<Edition> undo(Edition from) {
        return move(from, "SELECT parent_id FROM edition WHERE id = :id AND parent_id IS NOT NULL");
    }

    /** Goes forward to the latest edition that was made from the given one; empty when there is none. */
    public Optional<Edition> redo(Edition from) {
        return move(from, "SELECT id FROM edition WHERE parent_id = :id ORDER BY id DESC LIMIT 1");
    }

    private Optional<Edition> move(Edition from, String query) {
        return inTransaction(h -> {
            Optional<Long> to = h.createQuery(query).bind("id", from.id()).mapTo(Long.class).findOne();
            to.ifPresent(edition -> point(h, from.tune(), edition));
            return to.map(edition -> byId(h, edition));
        });
    }

    /** Every edition of a tune, the oldest first, abandoned ones too. */
    public synchronized List<Edition> editions(long tune) {
        return handle.createQuery(EDITION + "WHERE e.tune_id = :tune ORDER BY e.id").bind("tune", tune)
                .map((r, c) -> edition(r)).list();
    }

    /** The given edition and those it was made from, back to the first. */
    public synchronized List<Edition> ancestors(Edition from) {
        return handle.createQuery("WITH RECURSIVE back (id, depth) AS (SELECT :id, 0 UNION ALL "
                        + "SELECT p.parent_id, depth + 1 FROM edition p JOIN back ON p.id = back.id "
                        + "WHERE p.parent_id IS NOT NULL) "
                        + EDITION + "JOIN back ON back.id = e.id ORDER BY back.depth")
                .bind("id", from.id()).map((r, c) -> edition(r)).list();
    }

    /** The editions that redoing from the given one would come to, in order. */
    public synchronized List<Edition> descendants(Edition from) {
        return handle.createQuery("WITH RECURSIVE forth (id, depth) AS (SELECT :id, 0 UNION ALL "
                        + "SELECT (SELECT max(c.id) FROM edition c WHERE c.parent_id = forth.id), depth + 1 FROM forth "
                        + "WHERE EXISTS (SELECT 1 FROM edition c WHERE c.parent_id = forth.id)) "
                        + EDITION + "JOIN forth ON forth.id = e.id WHERE forth.depth > 0 ORDER BY forth.depth")
                .bind("id", from.id()).map((r, c) -> edition(r)).list();
    }

    /** Takes a tune off the shelf; its editions stay in the file. */
    public void remove(long tune) {
        inTransaction(h -> h.createUpdate("UPDATE tune SET removed_at = :now WHERE id = :tune")
                .bind("now", clock.instant().toString()).bind("tune", tune).execute());
    }

    /** Puts a tune that was taken off back on the shelf. */
    public void putBack(long tune) {
        inTransaction(h -> h.createUpdate("UPDATE tune SET removed_at = NULL WHERE id = :tune")
                .bind("tune", tune).execute());
    }

    /** Keeps a value under a name, over the one kept before. */
    public void remember(String name, String value) {
        inTransaction(h -> h.createUpdate("INSERT INTO remembered (name, value) VALUES (:name, :value)"
                        + " ON CONFLICT (name) DO UPDATE SET value = excluded.value")
                .bind("name", name).bind("value", value).execute());
    }

    /** The value kept under a name. */
    public synchronized Optional<String> remembered(String name) {
        return handle.createQuery("SELECT value FROM remembered WHERE name = :name").bind("name", name)
                .mapTo(String.class).findOne();
    }

    /** Keeps the text of an instrument's file under its id, over the one kept before. */
    public void keepInstrument(String id, String document) {
        inTransaction(h -> h.createUpdate("INSERT INTO own_instrument (id, document) VALUES (:id, :document)"
                        + " ON CONFLICT (id) DO UPDATE SET document = excluded.document")
                .bind("id", id).bind("document", document).execute());
    }

    /** Keeps an instrument no longer. */
    public void forgetInstrument(String id) {
        inTransaction(h -> h.createUpdate("DELETE FROM own_instrument WHERE id = :id").bind("id", id).execute());
    }

    /** The texts of the instruments kept, by id. */
    public synchronized List<String> instruments() {
        return handle.createQuery("SELECT document FROM own_instrument ORDER BY id").mapTo(String.class).list();
    }

    /** Keeps the text of a lick under its name, over the one kept before. */
    public void keepLick(String name, String document) {
        inTransaction(h -> h.createUpdate("INSERT INTO lick (name, document) VALUES (:name, :document)"
                        + " ON CONFLICT (name) DO UPDATE SET document = excluded.document")
                .bind("name", name).bind("document", document).execute());
    }

    /** Keeps a lick no longer. */
    public void forgetLick(String name) {
        inTransaction(h -> h.createUpdate("DELETE FROM lick WHERE name = :name").bind("name", name).execute());
    }

    /** The texts of the licks kept, by name. */
    public synchronized List<String> licks() {
        return handle.createQuery("SELECT document FROM lick ORDER BY name").mapTo(String.class).list();
    }

    /** Writes one pass into the practice log. */
    public void log(LoggedPass pass) {
        log(List.of(pass));
    }

    /** Writes several passes into the log, all of them or none. */
    public void log(List<LoggedPass> passes) {
        inTransaction(h -> {
            passes.forEach(p -> insert(h, p));
            return null;
        });
    }

    private static void insert(Handle h, LoggedPass pass) {
        h.createUpdate("INSERT INTO practice_pass (at, seconds, tune_id, subject, passage, instrument, rung, hands, tempo,"
                        + " part_ms, even, variation, drift, offset_ms, expected, missed, extra) VALUES (:at, :seconds, :tune, :subject,"
                        + " :passage, :instrument, :rung, :hands, :tempo, :part, :even, :variation, :drift, :offset, :expected, :missed, :extra)")
                .bind("at", pass.at().toString()).bind("seconds", pass.seconds()).bind("tune", pass.tune().orElse(null))
                .bind("subject", pass.subject()).bind("passage", pass.passage()).bind("instrument", pass.instrument())
                .bind("rung", pass.rung()).bind("hands", pass.hands()).bind("tempo", pass.tempo().map(Tempo::toString).orElse(null))
                .bind("part", pass.partMs()).bind("even", pass.even()).bind("variation", pass.variation()).bind("drift", pass.drift())
                .bind("offset", pass.offsetMs()).bind("expected", pass.expected()).bind("missed", pass.missed()).bind("extra", pass.extra())
                .execute();
    }

    /** The practice log, the oldest pass first. */
    public synchronized List<LoggedPass> passes() {
        return handle.createQuery("SELECT * FROM practice_pass ORDER BY id").map((r, c) -> pass(r)).list();
    }

    private static LoggedPass pass(ResultSet r) throws SQLException {
        long tune = r.getLong("tune_id");
        Optional<Long> known = r.wasNull() ? Optional.empty() : Optional.of(tune);
        return new LoggedPass(Instant.parse(r.getString("at")), r.getDouble("seconds"), known, r.getString("subject"), r.getString("passage"),
                r.getString("instrument"), r.getString("rung"), r.getString("hands"), Optional.ofNullable(r.getString("tempo")).map(Tempo::parse),
                r.getInt("part_ms"), r.getBoolean("even"), r.getDouble("variation"), r.getDouble("drift"), r.getDouble("offset_ms"),
                r.getInt("expected"), r.getInt("missed"), r.getInt("extra"));
    }

    /** Keeps where a pitch is played on an instrument. */
    public void keepHabit(Habit habit) {
        inTransaction(h -> h.createUpdate("INSERT INTO habit (instrument, pitch, place) VALUES (:instrument, :pitch, :place)"
                        + " ON CONFLICT (instrument, pitch) DO UPDATE SET place = excluded.place")
                .bind("instrument", habit.instrument()).bind("pitch", habit.pitch()).bind("place", habit.place())
                .execute());
    }

    /** Ends a habit; its place does not matter. */
    public void endHabit(Habit habit) {
        inTransaction(h -> h.createUpdate("DELETE FROM habit WHERE instrument = :instrument AND pitch = :pitch")
                .bind("instrument", habit.instrument()).bind("pitch", habit.pitch()).execute());
    }

    /** Every habit kept. */
    public synchronized List<Habit> habits() {
        return handle.createQuery("SELECT instrument, pitch, place FROM habit ORDER BY instrument, pitch")
                .map((r, c) -> new Habit(r.getString(1), r.getString(2), r.getString(3))).list();
    }

    @Override
    public synchronized void close() {
        handle.close();
    }
}
