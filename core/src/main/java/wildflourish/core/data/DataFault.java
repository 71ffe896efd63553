package wildflourish.core.data;

/** A data file of the program is wrong; the message names file, line and field. */
public final class DataFault extends IllegalStateException {

    private static final long serialVersionUID = 1L;

    public DataFault(String message) {
        super(message);
    }
}
