package wildflourish.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jdbi.v3.core.Jdbi;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;

/** Students in a library: kept, changed, and gone for good. */
class PeopleTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-03-05T19:00:00Z"), ZoneOffset.UTC);

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("library.sqlite");
    }

    private Library open() {
        return Library.open(file(), CLOCK);
    }

    private static Student ina() {
        return Student.of("Ina Scarthquoy", "Thursday", "fiddle", "learner");
    }

    private static LoggedPass pass(Optional<Long> tune, long student) {
        return new LoggedPass(CLOCK.instant(), 12, tune, "Quillmoor", "the whole tune", "fiddle", "bare", "keys", Optional.empty(), 0, true, 0, 0, 0, 8, 0, 0).by(Optional.of(student));
    }

    @Test
    void whatIsKnownOfAStudentIsKept() {
        try (Library library = open()) {
            long tune = library.tunes().add("One", "reel", "D major", "4/4", "X:1");
            long ina = library.people().add(ina());
            library.people().change(ina, new Student("Ina Scarth", "Friday", "fiddle", java.util.List.of(), 0, "fluent", java.util.Map.of(), java.util.Map.of(), false, "shy"));
            library.people().learn(ina, tune, 2);
            library.people().decide(ina, tune, "leave the rolls for now");
            library.people().give(List.of(new Given(ina, tune, 1, CLOCK.instant(), "pulse", "1/2=80", "sheet")));
            library.people().meet(Meeting.of(CLOCK.instant(), 60, "lesson", "One", "went well", List.of(ina)));
            library.log().add(pass(Optional.of(tune), ina));
        }
        try (Library library = open()) {
            Person ina = library.people().all().read().getFirst();
            assertThat(ina.student().group()).isEqualTo("Friday");
            assertThat(ina.student().remark()).isEqualTo("shy");
            assertThat(library.people().learning().read()).singleElement().satisfies(l -> {
                assertThat(l.rung()).isEqualTo(2);
                assertThat(l.decided()).isEqualTo("leave the rolls for now");
            });
            assertThat(library.people().given().read()).extracting(Given::rung).containsExactly("pulse");
            assertThat(library.people().meetings().read()).singleElement().satisfies(m -> assertThat(m.there()).containsExactly(ina.id()));
            assertThat(library.log().passes().read()).singleElement().satisfies(p -> assertThat(p.student()).contains(ina.id()));
            library.people().learn(ina.id(), 1, 3);
            assertThat(library.people().learning().read()).singleElement().satisfies(l -> assertThat(l.decided()).as("a new rung, and the old word is over").isEmpty());
            library.people().leave(ina.id(), 1);
            assertThat(library.people().learning().read()).isEmpty();
        }
    }

    /** A lesson is kept with its lines, and what becomes of each; it can be written anew, and be gone. */
    @Test
    void aLessonIsKeptWithWhatBecameOfIt() {
        long lesson;
        long ina;
        try (Library library = open()) {
            ina = library.people().add(ina());
            List<Meeting.Line> lines = List.of(new Meeting.Line("One|WHOLE|", "the whole tune once", 2, Meeting.Became.OPEN), new Meeting.Line("One|PHRASE|A1", "learn A1", 4, Meeting.Became.OPEN));
            library.people().meet(Meeting.of(CLOCK.instant().plusSeconds(9000), 120, "workshop", "One\nTwo", "", List.of()));
            lesson = library.people().meet(new Meeting(0, CLOCK.instant(), 45, "lesson", "One", "", List.of(ina), lines));
            library.people().became(lesson, 1, Meeting.Became.PARTLY);
        }
        try (Library library = open()) {
            List<Meeting> meetings = library.people().meetings().read();
            assertThat(meetings).extracting(Meeting::kind).as("in the order of their time").containsExactly("lesson", "workshop");
            assertThat(meetings.getFirst().lines()).extracting(Meeting.Line::became).containsExactly(Meeting.Became.OPEN, Meeting.Became.PARTLY);
            assertThat(meetings.getFirst().minutes()).isEqualTo(45);
            assertThat(meetings.getLast().titles()).containsExactly("One", "Two");
            Meeting one = meetings.getFirst();
            assertThat(library.people().meet(new Meeting(one.id(), one.at(), 50, "lesson", "One", "the wind was loud", List.of(), one.lines().subList(1, 2)))).isEqualTo(lesson);
            assertThat(library.people().meetings().read().getFirst()).isEqualTo(new Meeting(lesson, one.at(), 50, "lesson", "One", "the wind was loud", List.of(), one.lines().subList(1, 2)));
            library.people().removeMeeting(lesson);
            assertThat(library.people().meetings().read()).extracting(Meeting::kind).containsExactly("workshop");
        }
    }

    /** Not a byte of her is left in the file, in what stands beside it, or in a back-up made afterwards; the others are untouched. */
    @Test
    void whoLeavesIsGoneForGood() throws Exception {
        try (Library library = open()) {
            long tune = library.tunes().add("One", "reel", "D major", "4/4", "X:1");
            long ina = library.people().add(ina());
            long magnus = library.people().add(Student.of("Magnus Holmrigg", "Thursday", "whistle-d", "fluent"));
            for (long who : List.of(ina, magnus)) {
                library.people().learn(who, tune, 1);
                library.people().decide(who, tune, who == ina ? "Zetterquist" : "on with it");
                library.people().give(List.of(new Given(who, tune, 1, CLOCK.instant(), "pulse", "1/2=80", who == ina ? "Zetterquist" : "sheet")));
                library.log().add(pass(Optional.of(tune), who));
            }
            library.people().meet(Meeting.of(CLOCK.instant(), 60, "lesson", "One", "", List.of(ina, magnus)));
            assertThat(bytes()).anyMatch(b -> b.contains("Scarthquoy"));
            library.people().remove(ina);
            assertThat(library.people().all().read()).extracting(Person::id).containsExactly(magnus);
            assertThat(library.people().meetings().read()).singleElement().satisfies(m -> assertThat(m.there()).containsExactly(magnus));
            assertThat(library.log().passes().read()).extracting(p -> p.student().orElseThrow()).containsExactly(magnus);
            assertThat(library.people().given().read()).hasSize(1);
            assertThat(bytes()).noneMatch(b -> b.contains("Scarthquoy") || b.contains("Zetterquist")).anyMatch(b -> b.contains("Holmrigg"));
            library.backups().write(folder.resolve("copy.sqlite"));
        }
        assertThat(bytes()).noneMatch(b -> b.contains("Scarthquoy") || b.contains("Zetterquist"));
        try (Library library = open()) {
            assertThat(library.examine()).isEmpty();
            assertThat(library.people().add(ina())).as("no number is given twice").isEqualTo(3);
        }
    }

    private List<String> bytes() throws Exception {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(Files::isRegularFile).map(f -> {
                try {
                    return new String(Files.readAllBytes(f), StandardCharsets.ISO_8859_1);
                } catch (java.io.IOException e) {
                    throw new java.io.UncheckedIOException(e);
                }
            }).toList();
        }
    }

    /** A library of every earlier version opens, with what it had, and takes in students. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7})
    void librariesOfEveryEarlierVersionTakeStudents(int version) throws Exception {
        Jdbi.create("jdbc:sqlite:" + file()).useHandle(h -> {
            for (String step : Schema.upTo(version)) {
                h.createScript(step).executeAsSeparateStatements();
            }
            h.execute("PRAGMA user_version = " + version);
            h.execute("INSERT INTO tune (title, type, key_name, meter, added_at) VALUES ('One', 'reel', 'D major', '4/4', '2026-01-01T00:00:00Z')");
            h.execute("INSERT INTO edition (tune_id, made_at, what, document) VALUES (1, '2026-01-01T00:00:00Z', 'added', 'X:1')");
            h.execute("UPDATE tune SET current_edition = 1");
            if (version >= 4) {
                h.execute("INSERT INTO practice_pass VALUES (1, '2026-01-01T00:00:00Z', 1, 1, 'One', 'A', 'fiddle', 'bare', 'keys', NULL, 0, 1, 0, 0, 0, 8, 0, 0" + (version >= 6 ? ", NULL)" : ")"));
            }
            if (version >= 6) {
                h.execute("INSERT INTO meeting (id, at, kind, tunes, remark) VALUES (1, '2026-01-01T00:00:00Z', 'lesson', 'One', 'quiet')");
                h.execute("INSERT INTO student (document, joined_at) VALUES (?, '2026-01-01T00:00:00Z')", ina().write().replaceAll("\\s*\"also\"\\s*:\\s*\\[\\s*\\],", ""));
                h.execute("INSERT INTO student (document, joined_at) VALUES ('spoilt', '2026-01-01T00:00:00Z')");
            }
        });
        try (Library library = open()) {
            assertThat(library.tunes().current(1).document()).isEqualTo("X:1");
            assertThat(library.log().passes().read()).hasSize(version >= 4 ? 1 : 0).allMatch(p -> p.student().isEmpty());
            assertThat(library.people().all().read()).extracting(Person::student).isEqualTo(version >= 6 ? List.of(ina()) : List.of());
            assertThat(library.people().all().unread()).hasSize(version >= 6 ? 1 : 0);
            library.people().learn(library.people().add(ina()), 1, 0);
            assertThat(library.people().learning().read()).hasSize(1);
            assertThat(library.people().meetings().read()).hasSize(version >= 6 ? 1 : 0).allMatch(m -> m.minutes() == 60 && m.lines().isEmpty());
        }
    }

    /** A student that cannot be read is told and left as it is; the others are there. */
    @Test
    void aSpoiltRowIsTold() {
        try (Library library = open()) {
            library.people().add(ina());
        }
        Jdbi.create("jdbc:sqlite:" + file()).useHandle(h -> h.execute("INSERT INTO student (document, joined_at) VALUES ('{', '2026-01-01T00:00:00Z')"));
        try (Library library = open()) {
            Rows<Person> all = library.people().all();
            assertThat(all.read()).hasSize(1);
            assertThat(all.unread()).singleElement().asString().startsWith("student 2 of the library makes no sense");
        }
    }
}
