package wildflourish.app.recording;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Recordings;
import wildflourish.library.Person;

/**
 * Whose recordings are whose.
 *
 * @param people the students
 * @param byName students' ids by the recordings' names below their folder
 */
public record Owners(List<Person> people, Map<String, Long> byName) {

    static final Owners NOBODY = new Owners(List.of(), Map.of());

    /** Where it is kept. */
    public interface Keeping {

        /** Nowhere. */
        Keeping NONE = new Keeping() {
            @Override
            public Owners read() {
                return NOBODY;
            }

            @Override
            public void own(String recording, long tune, Optional<Long> student) {}

            @Override
            public Optional<Long> followed() {
                return Optional.empty();
            }
        };

        /** What is known; not on the interface's thread. */
        Owners read();

        /** Keeps whose a recording of a tune is; empty where it is nobody's in particular. */
        void own(String recording, long tune, Optional<Long> student);

        /** The student whom everything follows: what is recorded now is theirs. */
        Optional<Long> followed();
    }

    public Owners {
        people = List.copyOf(people);
        byName = Map.copyOf(byName);
    }

    /** From the library. */
    public static Owners of(Keeper keeper) {
        return keeper.ask(l -> new Owners(l.people().all().read(), l.people().recordings()));
    }

    /** Whose a recording is; empty where it is nobody's in particular. */
    Optional<Person> of(Recordings folder, Path recording) {
        return Optional.ofNullable(byName.get(folder.name(recording))).flatMap(id -> people.stream().filter(p -> p.id() == id).findFirst());
    }
}
