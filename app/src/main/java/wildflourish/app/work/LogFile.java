package wildflourish.app.work;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.logging.Handler;
import java.util.logging.LogRecord;
import java.util.logging.SimpleFormatter;
import wildflourish.library.PrivateFiles;

/** The log as a file that only its user may read. One that has grown long is begun anew, and the one before it is kept beside it. */
final class LogFile extends Handler {

    private static final int LONGEST = 1_000_000;
    /** Whoever takes lines out of a log, and whoever writes one, waits for the other. */
    private static final Object ONE_AT_A_TIME = new Object();

    private final Path now;
    private final Path before;

    private LogFile(Path now, Path before) {
        this.now = now;
        this.before = before;
        setFormatter(new SimpleFormatter());
    }

    /** A log, which is made now; what was logged in it earlier stays. */
    static LogFile open(Path now, Path before) throws IOException {
        PrivateFiles.createFolders(Objects.requireNonNull(now.toAbsolutePath().getParent()));
        PrivateFiles.createFile(now);
        PrivateFiles.makePrivate(now);
        return new LogFile(now, before);
    }

    @Override
    public void publish(LogRecord entry) {
        if (!isLoggable(entry)) {
            return;
        }
        synchronized (ONE_AT_A_TIME) {
            try {
                if (Files.exists(now) && Files.size(now) > LONGEST) {
                    Files.move(now, before, StandardCopyOption.REPLACE_EXISTING);
                }
                PrivateFiles.createFile(now);
                Files.writeString(now, getFormatter().format(entry), StandardOpenOption.APPEND);
            } catch (IOException | RuntimeException e) {
                // Nobody is left to be told.
            }
        }
    }

    /** Takes the lines out of logs that hold what nobody is to know any more. */
    static void takeOut(List<Path> logs, Predicate<String> lines) throws IOException {
        synchronized (ONE_AT_A_TIME) {
            for (Path log : logs) {
                if (Files.isRegularFile(log)) {
                    List<String> all = new String(Files.readAllBytes(log), StandardCharsets.UTF_8).lines().toList();
                    List<String> left = all.stream().filter(lines.negate()).toList();
                    if (left.size() < all.size()) {
                        SafeWrite.writePrivate(log, (String.join("\n", left) + "\n").getBytes(StandardCharsets.UTF_8));
                    }
                }
            }
        }
    }

    @Override
    public void flush() {
        // Each line is in the file when it has been logged.
    }

    @Override
    public void close() {
        // Nothing is held open.
    }
}
