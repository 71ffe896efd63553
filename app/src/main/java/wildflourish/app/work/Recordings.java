package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** The recordings of tunes: files in a folder beside the library, in one of its own for each tune. They stay on this machine, and are in no back-up. */
public final class Recordings {

    private final Path folder;

    /** Those in a folder, which is made when the first comes. */
    public Recordings(Path folder) {
        this.folder = folder;
    }

    private Path of(long tune, String name) {
        return folder.resolve(String.valueOf(tune)).resolve(name);
    }

    /** The recordings of a tune, by name. */
    public List<Path> of(long tune) throws IOException {
        Path own = folder.resolve(String.valueOf(tune));
        if (!Files.isDirectory(own)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(own)) {
            return files.filter(Files::isRegularFile).filter(f -> !f.getFileName().toString().startsWith(".")).sorted().toList();
        }
    }

    /** A place for a new one, under its name or, where that is taken, with a number behind it. */
    public Path place(long tune, String name) {
        int dot = name.lastIndexOf('.');
        String stem = dot <= 0 ? name : name.substring(0, dot);
        String ending = dot <= 0 ? "" : name.substring(dot);
        Path place = of(tune, name);
        for (int again = 2; Files.exists(place); again++) {
            place = of(tune, stem + " " + again + ending);
        }
        return place;
    }

    /** Takes a copy of a file in; where it is now. */
    public Path takeIn(long tune, Path file) throws IOException {
        Path place = place(tune, file.getFileName().toString());
        SafeWrite.copy(file, place);
        return place;
    }

    /** Throws one away for good. */
    public void throwAway(Path recording) throws IOException {
        if (!recording.normalize().startsWith(folder.normalize())) {
            throw new IllegalArgumentException("this is no recording of the library's");
        }
        Files.deleteIfExists(recording);
    }
}
