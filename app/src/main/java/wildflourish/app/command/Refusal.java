package wildflourish.app.command;

/** A command that cannot be done, with the words for the user and the exit status. */
final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;
    private final int status;

    private Refusal(int status, String message) {
        super(message);
        this.status = status;
    }

    /** The input has errors. */
    static Refusal input(String message) {
        return new Refusal(1, message);
    }

    /** The call is wrong. */
    static Refusal call(String message) {
        return new Refusal(2, message);
    }

    int status() {
        return status;
    }
}
