package wildflourish.app.work;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import wildflourish.core.fit.Hardness;
import wildflourish.core.lesson.NextStep;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.lesson.Standing;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.setting.Arrangement;
import wildflourish.formats.book.BookTune;
import wildflourish.library.Given;
import wildflourish.library.Learning;
import wildflourish.library.Library;
import wildflourish.library.Meeting;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/**
 * The class as its library has it: who learns what, where they are, and what is next.
 *
 * @param tunes the tunes that anybody learns, in the order of the shelf
 * @param lines one for each tune that a student learns
 */
public record ClassBook(List<Person> people, List<TuneEntry> tunes, List<Line> lines, List<Given> given, List<Meeting> meetings) {

    /**
     * One tune of one student.
     *
     * @param rungName the rung they are on
     * @param rungs how many rungs the tune has on their instrument
     */
    public record Line(Person person, TuneEntry tune, Learning learning, Standing standing, String rungName, int rungs, NextStep next) {

        /** How it goes, in a word or a figure: {@code stuck}, {@code there}, {@code new}, {@code uneven}, {@code 80 %}. */
        public String how() {
            return !standing.stuck().isEmpty() ? "stuck" : standing.isThere() ? "there" : standing.passes() == 0 ? "new"
                    : standing.percent() == 0 ? "uneven" : standing.percent() + " %";
        }

        /** Where they are, in a few words: {@code pulse, minim = 80}. */
        public String where() {
            return rungName + standing.reached().map(r -> ", " + r.spoken() + (standing.part() ? " in parts" : "")).orElse("");
        }
    }

    public ClassBook {
        people = List.copyOf(people);
        tunes = List.copyOf(tunes);
        lines = List.copyOf(lines);
        given = List.copyOf(given);
        meetings = List.copyOf(meetings);
    }

    /** The line of a student in a tune, if they learn it. */
    public Optional<Line> line(long student, long tune) {
        return lines.stream().filter(l -> l.person().id() == student && l.tune().id() == tune).findFirst();
    }

    /** With a meeting added, or written anew; in the order of their time. */
    public ClassBook with(Meeting meeting) {
        List<Meeting> all = new ArrayList<>(without(meeting.id()).meetings);
        all.add(meeting);
        all.sort(Comparator.comparing(Meeting::at));
        return new ClassBook(people, tunes, lines, given, all);
    }

    /** Without a meeting. */
    public ClassBook without(long meeting) {
        return new ClassBook(people, tunes, lines, given, meetings.stream().filter(m -> m.id() != meeting).toList());
    }

    /** Those of a class; all where the name is empty. */
    public List<Person> group(String name) {
        return people.stream().filter(p -> name.isBlank() || p.student().group().equalsIgnoreCase(name.strip())).toList();
    }

    /** Reads the whole class; empty where it was told to stop. */
    public static Optional<ClassBook> of(Library library, LocalDate today, ZoneId zone, BooleanSupplier stop) {
        List<Person> people = library.people().all().read();
        Map<Long, Person> byId = people.stream().collect(Collectors.toMap(Person::id, p -> p));
        List<TuneEntry> shelf = library.tunes().all().read();
        List<Learning> learning = library.people().learning().read().stream().filter(l -> byId.containsKey(l.student()) && shelf.stream().anyMatch(t -> t.id() == l.tune())).toList();
        Map<List<Long>, List<LoggedPass>> passes = library.log().passes().read().stream().filter(p -> p.student().isPresent() && p.tune().isPresent())
                .collect(Collectors.groupingBy(p -> List.of(p.student().get(), p.tune().get())));
        Map<Long, BookTune> read = new HashMap<>();
        for (TuneEntry tune : shelf) {
            if (learning.stream().anyMatch(l -> l.tune() == tune.id())) {
                read.put(tune.id(), Documents.read(library.tunes().current(tune.id()).document()));
            }
        }
        Map<Long, Arrangement> arrangements = new HashMap<>();
        List<Line> lines = learning.parallelStream().filter(l -> !stop.getAsBoolean()).map(l -> {
            Person person = Objects.requireNonNull(byId.get(l.student()));
            Arrangement tune;
            synchronized (arrangements) {
                tune = arrangements.computeIfAbsent(l.tune(), id -> arrangement(Objects.requireNonNull(read.get(id)), person.student()));
            }
            TuneEntry entry = shelf.stream().filter(t -> t.id() == l.tune()).findFirst().orElseThrow();
            return line(person, entry, l, tune, passes.getOrDefault(List.of(l.student(), l.tune()), List.of()), () -> easier(library, shelf, learning, person, tune), today, zone);
        }).toList();
        List<TuneEntry> tunes = shelf.stream().filter(t -> read.containsKey(t.id())).toList();
        return stop.getAsBoolean() ? Optional.empty() : Optional.of(new ClassBook(people, tunes, lines.stream().sorted(Comparator.comparingLong((Line l) -> l.person().id())).toList(),
                library.people().given().read(), library.people().meetings().read()));
    }

    /** A tune's arrangement; one without a ladder is given one for whoever learns it first. */
    public static Arrangement arrangement(BookTune tune, Student student) {
        return tune.arrangement().filter(a -> a.instrument().hasHands()).orElseGet(() -> Documents.grown(tune.tune(), student.plays()));
    }

    private static Line line(
            Person person, TuneEntry entry, Learning learning, Arrangement tune, List<LoggedPass> passes, java.util.function.Supplier<Optional<String>> easier, LocalDate today, ZoneId zone) {
        Arrangement hers = OwnVersion.of(person.student(), tune, tune.tempo()).arrangement();
        int rung = Math.clamp(learning.rung(), 0, hers.ladder().size() - 1);
        String name = hers.ladder().rung(rung).name();
        Standing standing = Standing.of(rung, name, tune.tempo(), passes, zone);
        Optional<String> instead = rung == 0 && !standing.stuck().isEmpty() ? easier.get() : Optional.empty();
        NextStep next = learning.decided().isBlank() ? NextStep.of(standing, hers, instead, today) : new NextStep.Decided(learning.decided());
        return new Line(person, entry, learning, standing, name, hers.ladder().size(), next);
    }

    /** The hardest of the tunes that are easier than one on a student's instrument and that they have not taken up. */
    private static Optional<String> easier(Library library, List<TuneEntry> shelf, List<Learning> learning, Person person, Arrangement tune) {
        Hardness hard = hardness(tune, person.student());
        List<Map.Entry<String, Double>> all = new ArrayList<>();
        for (TuneEntry other : shelf) {
            if (learning.stream().noneMatch(l -> l.student() == person.id() && l.tune() == other.id())) {
                Arrangement there = arrangement(Documents.read(library.tunes().current(other.id()).document()), person.student());
                Hardness hardness = hardness(there, person.student());
                if (hardness.isEasierThan(hard)) {
                    all.add(Map.entry(other.title(), hardness.timesUsual()));
                }
            }
        }
        return all.stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }

    private static Hardness hardness(Arrangement tune, Student student) {
        return Hardness.of(Arrangement.bare(tune.tune(), student.plays()).with(tune.tempo()).version(0));
    }
}
