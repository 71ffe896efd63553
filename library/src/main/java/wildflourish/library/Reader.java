package wildflourish.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;
import org.jdbi.v3.core.result.ResultIterator;

/**
 * Reads a whole table, row by row. One that says nothing that can be understood is told and passed over; where a page of the file is
 * damaged, the rows are fetched from its other side as well, and those between them one by one.
 */
final class Reader<T> {

    /** Makes something of a row whose first column is its number; throws whatever it likes when it makes no sense. */
    interface Mapper<T> {
        T map(ResultSet row) throws SQLException;
    }

    /** So many missing rows are asked for one by one. */
    private static final long PROBED = 10_000;

    private final Handle handle;
    private final String name;
    private final String select;
    private final Mapper<T> mapper;
    private final List<String> unread = new ArrayList<>();
    private long last;

    private Reader(Handle handle, String name, String select, Mapper<T> mapper) {
        this.handle = handle;
        this.name = name;
        this.select = select;
        this.mapper = mapper;
    }

    /**
     * Everything there is.
     *
     * @param name of one row, for the teacher
     * @param from columns, table, and a condition, as in {@code name FROM lick WHERE 1}
     */
    static <T> Rows<T> all(Handle handle, String name, String from, Mapper<T> mapper) {
        return new Reader<>(handle, name, "SELECT rowid, " + from + " AND rowid ", mapper).all();
    }

    private Rows<T> all() {
        List<T> rows = new ArrayList<>();
        last = Long.MIN_VALUE;
        if (!scan("> :from ORDER BY rowid", last, rows)) {
            long before = last;
            List<T> fromTheEnd = new ArrayList<>();
            last = Long.MAX_VALUE;
            scan("> :from ORDER BY rowid DESC", before, fromTheEnd);
            between(before, last, rows);
            rows.addAll(fromTheEnd.reversed());
        }
        return new Rows<>(rows, unread);
    }

    /** Fetches one row after another; false when the file could not be read on. */
    private boolean scan(String which, long from, List<T> rows) {
        try (ResultIterator<Optional<T>> found = handle.createQuery(select + which).bind("from", from).map((r, c) -> row(r)).iterator()) {
            while (found.hasNext()) {
                found.next().ifPresent(rows::add);
            }
            return true;
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(LibraryFile.of(handle), e);
            return false;
        }
    }

    private Optional<T> row(ResultSet row) throws SQLException {
        last = row.getLong(1);
        try {
            return Optional.of(mapper.map(row));
        } catch (RuntimeException senseless) {
            unread.add("%s %d of the library makes no sense; it was left out and is kept as it is".formatted(name, last));
            return Optional.empty();
        }
    }

    private void between(long before, long after, List<T> rows) {
        long known = before == Long.MIN_VALUE ? 0 : before;
        long probed = after == Long.MAX_VALUE ? known + PROBED : Math.min(after, known + PROBED);
        for (long id = known + 1; id < probed; id++) {
            scan("= :from", id, rows);
        }
        unread.add(("a part of the library's file is damaged: of the %ss behind number %d%s not all can be read, the others are here; "
                + "make a copy of the file now, and put a back-up in its place").formatted(
                name, known, after == Long.MAX_VALUE ? "" : " and before number " + after));
    }
}
