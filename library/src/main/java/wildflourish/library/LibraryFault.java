package wildflourish.library;

import org.jspecify.annotations.Nullable;

/** The library's file cannot be used; the message says why and what to do, for the user to read. */
public final class LibraryFault extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public LibraryFault(String message, @Nullable Throwable cause) {
        super(message, cause);
    }
}
