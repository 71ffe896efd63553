package wildflourish.app.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;
import wildflourish.library.Person;
import wildflourish.library.WrittenFile;

/**
 * What there is of a student beside the library's tables: recordings, copies of the library, and files that were written for them or about them.
 *
 * @param recordings theirs, which go with them
 * @param traces what may go with them, each by the teacher's choice
 */
public record Leaving(Person person, List<Path> recordings, List<Trace> traces) {

    /** What can be done about a file that holds a student. */
    public enum Way {
        /** The student is taken out of a copy of the library, which stays. */
        TAKEN_OUT,
        /** The file is theirs alone, and is deleted. */
        DELETED,
        /** The file holds others too; it can be deleted, or stay. */
        SHARED
    }

    /**
     * A file that holds a student.
     *
     * @param kind for reading: {@code sheet}
     */
    public record Trace(Path file, String kind, Way way) {

        /** What is proposed, for reading. */
        public String inWords() {
            String what = "%s %s".formatted(kind, file.getFileName());
            return switch (way) {
                case TAKEN_OUT -> "%s: take them out of it".formatted(what);
                case DELETED -> "%s: delete it".formatted(what);
                case SHARED -> "%s: delete it (others are in it too)".formatted(what);
            };
        }
    }

    public Leaving {
        recordings = List.copyOf(recordings);
        traces = List.copyOf(traces);
    }

    /** Everything that can be found of a student. Files that are gone are not among it. Takes as long as reading all copies does. */
    public static Leaving of(Library library, Person person) {
        Recordings folder = new Recordings(library.folder(Library.RECORDINGS));
        List<Path> recordings = library.people().recordings().entrySet().stream().filter(r -> r.getValue() == person.id()).map(r -> folder.named(r.getKey()))
                .filter(Files::exists).sorted().toList();
        List<WrittenFile> written = library.people().written().stream().filter(w -> Files.exists(w.path())).toList();
        Set<Path> copies = new LinkedHashSet<>(library.backups().copies());
        written.stream().filter(w -> w.kind().equals(WrittenFile.BACKUP)).forEach(w -> copies.add(w.path()));
        List<Trace> traces = new ArrayList<>();
        copies.stream().filter(c -> library.backups().holds(c, person)).forEach(c -> traces.add(new Trace(c, "copy of the library", Way.TAKEN_OUT)));
        written.stream().filter(w -> !w.kind().equals(WrittenFile.BACKUP)).filter(w -> w.student().isEmpty() || w.student().get() == person.id())
                .forEach(w -> traces.add(new Trace(w.path(), w.kind(), w.student().isPresent() ? Way.DELETED : Way.SHARED)));
        return new Leaving(person, recordings, traces);
    }

    /**
     * Deletes the student with everything that is known of them, and does what was chosen about the files.
     *
     * @param chosen of the traces
     * @return what could not be done, in words; the student is gone from the library all the same
     */
    public List<String> delete(Library library, List<Trace> chosen) {
        List<String> left = new ArrayList<>();
        library.people().remove(person.id());
        for (Path recording : recordings) {
            delete(recording, left);
        }
        for (Trace trace : chosen) {
            if (trace.way() == Way.TAKEN_OUT) {
                try {
                    library.backups().takeOut(trace.file(), person);
                } catch (LibraryFault e) {
                    left.add(e.getMessage());
                }
            } else {
                delete(trace.file(), left);
                library.people().forgetWritten(trace.file());
            }
        }
        try {
            Pattern name = Pattern.compile("(?<!\\p{L})(" + String.join("|", Stream.concat(Stream.of(person.student().name()), Stream.of(person.student().name().split("\\s+")))
                    .filter(n -> n.length() >= FaultReport.SHORTEST_NAME).map(Pattern::quote).toList()) + ")(?!\\p{L})", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
            LogFile.takeOut(List.of(Trouble.log(library.file()), Trouble.logBefore(library.file())), line -> name.matcher(line).find());
        } catch (IOException e) {
            left.add("the log could not be written anew: delete %s".formatted(Trouble.log(library.file())));
        }
        return left;
    }

    private static void delete(Path file, List<String> left) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            left.add("%s could not be deleted: look whether its disk is there".formatted(file));
        }
    }
}
