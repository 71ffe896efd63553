package wildflourish.library;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;

/**
 * How much a library's file holds.
 *
 * @param tunes those on the shelf
 * @param latest when the latest edition in it was made, as it is written there; empty without any
 * @param empty whether nothing was ever put into it
 * @param newestEdition the number of the newest edition, which orders copies of before version 10; 0 without any
 */
public record Holding(Path file, int tunes, int editions, int students, int passes, Optional<String> latest, Identity identity, boolean empty,
        long newestEdition) {

    static Holding of(Path file, Handle handle) {
        return new Holding(file, count(handle, "tune", "removed_at IS NULL"), count(handle, "edition", "true"), count(handle, "student", "true"),
                count(handle, "practice_pass", "true"), handle.createQuery("SELECT made_at FROM edition ORDER BY id DESC LIMIT 1").mapTo(String.class).findOne(),
                Identity.of(handle).orElse(Identity.UNKNOWN), isEmpty(handle),
                handle.createQuery("SELECT coalesce(max(id), 0) FROM edition").mapTo(Long.class).one());
    }

    /** How many rows of a table; none where earlier libraries have no such table. */
    private static int count(Handle handle, String table, String where) {
        boolean there = handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name = ?").bind(0, table).mapTo(Integer.class).one() > 0;
        return there ? handle.createQuery("SELECT count(*) FROM %s WHERE %s".formatted(table, where)).mapTo(Integer.class).one() : 0;
    }

    /** Whether no table holds anything but what the program itself needs to know. */
    private static boolean isEmpty(Handle handle) {
        return handle.createQuery("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('library_identity', 'library_change', 'remembered')"
                        + " AND name NOT LIKE 'sqlite_%'").mapTo(String.class).list().stream()
                .allMatch(table -> handle.createQuery("SELECT count(*) FROM (SELECT 1 FROM \"%s\" LIMIT 1)".formatted(table)).mapTo(Integer.class).one() == 0);
    }

    /** The same in another file. */
    Holding in(Path other) {
        return new Holding(other, tunes, editions, students, passes, latest, identity, empty, newestEdition);
    }

    /** For reading, in a line. */
    public String briefly() {
        return "%s, %s, %s, %s".formatted(many(tunes, "tune", "tunes"), many(editions, "edition", "editions"), many(students, "student", "students"),
                many(passes, "practised pass", "practised passes"));
    }

    /** For reading. */
    public String inWords() {
        List<String> parts = new ArrayList<>(List.of(many(tunes, "tune", "tunes") + " with " + many(editions, "edition", "editions")));
        if (students > 0) {
            parts.add(many(students, "student", "students"));
        }
        parts.add(many(passes, "practised pass", "practised passes"));
        latest.ifPresent(l -> parts.add("the latest edition of " + l.substring(0, Math.min(16, l.length())).replace('T', ' ')));
        return String.join(", ", parts);
    }

    static String many(int count, String one, String several) {
        return count + " " + (count == 1 ? one : several);
    }
}
