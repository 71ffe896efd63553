package wildflourish.app.desk;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.lesson.Standing;
import wildflourish.core.lesson.Student;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.library.Given;
import wildflourish.library.Library;
import wildflourish.library.Meeting;

/** The Thursday class of Marram Strand: eight who are made up, on eight instruments, with some weeks of lessons and practice. */
final class DemoClass {

    private static final String GROUP = "Thursday";
    private static final int WEEK = 7;

    private static final List<Student> STUDENTS = List.of(
            Student.of("Ina Skarf", GROUP, "whistle-d", "learner"),
            Student.of("Magnus Holmrigg", GROUP, "fiddle", "fluent"),
            Student.of("Oona Brimwell", GROUP, "anglo-cg", "learner"),
            Student.of("Tam Noustie", GROUP, "tenor-banjo", "fluent"),
            Student.of("Bryde Lampson", GROUP, "flute-d", "fluent"),
            Student.of("Callum Ayreside", GROUP, "pipes-bellows-d", "fluent"),
            new Student("Jess Wrackline", GROUP, "recorder-alto-f", List.of(), 0, "learner", Map.of(), Map.of(), false, "reads the step list, not the stave; quick ear"),
            Student.of("Rory Tangle", GROUP, "mandolin", "learner"));

    private final Library library;
    private final Instant now;
    private final List<Long> tunes;
    private final List<Tune> music;
    private final List<LoggedPass> log = new ArrayList<>();
    private final List<Long> ids = new ArrayList<>();

    private DemoClass(Library library, List<Long> tunes, List<Tune> music, Clock clock) {
        this.library = library;
        this.now = clock.instant();
        this.tunes = tunes;
        this.music = music;
    }

    /** Puts the class into a library that has the demo's tunes. */
    static void into(Library library, List<Long> tunes, List<Tune> music, Clock clock) {
        new DemoClass(library, tunes, music, clock).fill();
    }

    private void fill() {
        STUDENTS.forEach(s -> ids.add(library.people().add(s)));
        // Student, tune by its place in the demo, rung; who plays it how well, and how many days ago.
        takes(0, 0, 0, "improving", 3, 14, 9, 5, 3);
        takes(0, 3, 0, "steady", 3, 38, 37, 36, 35);
        takes(1, 0, 2, "", 0);
        takes(1, 10, 0, "steady", 3, 6, 4, 2, 1);
        takes(2, 1, 0, "steady", 2, 13, 11, 8);
        takes(3, 6, 0, "uneven", 4, 15, 12, 9);
        takes(3, 0, 1, "", 0);
        takes(4, 1, 0, "rushing", 2, 12, 5);
        takes(5, 7, 0, "steady", 3, 8, 6, 4, 2);
        takes(6, 4, 0, "improving", 3, 10, 7, 3);
        takes(7, 3, 0, "", 0);
        log.sort(java.util.Comparator.comparing(LoggedPass::at));
        library.log().add(log);
        meetings();
    }

    /** A student takes up a tune, was given it the week before, and practises it whole, in sittings so many days ago. */
    private void takes(int student, int tune, int rung, String plays, int passes, int... daysAgo) {
        long who = ids.get(student);
        Student known = STUDENTS.get(student);
        Arrangement bare = Arrangement.bare(music.get(tune), known.plays());
        library.people().learn(who, tunes.get(tune), rung);
        int first = daysAgo.length == 0 ? 2 : daysAgo[0] + 1;
        library.people().give(List.of(new Given(who, tunes.get(tune), library.tunes().current(tunes.get(tune)).id(), ago(first), "bare", bare.tempo().toString(), "sheet")));
        if (!plays.isEmpty()) {
            new DemoPasses(tunes.get(tune), bare, d -> ago(d).plus(Duration.ofMinutes(17L * student)))
                    .stretch(Standing.WHOLE, 0, Timeline.of(bare.tune()).size(), plays, passes, daysAgo).forEach(p -> log.add(p.by(Optional.of(who))));
        }
    }

    private Instant ago(int days) {
        return now.minus(Duration.ofDays(days));
    }

    private void meetings() {
        for (int week = 5; week >= 1; week--) {
            int missing = week % STUDENTS.size();
            List<Long> there = ids.stream().filter(i -> ids.indexOf(i) != missing).toList();
            library.people().meet(Meeting.of(ago(week * WEEK), 60, "lesson", music.get(week % 3).title(), week == 3 ? "rounds went well; rolls too early" : "", there));
        }
        library.people().meet(Meeting.of(ago(10), 120, "workshop", String.join("\n", music.subList(0, 4).stream().map(Tune::title).toList()), "in the lamp room, with the harbour players", ids));
    }
}
