package wildflourish.library;

/** The library's file cannot be used; the message says why and what to do, for the user to read. */
public final class LibraryFault extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public LibraryFault(String message, Throwable cause) {
        super(message, cause);
    }
}
