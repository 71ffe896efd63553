package wildflourish.library;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;

/**
 * Recordings that take the place of those of a library when it is restored. They lie ready beside it under the identity that the library
 * gets, so that a program which is killed in between leaves either what was there or what came: whoever opens the library next finishes it.
 */
record RecordingsSwap(Path recordings, Path ready) {

    private static final String OF = ".of-";

    private static RecordingsSwap of(Path recordings, Identity library) {
        return new RecordingsSwap(recordings, recordings.resolveSibling(recordings.getFileName() + OF + library.id()));
    }

    /** Puts recordings ready for the library that is about to come; nothing has changed yet. */
    static RecordingsSwap prepare(Path recordings, Identity library, Path from) throws IOException {
        RecordingsSwap swap = of(recordings, library);
        Files.move(from, swap.ready, StandardCopyOption.ATOMIC_MOVE);
        return swap;
    }

    /** Finishes what a killed program began, where the library that the recordings belong to has come. */
    static void finish(Path recordings, Identity library) throws IOException {
        RecordingsSwap swap = of(recordings, library);
        if (Files.isDirectory(swap.ready)) {
            swap.finish();
        }
    }

    /** Clears away what lies ready for libraries that never came. */
    static void clear(Path recordings) throws IOException {
        for (Path other : others(recordings)) {
            Stage.clear(other);
        }
    }

    private static List<Path> others(Path recordings) throws IOException {
        try (Stream<Path> all = Files.list(recordings.toAbsolutePath().getParent())) {
            return all.filter(f -> f.getFileName().toString().startsWith(recordings.getFileName() + OF)).toList();
        }
    }

    /** Puts them in place; those that were there are in the copy that was made before. */
    void finish() throws IOException {
        Stage.clear(recordings);
        Files.move(ready, recordings, StandardCopyOption.ATOMIC_MOVE);
    }
}
