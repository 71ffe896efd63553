package wildflourish.core.finding;

/**
 * Something in the user's input that the user should know.
 *
 * @param line counted from 1; 0 when it concerns the whole input
 * @param column counted from 1; 0 when it concerns the whole line
 * @param what what is wrong, in the user's words
 * @param remedy what to do about it; never empty
 */
public record Finding(Severity severity, int line, int column, String what, String remedy) {

    /** An error means that something of the input could not be used. */
    public enum Severity { ERROR, WARNING }

    public static Finding error(int line, int column, String what, String remedy) {
        return new Finding(Severity.ERROR, line, column, what, remedy);
    }

    public static Finding warning(int line, int column, String what, String remedy) {
        return new Finding(Severity.WARNING, line, column, what, remedy);
    }

    public boolean isError() {
        return severity == Severity.ERROR;
    }

    /** One line: {@code FILE:LINE:COLUMN: error: what; what to do}. */
    public String inFile(String file) {
        return "%s:%d:%d: %s: %s; %s".formatted(
                file, line, column, severity == Severity.ERROR ? "error" : "warning", what, remedy);
    }
}
