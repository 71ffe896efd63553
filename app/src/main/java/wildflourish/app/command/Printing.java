package wildflourish.app.command;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Supplier;
import wildflourish.app.work.SafeWrite;
import wildflourish.sound.wave.Wav;

/** Printing and writing what a command made. */
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

    /** Makes a file from another and writes it whole or not at all; what is too long to be heard is refused. */
    static void write(Path from, Path to, Supplier<byte[]> bytes) {
        if (isSame(from, to)) {
            throw Refusal.input("%s:0:0: error: the tune itself is there; give what is made of it another name".formatted(to));
        }
        byte[] made;
        try {
            made = bytes.get();
        } catch (Wav.TooLong e) {
            throw Refusal.input("%s:0:0: error: %s".formatted(from, e.getMessage()));
        }
        write(to, made);
    }

    private static boolean isSame(Path one, Path other) {
        try {
            return Files.exists(other) && Files.isSameFile(one, other);
        } catch (IOException e) {
            return false;
        }
    }

    /** Writes a file whole or not at all. */
    static void write(Path file, byte[] bytes) {
        try {
            SafeWrite.write(file, bytes);
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the file cannot be written; choose another place".formatted(file));
        }
    }

    /** Three decimals: a thousandth of a millisecond. */
    static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
