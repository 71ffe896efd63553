package wildflourish.library;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;

/**
 * A file that the program wrote somewhere and that holds students' names.
 *
 * @param path absolute
 * @param kind for reading: {@code sheet}
 * @param student whose it is; empty where several people are in it
 */
public record WrittenFile(Path path, String kind, Optional<Long> student, Instant at) {

    /** What a back-up is called among them. */
    public static final String BACKUP = "back-up";

    public WrittenFile {
        path = path.toAbsolutePath().normalize();
    }
}
