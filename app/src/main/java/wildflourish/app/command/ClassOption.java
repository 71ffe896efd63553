package wildflourish.app.command;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import picocli.CommandLine.Option;
import wildflourish.app.work.ClassBook;
import wildflourish.library.Library;
import wildflourish.library.Person;

/** Which students a command is about. */
final class ClassOption {

    @Option(names = "--class", paramLabel = "NAME", description = "only those of one class (default: everybody)", defaultValue = "")
    private String name = "";

    /** The name of the class; empty for everybody. */
    String name() {
        return name;
    }

    /** The class as it is today. */
    static ClassBook book(Library library) {
        return ClassBook.of(library, LocalDate.now(ZoneId.systemDefault()), ZoneId.systemDefault(), () -> false).orElseThrow();
    }

    /** Those who are meant; refuses where there is nobody. */
    List<Person> people(ClassBook book, LibraryOption library) {
        List<Person> people = book.group(name);
        if (people.isEmpty()) {
            throw Refusal.input("%s:0:0: error: there is no student%s in this library; take them in on the class screen".formatted(library.path(),
                    name.isBlank() ? "" : " in the class '" + name + "'"));
        }
        return people;
    }
}
