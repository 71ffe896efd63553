package wildflourish.app.people;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.app.work.ClassBook;
import wildflourish.core.lesson.Clash;
import wildflourish.core.lesson.ClassTempo;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.tune.Tempo;
import wildflourish.library.Person;

/**
 * What the class screen shows.
 *
 * @param student the id of the student in hand; −1 for none
 * @param tune the id of the tune in hand; −1 for none
 * @param chosen the id of the student whom everything follows; −1 for nobody
 * @param clashes where their versions get in one another's way
 * @param loud how loud each is when they are heard together, by name; full where nothing is said
 * @param worked how often more has been worked out of the same book, which itself is no other by that
 * @param together everybody's own version of the open tune; empty until that is worked out
 */
public record PeopleState(ClassBook book, long student, long tune, long chosen, String openTune, List<OwnVersion> together, List<Clash> clashes, Map<String, Loudness> loud, int worked) {

    private static final int TOLD = 3;

    /** How loud somebody is when the class is heard together. */
    public enum Loudness {
        FULL(1), SOFT(0.3), SILENT(0);

        private final double share;

        Loudness(double share) {
            this.share = share;
        }

        /** 1 as loud as they are, 0 for not at all. */
        public double share() {
            return share;
        }

        Loudness next() {
            return values()[(ordinal() + 1) % values().length];
        }
    }

    public PeopleState {
        together = List.copyOf(together);
        clashes = List.copyOf(clashes);
        loud = Map.copyOf(loud);
    }

    /** How loud one of them is. */
    public Loudness loud(String name) {
        return loud.getOrDefault(name, Loudness.FULL);
    }

    /** The tempo at which all are heard together: as fast as everybody is clean, and no faster than the tune's own. */
    public Optional<Tempo> heardAt() {
        return together.stream().findFirst().map(v -> ClassTempo.of(together).everybody().filter(t -> t.perMinute().isLess(v.arrangement().tempo().perMinute()))
                .map(t -> t.percent(100)).orElse(v.arrangement().tempo()));
    }

    /** Where they get in one another's way, in a sentence; empty where they do not. */
    public String clashesInWords() {
        if (clashes.isEmpty()) {
            return "";
        }
        return "Heard together they clash in " + String.join("; ", clashes.stream().limit(TOLD).map(Clash::inWords).toList())
                + (clashes.size() > TOLD ? "; and %d more".formatted(clashes.size() - TOLD) : "") + ".";
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
        return new PeopleState(other, who, tune, other.people().stream().anyMatch(p -> p.id() == chosen) ? chosen : -1, openTune, together, clashes, loud, worked);
    }

    /** The same, with more known of what is next. */
    PeopleState workedOut() {
        return new PeopleState(book, student, tune, chosen, openTune, together, clashes, loud, worked + 1);
    }

    PeopleState selecting(long who, long what) {
        return new PeopleState(book, who, what, chosen, openTune, together, clashes, loud, worked);
    }

    PeopleState following(long who) {
        return new PeopleState(book, student, tune, who, openTune, together, clashes, loud, worked);
    }

    PeopleState with(String title, List<OwnVersion> versions) {
        return new PeopleState(book, student, tune, chosen, title, versions, List.of(), loud, worked);
    }

    PeopleState with(List<Clash> found) {
        return new PeopleState(book, student, tune, chosen, openTune, together, found, loud, worked);
    }

    PeopleState with(Map<String, Loudness> other) {
        return new PeopleState(book, student, tune, chosen, openTune, together, clashes, other, worked);
    }
}
