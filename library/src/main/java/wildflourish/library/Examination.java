package wildflourish.library;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.JdbiException;

/**
 * What a whole examination of a back-up found.
 *
 * @param tunes how many there are, those taken off the shelf among them
 * @param readableTunes of how many of them the latest edition can be read
 * @param recordings how many recordings are in it
 * @param faults what is wrong with its file and its tables, in words; empty when they are whole
 */
public record Examination(Holding holding, int tunes, int readableTunes, int students, int readableStudents, int passes, int readablePasses, int recordings,
        List<String> faults) {

    public Examination {
        faults = List.copyOf(faults);
    }

    /**
     * Examines the library of a handle.
     *
     * @param reads whether the document of a tune makes sense
     * @param found what is known to be wrong already
     */
    static Examination of(LibraryFile file, Handle handle, int recordings, Predicate<String> reads, List<String> found) {
        List<String> faults = new ArrayList<>(found);
        file.examine().forEach(f -> faults.add("its file is damaged: " + f));
        int strays = strays(handle);
        if (strays > 0) {
            faults.add(Holding.many(strays, "row belongs", "rows belong") + " to nothing that is there");
        }
        try (Store store = new Store(file, handle)) {
            Tunes tunes = new Tunes(store, Clock.systemUTC());
            Rows<Long> ids = Reader.all(handle, "tune", "id FROM tune WHERE true", r -> r.getLong(2));
            int readable = 0;
            for (long tune : ids.read()) {
                readable += tunes.atItsCurrent(tune).map(Edition::document).filter(reads).isPresent() ? 1 : 0;
            }
            Rows<Person> people = new People(store, Clock.systemUTC()).all();
            Rows<?> passes = new Log(store).passes();
            return new Examination(holding(file, handle), all(handle, "tune", ids), readable, all(handle, "student", people), people.read().size(),
                    all(handle, "practice_pass", passes), passes.read().size(), recordings, faults);
        }
    }

    /** What can be counted; nothing where that part of the file is damaged. */
    private static Holding holding(LibraryFile file, Handle handle) {
        try {
            return Holding.of(file.file(), handle);
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(file, e);
            return new Holding(file.file(), 0, 0, 0, 0, Optional.empty(), Identity.UNKNOWN, false, 0);
        }
    }

    /** How many rows point to what is not there, as SQLite's own check of its references counts them. */
    private static int strays(Handle handle) {
        try {
            return handle.createQuery("SELECT count(*) FROM pragma_foreign_key_check").mapTo(Integer.class).one();
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(LibraryFile.of(handle), e);
            return 0;
        }
    }

    /** How many rows there are; where that cannot be counted, those that were found, readable or not. */
    private static int all(Handle handle, String table, Rows<?> found) {
        int known = found.read().size() + found.unread().size();
        try {
            return Math.max(known, handle.createQuery("SELECT count(*) FROM " + table).mapTo(Integer.class).one());
        } catch (JdbiException e) {
            LibraryFault.unlessDamaged(LibraryFile.of(handle), e);
            return known;
        }
    }

    /** Whether everything in it can be read, and its file is whole. */
    public boolean isSound() {
        return faults.isEmpty() && readableTunes == tunes && readableStudents == students && readablePasses == passes;
    }

    /** What is in it, for reading; with counts where not everything can be read. */
    public String inWords() {
        List<String> parts = new ArrayList<>();
        if (isSound()) {
            parts.add(holding.inWords());
        } else {
            parts.add("%d of %d tunes can be read".formatted(readableTunes, tunes));
            if (students > 0) {
                parts.add("%d of %d students".formatted(readableStudents, students));
            }
            if (passes > 0) {
                parts.add("%d of %d practised passes".formatted(readablePasses, passes));
            }
        }
        if (recordings > 0) {
            parts.add(Holding.many(recordings, "recording", "recordings"));
        }
        return String.join(", ", parts) + Optional.of(String.join("; ", faults)).filter(f -> !f.isEmpty()).map(f -> "; " + f).orElse("");
    }
}
