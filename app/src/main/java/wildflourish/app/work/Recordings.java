package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import wildflourish.library.PrivateFiles;

/** The recordings of tunes: files in a folder beside the library, in one of its own for each tune. They stay on this machine, and go into back-ups that are archives. */
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

    /** How many there are, of all tunes. */
    public int count() throws IOException {
        if (!Files.isDirectory(folder)) {
            return 0;
        }
        int count = 0;
        try (Stream<Path> tunes = Files.list(folder)) {
            for (Path tune : tunes.filter(t -> t.getFileName().toString().matches("\\d+")).toList()) {
                count += of(Long.parseLong(tune.getFileName().toString())).size();
            }
        }
        return count;
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
        SafeWrite.copyPrivate(file, place);
        return place;
    }

    /** A place for a new one that is written there by and by; its folder is made, which only its user may read. */
    public Path begin(long tune, String name) throws IOException {
        PrivateFiles.createFolders(folder.resolve(String.valueOf(tune)));
        return place(tune, name);
    }

    /** What a recording is called below the folder, as a library knows it. */
    public String name(Path recording) {
        return folder.relativize(recording).toString().replace('\\', '/');
    }

    /** Where the recording of a name is. */
    public Path named(String name) {
        return folder.resolve(name);
    }

    /** Throws one away for good. */
    public void throwAway(Path recording) throws IOException {
        if (!recording.normalize().startsWith(folder.normalize())) {
            throw new IllegalArgumentException("this is no recording of the library's");
        }
        Files.deleteIfExists(recording);
    }
}
