package wildflourish.library;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;

/**
 * The tables of a library. Each step of their history is a file of SQL, never changed once it has been given away; the file itself
 * says how far it is ({@code PRAGMA user_version}) and whose it is ({@code PRAGMA application_id}).
 */
final class Schema {

    /** The steps, the first one first: a library of version n has the first n. */
    private static final List<String> STEPS = List.of(
            "V1__tunes_and_their_editions.sql", "V2__own_instruments_and_habits.sql", "V3__licks.sql", "V4__practice.sql",
            "V5__what_tunes_are_found_by.sql", "V6__people.sql", "V7__lessons.sql", "V8__more_than_one_instrument.sql", "V9__ornaments_that_spoke.sql",
            "V10__which_library_a_file_holds.sql");

    /** "WFLR", by which a library is known; those made before it was written have none. */
    private static final int OURS = 0x57464c52;

    private Schema() {}

    /**
     * What a file is that is looked at before anything is written to it.
     *
     * @param version how many steps it has; 0 when it is empty
     * @param named whether it says whose it is
     */
    record Look(int version, boolean named) {

        /** Whether there is a step that it has not. */
        boolean isOld() {
            return version < STEPS.size();
        }
    }

    /**
     * Looks at a file, which may belong to anybody.
     *
     * @throws LibraryFault when it is another program's, or a newer program has made it
     */
    static Look look(Handle handle) {
        int owner = number(handle, "PRAGMA application_id");
        boolean empty = number(handle, "SELECT count(*) FROM sqlite_master") == 0;
        Look look = new Look(empty ? 0 : version(handle), owner == OURS);
        boolean ours = owner == OURS || owner == 0 && (empty || hasTunes(handle));
        if (!ours || !empty && look.version == 0) {
            throw new LibraryFault("it is another program's file; choose another with --library; nothing in it was touched", null);
        }
        if (look.version > STEPS.size()) {
            throw new LibraryFault("it was made by a newer version of Wild Flourish: update the program, or choose another "
                    + "library with --library; nothing in it was touched", null);
        }
        missing(handle, look.version).ifPresent(column -> {
            throw new LibraryFault(("its tables are not those that this program knows (there is no %s): update the program, or choose another "
                    + "library with --library; nothing in it was touched").formatted(column), null);
        });
        return look;
    }

    private static int number(Handle handle, String question) {
        return handle.createQuery(question).mapTo(Integer.class).one();
    }

    private static boolean hasTunes(Handle handle) {
        return number(handle, "SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('tune', 'edition')") == 2;
    }

    /** How many steps a file has; those of before they were counted in the file kept a table about them. */
    static int version(Handle handle) {
        int counted = number(handle, "PRAGMA user_version");
        boolean earlier = counted == 0 && number(handle, "SELECT count(*) FROM sqlite_master WHERE name = 'flyway_schema_history'") > 0;
        return earlier ? number(handle, "SELECT coalesce(max(CAST(version AS INTEGER)), 0) FROM flyway_schema_history WHERE success = 1") : counted;
    }

    /** The first column, as {@code table.column}, that a library of a version has and this one has not. */
    private static Optional<String> missing(Handle handle, int version) {
        if (version == 0) {
            return Optional.empty();
        }
        Set<String> there = columns(handle);
        return Jdbi.create("jdbc:sqlite::memory:").withHandle(pattern -> {
            run(pattern, 0, version);
            return columns(pattern).stream().filter(c -> !there.contains(c)).findFirst();
        });
    }

    private static Set<String> columns(Handle handle) {
        return new TreeSet<>(handle.createQuery("SELECT m.name || '.' || c.name FROM sqlite_master m JOIN pragma_table_info(m.name) c "
                + "WHERE m.type = 'table'").mapTo(String.class).list());
    }

    /** The version that this program makes. */
    static int latest() {
        return STEPS.size();
    }

    /**
     * Does the steps that are missing, all or none; asked once more inside the transaction, for two programs may have opened the file
     * at once.
     */
    static void update(Handle handle) {
        Store.transaction(handle, h -> {
            run(h, version(h), STEPS.size());
            h.execute("PRAGMA user_version = " + STEPS.size());
            h.execute("PRAGMA application_id = " + OURS);
            return true;
        });
    }

    private static void run(Handle handle, int from, int to) {
        for (int step = from; step < to; step++) {
            handle.createScript(sql(STEPS.get(step))).executeAsSeparateStatements();
        }
    }

    /** The SQL of the first steps, for tests of earlier libraries. */
    static List<String> upTo(int version) {
        return STEPS.subList(0, version).stream().map(Schema::sql).toList();
    }

    private static String sql(String file) {
        try (InputStream in = Schema.class.getResourceAsStream("/library-schema/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
