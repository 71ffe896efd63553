package wildflourish.library;

import java.util.Optional;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * Which library a file holds.
 *
 * @param id the file's own, made once; a copy and a restored library have another; empty in libraries of before version 10
 * @param lineage the same in a library and all its copies
 * @param changes how many times anything was changed; -1 in libraries of before version 10
 */
public record Identity(String id, String lineage, long changes) {

    static final Identity UNKNOWN = new Identity("", "", -1);

    /** What a library says of itself; empty where that part of its file is damaged. */
    static Optional<Identity> of(Handle handle) {
        try {
            boolean says = handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name IN ('library_identity', 'library_change')")
                    .mapTo(Integer.class).one() == 2;
            return Optional.of(says ? handle.createQuery("SELECT i.id, i.lineage, c.count FROM library_identity i, library_change c LIMIT 1")
                    .map((r, c) -> new Identity(String.valueOf(r.getString(1)), String.valueOf(r.getString(2)), r.getLong(3))).findOne().orElse(UNKNOWN) : UNKNOWN);
        } catch (JdbiException damaged) {
            return Optional.empty();
        }
    }

    /** Counts a change, in the transaction that makes it; a damaged count keeps nobody from working. */
    static void count(Handle handle) {
        try {
            handle.execute("UPDATE library_change SET count = count + 1");
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(LibraryFile.of(handle), e);
        }
    }

    /** Makes a file another one than the one it was copied from. */
    static void renew(Handle handle, long changes) {
        handle.execute("UPDATE library_identity SET id = lower(hex(randomblob(16)))");
        handle.execute("UPDATE library_change SET count = ?", changes);
    }

    /** Whether {@code now} is another library than this one, or this one as it was some changes earlier. */
    boolean isReplacedBy(Identity now) {
        return !now.id.equals(id) || now.changes < changes;
    }

    /** Whether the other holds the same, this one being a copy of it or the reverse. */
    boolean holdsTheSameAs(Identity other) {
        return !lineage.isEmpty() && lineage.equals(other.lineage) && changes == other.changes;
    }
}
