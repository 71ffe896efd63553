package wildflourish.app.people;

import java.util.List;
import java.util.Optional;
import wildflourish.app.work.ClassBook;
import wildflourish.core.lesson.ClassTempo;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.library.Person;

/**
 * What the class screen shows.
 *
 * @param student the id of the student in hand; −1 for none
 * @param tune the id of the tune in hand; −1 for none
 * @param chosen the id of the student whom everything follows; −1 for nobody
 * @param together everybody's own version of the open tune; empty until that is worked out
 */
public record PeopleState(ClassBook book, long student, long tune, long chosen, String openTune, List<OwnVersion> together) {

    public PeopleState {
        together = List.copyOf(together);
    }

    /** The student in hand. */
    public Optional<Person> person() {
        return book.people().stream().filter(p -> p.id() == student).findFirst();
    }

    /** The student whom everything follows. */
    public Optional<Person> follows() {
        return book.people().stream().filter(p -> p.id() == chosen).findFirst();
    }

    /** The tune in hand as the student in hand learns it. */
    public Optional<ClassBook.Line> line() {
        return book.line(student, tune);
    }

    /** The tempo for all together, in a sentence or two; empty while it is not known. */
    public String tempoInWords() {
        if (together.isEmpty()) {
            return "";
        }
        ClassTempo tempo = ClassTempo.of(together);
        if (tempo.everybody().isEmpty()) {
            return "“%s”: nobody's version has anything that a tempo could spoil.".formatted(openTune);
        }
        List<String> steps = tempo.steps().stream().limit(3).map(s -> "above %s %s".formatted(s.above().percent(100).spoken(), String.join(", ", s.leavesBehind()))).toList();
        return "“%s”, each in their own version: everybody is clean up to %s. Left behind: %s.".formatted(openTune, tempo.everybody().get().spoken(), String.join("; ", steps));
    }

    /** With a class read anew, or with more known of it. */
    PeopleState with(ClassBook other) {
        long first = other.people().isEmpty() ? -1 : other.people().getFirst().id();
        long who = other.people().stream().anyMatch(p -> p.id() == student) ? student : first;
        return new PeopleState(other, who, tune, other.people().stream().anyMatch(p -> p.id() == chosen) ? chosen : -1, openTune, together);
    }

    PeopleState selecting(long who, long what) {
        return new PeopleState(book, who, what, chosen, openTune, together);
    }

    PeopleState following(long who) {
        return new PeopleState(book, student, tune, who, openTune, together);
    }

    PeopleState with(String title, List<OwnVersion> versions) {
        return new PeopleState(book, student, tune, chosen, title, versions);
    }
}
