package wildflourish.app.command;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;

/** Printing what a command made. */
final class Printing {

    private static final ObjectMapper MAPPER = new ObjectMapper();

    private Printing() {}

    static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    static void print(ObjectNode document, PrintWriter out) {
        try {
            out.println(MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(document));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Three decimals: a thousandth of a millisecond. */
    static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
