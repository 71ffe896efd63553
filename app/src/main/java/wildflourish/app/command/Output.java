package wildflourish.app.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Supplier;
import picocli.CommandLine.Option;
import wildflourish.app.work.SafeWrite;
import wildflourish.sound.wave.Wav;

/** Writing a command's file: whole or not at all, and over another one only when that is asked for. */
final class Output {

    @Option(names = "--force", description = "write over a file that is there")
    private boolean force;

    /** Makes a file from another; what is too long to be heard is refused. */
    void write(Path from, Path to, Supplier<byte[]> bytes) {
        look(from, to);
        byte[] made;
        try {
            made = bytes.get();
        } catch (Wav.TooLong e) {
            throw Refusal.input("%s:0:0: error: %s".formatted(from, e.getMessage()));
        }
        write(to, made);
    }

    /** Refuses the file that another is made from, and what {@link #look(Path)} refuses. */
    void look(Path from, Path to) {
        if (isSame(from, to)) {
            throw Refusal.input("%s:0:0: error: what it is made from is there itself; give what is made of it another name".formatted(to));
        }
        look(to);
    }

    /** Refuses a place where a file is that may not be written over. */
    void look(Path to) {
        if (!force && Files.isRegularFile(to)) {
            throw Refusal.input("%s:0:0: error: there is a file already; give another name, or write over it with --force".formatted(to));
        }
    }

    private static boolean isSame(Path one, Path other) {
        try {
            return Files.exists(other) && Files.isSameFile(one, other);
        } catch (IOException e) {
            return false;
        }
    }

    /** Writes a file that is made of no other. */
    void write(Path file, byte[] bytes) {
        look(file);
        try {
            SafeWrite.write(file, bytes);
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the file cannot be written; choose another place".formatted(file));
        }
    }
}
