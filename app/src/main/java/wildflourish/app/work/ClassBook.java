package wildflourish.app.work;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.School;
import wildflourish.core.lesson.EasierTune;
import wildflourish.core.lesson.NextStep;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.lesson.Standing;
import wildflourish.core.lesson.Student;
import wildflourish.core.memory.Kept;
import wildflourish.core.memory.Once;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Rung;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.TuneType;
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
 * @param practised the passes of each student by their id, the oldest first
 */
public record ClassBook(List<Person> people, List<TuneEntry> tunes, List<Line> lines, List<Given> given, List<Meeting> meetings, Map<Long, List<LoggedPass>> practised) {

    /** Nobody, and nothing. */
    public static final ClassBook EMPTY = new ClassBook(List.of(), List.of(), List.of(), List.of(), List.of(), Map.of());

    private static final Kept<String, BookTune> READ = new Kept<>(512);

    /**
     * One tune of one student.
     *
     * @param rungName the rung they are on
     * @param rungs how many rungs the tune has on their instrument
     * @param step what is next, worked out when it is first asked for
     */
    public record Line(Person person, TuneEntry tune, Learning learning, Standing standing, String rungName, int rungs, Once<NextStep> step) {

        /** What is next. Takes its time where nobody has asked yet: not on the interface's thread, unless it is {@link #known()}. */
        public NextStep next() {
            return step.get();
        }

        /** What is next, if it has been worked out. */
        public Optional<NextStep> known() {
            return step.isKnown() ? Optional.of(step.get()) : Optional.empty();
        }

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
        practised = Map.copyOf(practised);
    }

    /** The line of a student in a tune, if they learn it. */
    public Optional<Line> line(long student, long tune) {
        return lines.stream().filter(l -> l.person().id() == student && l.tune().id() == tune).findFirst();
    }

    /** The passes of a student, the oldest first. */
    public List<LoggedPass> practised(long student) {
        return practised.getOrDefault(student, List.of());
    }

    /** With a meeting added, or written anew; in the order of their time. */
    public ClassBook with(Meeting meeting) {
        List<Meeting> all = new ArrayList<>(without(meeting.id()).meetings);
        all.add(meeting);
        all.sort(Comparator.comparing(Meeting::at));
        return new ClassBook(people, tunes, lines, given, all, practised);
    }

    /** Without a meeting. */
    public ClassBook without(long meeting) {
        return new ClassBook(people, tunes, lines, given, meetings.stream().filter(m -> m.id() != meeting).toList(), practised);
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
        Map<Long, TuneEntry> entries = shelf.stream().collect(Collectors.toMap(TuneEntry::id, t -> t));
        List<Learning> learning = library.people().learning().read().stream().filter(l -> byId.containsKey(l.student()) && entries.containsKey(l.tune())).toList();
        List<LoggedPass> log = library.log().passes().read().stream().filter(p -> p.student().isPresent()).toList();
        Map<List<Long>, List<LoggedPass>> passes = log.stream().filter(p -> p.tune().isPresent())
                .collect(Collectors.groupingBy(p -> List.of(p.student().get(), p.tune().get())));
        Set<Long> learned = learning.stream().map(Learning::tune).collect(Collectors.toSet());
        Map<Long, BookTune> read = learned.parallelStream().filter(t -> !stop.getAsBoolean())
                .collect(Collectors.toMap(t -> t, t -> READ.of(library.tunes().current(t).document(), Documents::read)));
        if (stop.getAsBoolean()) {
            return Optional.empty();
        }
        Map<Long, List<Learning>> byStudent = learning.stream().collect(Collectors.groupingBy(Learning::student));
        Map<List<Object>, List<String>> names = new ConcurrentHashMap<>();
        List<Line> lines = learning.parallelStream().map(l -> {
            Person person = Objects.requireNonNull(byId.get(l.student()));
            BookTune tune = Objects.requireNonNull(read.get(l.tune()));
            return line(person, Objects.requireNonNull(entries.get(l.tune())), l, tune, passes.getOrDefault(List.of(l.student(), l.tune()), List.of()),
                    () -> easier(library, shelf, byStudent.getOrDefault(l.student(), List.of()), person, tune),
                    names.computeIfAbsent(List.of(l.tune(), person.student().instrument()), k -> rungs(tune, person.student())), today, zone);
        }).sorted(Comparator.comparingLong((Line l) -> l.person().id())).toList();
        return Optional.of(new ClassBook(people, shelf.stream().filter(t -> learned.contains(t.id())).toList(), lines, library.people().given().read(), library.people().meetings().read(),
                log.stream().collect(Collectors.groupingBy(p -> p.student().orElseThrow()))));
    }

    /** A tune's arrangement; one without a ladder is given one for whoever learns it first. */
    public static Arrangement arrangement(BookTune tune, Student student) {
        return grown(tune).orElseGet(() -> Documents.grown(tune.tune(), student.plays()));
    }

    private static Line line(Person person, TuneEntry entry, Learning learning, BookTune tune, List<LoggedPass> passes, Supplier<Optional<String>> easier, List<String> rungs,
                             LocalDate today, ZoneId zone) {
        Once<Arrangement> there = new Once<>(() -> arrangement(tune, person.student()));
        Tempo goal = goal(tune);
        int rung = Math.clamp(learning.rung(), 0, rungs.size() - 1);
        String name = rungs.get(rung);
        Standing standing = Standing.of(rung, name, goal, passes, zone);
        Once<NextStep> next = new Once<>(() -> {
            if (!learning.decided().isBlank()) {
                return new NextStep.Decided(learning.decided());
            }
            Arrangement hers = OwnVersion.of(person.student(), there.get(), goal).arrangement();
            return NextStep.of(standing, hers, rung == 0 && !standing.stuck().isEmpty() ? easier.get() : Optional.empty(), today);
        });
        return new Line(person, entry, learning, standing, name, rungs.size(), next);
    }

    private static Optional<Arrangement> grown(BookTune tune) {
        return tune.arrangement().filter(a -> a.instrument().hasHands());
    }

    /** The names of a tune's rungs on a student's instrument. One that nobody has grown yet has those that it would get; it is not grown for their names. */
    private static List<String> rungs(BookTune tune, Student student) {
        return grown(tune).map(a -> a.ladderOn(student.plays()).orElse(a.ladder()).rungs().stream().map(Rung::name).toList())
                .orElseGet(() -> Taste.of(student.plays(), School.USUAL, tune.tune().head()).rungs().stream().map(Taste.Level::name).toList());
    }

    /** The hardest of the tunes that are easier than one on a student's instrument and that they have not taken up. */
    private static Optional<String> easier(Library library, List<TuneEntry> shelf, List<Learning> hers, Person person, BookTune tune) {
        List<EasierTune> others = shelf.stream().filter(t -> hers.stream().noneMatch(l -> l.tune() == t.id()))
                .map(t -> offer(READ.of(library.tunes().current(t.id()).document(), Documents::read))).toList();
        return offer(tune).among(others, person.student());
    }

    private static EasierTune offer(BookTune tune) {
        return new EasierTune(tune.tune(), goal(tune));
    }

    private static Tempo goal(BookTune tune) {
        return grown(tune).map(Arrangement::tempo).orElseGet(() -> TuneType.tempoOf(tune.tune().head()));
    }
}
