package wildflourish.library;

import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jdbi.v3.core.JdbiException;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** The library's file cannot be used; the message says why and what to do, for the user to read. */
public final class LibraryFault extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** Held by another program, a full disk, a disk that is away: what may be otherwise in a minute. */
    private static final Set<SQLiteErrorCode> PASSING = Set.of(SQLiteErrorCode.SQLITE_BUSY, SQLiteErrorCode.SQLITE_LOCKED,
            SQLiteErrorCode.SQLITE_IOERR, SQLiteErrorCode.SQLITE_FULL, SQLiteErrorCode.SQLITE_CANTOPEN, SQLiteErrorCode.SQLITE_READONLY);

    /** What a connection says whose disk is away: a page that cannot be fetched is to SQLite a damaged one. */
    private static final Set<SQLiteErrorCode> OF_THE_DISK = Set.of(SQLiteErrorCode.SQLITE_IOERR, SQLiteErrorCode.SQLITE_CANTOPEN, SQLiteErrorCode.SQLITE_CORRUPT);

    /** What a fault is besides its words. */
    private enum Kind { PLAIN, AWAY, ANOTHER_LIBRARY }

    private final Kind kind;

    /** A fault; what the driver said is looked for in its cause. */
    public LibraryFault(String message, @Nullable Throwable cause) {
        this(message, cause, Kind.PLAIN);
    }

    private LibraryFault(String message, @Nullable Throwable cause, Kind kind) {
        super(message, cause);
        this.kind = kind;
    }

    /** The library is not where it was opened; it may come back. */
    static LibraryFault away(String what) {
        return new LibraryFault(what + "; what it held before is kept", null, Kind.AWAY);
    }

    /** Another library is in the place of the one that was opened, or an earlier copy of it. */
    static LibraryFault anotherLibrary() {
        return new LibraryFault("another library is in the place of the one that was opened, or an earlier copy of it: nothing was written to it", null, Kind.ANOTHER_LIBRARY);
    }

    @Override
    public String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    /** Whether the same may succeed when it is tried again later. */
    public boolean mayPass() {
        return kind == Kind.AWAY || kind == Kind.PLAIN && code(getCause()).filter(PASSING::contains).isPresent();
    }

    /** Whether the library that was opened is there no longer, and another one is. */
    public boolean isAnotherLibrary() {
        return kind == Kind.ANOTHER_LIBRARY;
    }

    /** What went wrong with a file, in words. */
    static String said(Exception e) {
        return code(e).isPresent() ? reason(e) : String.valueOf(e.getMessage());
    }

    /** What the driver gave as the reason, without its finer shades. */
    static Optional<SQLiteErrorCode> code(@Nullable Throwable cause) {
        for (Throwable at = cause; at != null; at = at.getCause()) {
            if (at instanceof SQLiteException e) {
                return Optional.of(SQLiteErrorCode.getErrorCode(e.getResultCode().code & 0xff));
            }
        }
        return Optional.empty();
    }

    /** Whether the disk of the file may be what failed. */
    static boolean isOfTheDisk(JdbiException e) {
        return code(e).filter(OF_THE_DISK::contains).isPresent();
    }

    /** Goes on where a part of the file is damaged; whatever else is wrong is thrown on, its disk being away among it. */
    static void unlessDamaged(LibraryFile file, JdbiException e) {
        if (code(e).filter(SQLiteErrorCode.SQLITE_CORRUPT::equals).isEmpty() || !file.answers()) {
            throw e;
        }
    }

    /** Why a file cannot be written at the moment, in words. */
    static String reason(@Nullable Throwable cause) {
        return switch (code(cause).orElse(SQLiteErrorCode.UNKNOWN_ERROR)) {
            case SQLITE_BUSY, SQLITE_LOCKED -> "another program holds the library";
            case SQLITE_FULL -> "the disk is full";
            case SQLITE_IOERR, SQLITE_CANTOPEN -> "the disk of the library does not answer";
            case SQLITE_READONLY -> "the library may not be written to";
            case SQLITE_CORRUPT, SQLITE_NOTADB -> "the library's file is damaged";
            default -> "the library could not be written";
        };
    }
}
