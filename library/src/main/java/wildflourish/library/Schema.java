package wildflourish.library;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;

/**
 * The tables of a library. Each step of their history is a file of SQL, never changed once it has been given away; the file itself
 * says how far it is ({@code PRAGMA user_version}).
 */
final class Schema {

    /** The steps, the first one first: a library of version n has the first n. */
    private static final List<String> STEPS = List.of(
            "V1__tunes_and_their_editions.sql", "V2__own_instruments_and_habits.sql", "V3__licks.sql", "V4__practice.sql");

    private Schema() {}

    /**
     * Brings a library to the newest version, all of it or nothing.
     *
     * @throws LibraryFault when a newer program has made it
     */
    static void update(Jdbi jdbi) {
        int there = jdbi.withHandle(Schema::version);
        if (there > STEPS.size()) {
            throw new LibraryFault("the library was made by a newer version of Wild Flourish: update the program, or choose another "
                    + "library with --library; nothing in it was touched", null);
        }
        if (there < STEPS.size()) {
            jdbi.useTransaction(Schema::update);
        }
    }

    /** The steps that are missing; asked once more inside the transaction, for two programs may have opened the file at once. */
    private static void update(Handle handle) {
        for (int step = version(handle); step < STEPS.size(); step++) {
            handle.createScript(sql(STEPS.get(step))).executeAsSeparateStatements();
        }
        handle.execute("PRAGMA user_version = " + STEPS.size());
    }

    /** How many steps a file has; those of before they were counted in the file kept a table about them. */
    private static int version(Handle handle) {
        int counted = handle.createQuery("PRAGMA user_version").mapTo(Integer.class).one();
        boolean earlier = counted == 0 && handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name = 'flyway_schema_history'")
                .mapTo(Integer.class).one() > 0;
        return earlier ? handle.createQuery("SELECT coalesce(max(CAST(version AS INTEGER)), 0) FROM flyway_schema_history WHERE success = 1")
                .mapTo(Integer.class).one() : counted;
    }

    private static String sql(String file) {
        try (InputStream in = Schema.class.getResourceAsStream("/library-schema/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
