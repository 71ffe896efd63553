package wildflourish.sound.hearing;

/** A file that cannot be heard, with the reason and the remedy in the user's words. */
public final class NoRecording extends RuntimeException {

    private static final long serialVersionUID = 1L;

    NoRecording(String message) {
        super(message);
    }

    NoRecording(String message, Throwable cause) {
        super(message, cause);
    }
}
