package wildflourish.app.lesson;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.lesson.LessonState.Mode;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.ClassRecord;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Lessons;
import wildflourish.app.work.Production;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.library.Meeting;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;
import wildflourish.library.WrittenFile;
import wildflourish.score.handout.LessonPage;

/** The lesson: planned anew whenever who comes, the tunes or the time change; what becomes of each line is kept at once. */
public final class LessonModel {

    private static final Background.Words NOT_READ = Background.Words.silent("the class could not be read; what is in the library is as it was");
    private static final Background.Words NOT_PLANNED = Background.Words.silent("the lesson could not be planned; the tunes are as they were");
    private static final Background.Words NOT_KEPT = Background.Words.silent("it could not be written down; try again");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE, d MMMM yyyy", Locale.UK);

    private final Keeper keeper;
    private final TrellisModel trellis;
    private final Background background;
    private final Production production;
    private final Consumer<String> say;
    private final Clock clock;
    private final ZoneId zone = ZoneId.systemDefault();
    private final ReadOnlyObjectWrapper<LessonState> state = new ReadOnlyObjectWrapper<>(LessonState.empty());

    private record Read(ClassBook book, List<TuneEntry> shelf) {}

    /** A model over a library. */
    public LessonModel(Keeper keeper, TrellisModel trellis, Background background, Production production, Consumer<String> say, Clock clock) {
        this.keeper = keeper;
        this.trellis = trellis;
        this.background = background;
        this.production = production;
        this.say = say;
        this.clock = clock;
    }

    /** What is shown. */
    public ReadOnlyObjectProperty<LessonState> state() {
        return state.getReadOnlyProperty();
    }

    private LessonState now() {
        return state.get();
    }

    private void set(LessonState next) {
        state.set(next);
    }

    /** Reads the class anew; a lesson that is not under way is planned anew with it. */
    void refresh() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        Optional<Long> open = trellis.isOpen() ? Optional.of(trellis.now().tune()) : Optional.empty();
        background.latest(this, NOT_READ, job -> keeper.ask(l -> ClassBook.of(l, today, zone, job::stopped).map(b -> new Read(b, l.tunes().all().read()))), read -> read.ifPresent(r -> {
            set(now().with(r.book, r.shelf, open));
            plan();
        }), () -> { });
    }

    /** Plans anew; a lesson that is under way stays as it was begun, for its lines are kept by their places. */
    private void plan() {
        LessonState asked = now();
        if (asked.held() != 0) {
            return;
        }
        List<Person> who = asked.comers();
        if (who.isEmpty() || asked.tunes().isEmpty()) {
            set(asked.with(Optional.empty()));
            return;
        }
        background.latest("lesson-plan", NOT_PLANNED, job -> keeper.ask(l -> {
            var tunes = Lessons.tunes(l, asked.book(), asked.tunes(), who, job::stopped);
            return job.stopped() ? Optional.<LessonPlan>empty() : Optional.of(LessonPlan.of(tunes, asked.minutes(), asked.away()));
        }), plan -> plan.filter(p -> now().held() == 0).ifPresent(p -> set(now().with(Optional.of(p)))), () -> { });
    }

    private void change(UnaryOperator<LessonState> change) {
        if (now().held() != 0) {
            say.accept("a lesson is under way: end it first");
            return;
        }
        set(change.apply(now()));
        plan();
    }

    /** How long it is, in minutes. */
    void setMinutes(int minutes) {
        if (minutes != now().minutes()) {
            change(s -> s.minutes(minutes));
        }
    }

    /** Somebody comes, or does not. In the record, who came is kept. */
    void setComes(long student, boolean comes) {
        if (now().mode() == Mode.RECORD) {
            now().meeting(now().meeting()).ifPresent(m -> {
                Set<Long> there = new LinkedHashSet<>(m.there());
                if (comes ? there.add(student) : there.remove(student)) {
                    keep(new Meeting(m.id(), m.at(), m.minutes(), m.kind(), m.tunes(), m.remark(), List.copyOf(there), m.lines()));
                }
            });
            return;
        }
        Set<Long> who = new LinkedHashSet<>(now().who());
        if (comes ? who.add(student) : who.remove(student)) {
            change(s -> s.who(who));
        }
    }

    /** A tune is taken up, as the last of them, or not. */
    void setTakenUp(long tune, boolean taken) {
        List<Long> tunes = new ArrayList<>(now().tunes());
        if (taken ? !tunes.contains(tune) && tunes.add(tune) : tunes.remove(tune)) {
            change(s -> s.tunes(tunes));
        }
    }

    /** Takes a line in hand. */
    public void select(int line) {
        if (line >= 0 && line != now().line()) {
            set(now().line(line));
        }
    }

    /** The line in hand is left away, and its time goes to something else. */
    void leaveAway() {
        now().inHand().ifPresent(l -> {
            Set<String> away = new LinkedHashSet<>(now().away());
            away.add(l.id());
            change(s -> s.away(away));
            say.accept("left away: %s; “all lines again” brings it back".formatted(l.words()));
        });
    }

    /** Nothing is left away any more. */
    void allAgain() {
        change(s -> s.away(Set.of()));
    }

    /** Looks at the plan, or at the record. */
    void show(Mode mode) {
        if (mode != now().mode()) {
            set(now().mode(mode));
        }
    }

    /** Begins the lesson in the room, or goes on with it: it is written down with who comes and every line. */
    public void begin() {
        if (now().held() != 0) {
            set(now().mode(Mode.ROOM));
            return;
        }
        Optional<LessonPlan> plan = now().plan();
        if (plan.isEmpty()) {
            say.accept("tick who comes and a tune first");
            return;
        }
        Meeting meeting = new Meeting(0, clock.instant(), now().minutes(), "lesson", titles(), "", now().comers().stream().map(Person::id).toList(), Lessons.lines(plan.get()));
        background.run(NOT_KEPT, job -> keeper.meet(meeting), id -> set(now().with(now().book().with(meeting.kept(id))).with(plan).held(id).line(0).mode(Mode.ROOM)));
    }

    private String titles() {
        return now().tunes().stream().flatMap(id -> now().offered().stream().filter(t -> t.id() == id)).map(TuneEntry::title).collect(Collectors.joining("\n"));
    }

    /** What became of the line in hand in the room; the next comes up, and after the last the lesson ends. */
    void became(Meeting.Became became) {
        LessonState s = now();
        if (s.held() == 0 || s.plan().isEmpty()) {
            return;
        }
        long held = s.held();
        int line = s.line();
        became(held, line, became);
        if (line + 1 < s.plan().get().lines().size()) {
            set(now().line(line + 1));
        } else {
            end();
        }
    }

    private void became(long meeting, int line, Meeting.Became became) {
        keeper.people("what became of a line of the lesson", p -> p.became(meeting, line, became));
        now().meeting(meeting).filter(m -> line >= 0 && line < m.lines().size()).ifPresent(m -> set(now().with(now().book().with(m.became(line, became)))));
    }

    /** Back to the line before. */
    void back() {
        set(now().line(Math.max(0, now().line() - 1)));
    }

    /** The room is left; the lesson goes on when it is entered again. */
    void leaveRoom() {
        set(now().mode(Mode.PLAN));
    }

    /** The lesson is over: the record shows what became of it. */
    public void end() {
        if (now().held() != 0) {
            set(now().held(0).mode(Mode.RECORD));
            say.accept("the lesson is written down");
            plan();
        }
    }

    /** Takes a meeting of the record in hand. */
    void selectMeeting(long id) {
        if (id != now().meeting()) {
            set(now().meetingInHand(id));
        }
    }

    /** What became of a line of the meeting in hand. */
    void mark(int line, Meeting.Became became) {
        now().meeting(now().meeting()).filter(m -> line >= 0 && line < m.lines().size()).ifPresent(m -> {
            became(m.id(), line, became);
            plan();
        });
    }

    /** Keeps a meeting; one that is known is changed here at once, so that the next change goes on from it. */
    private void keep(Meeting meeting) {
        if (meeting.id() == 0) {
            background.run(NOT_KEPT, job -> keeper.meet(meeting), id -> set(now().with(now().book().with(meeting.kept(id))).meetingInHand(id)));
        } else {
            keeper.people("what is known of a meeting", p -> p.meet(meeting));
            set(now().with(now().book().with(meeting)));
        }
    }

    /**
     * Writes down a meeting that was or that is to come, with those who are ticked and the tunes that are ticked.
     *
     * @throws IllegalArgumentException in the teacher's words, where the time makes no sense
     */
    void writeDown(String kind, String when, int minutes, String remark) {
        Instant at;
        try {
            at = LocalDateTime.parse(when.strip().replace(' ', 'T')).atZone(zone).toInstant();
        } catch (java.time.format.DateTimeParseException e) {
            throw new IllegalArgumentException("write the time as in 2026-12-03 19:00", e);
        }
        keep(Meeting.of(at, minutes, kind, titles(), remark.strip(), at.isAfter(clock.instant()) ? List.of() : now().comers().stream().map(Person::id).toList()));
        say.accept("the %s is written down".formatted(kind));
    }

    /** The next full hour of today, as it is typed. */
    String usualTime() {
        LocalDateTime here = LocalDateTime.ofInstant(clock.instant(), zone);
        return "%s %02d:00".formatted(here.toLocalDate(), Math.min(23, here.getHour() + 1));
    }

    /** Keeps what the teacher remarks on the meeting in hand. */
    void remark(String words) {
        now().meeting(now().meeting()).ifPresent(m -> keep(new Meeting(m.id(), m.at(), m.minutes(), m.kind(), m.tunes(), words.strip(), m.there(), m.lines())));
    }

    /** The meeting in hand was written down by mistake, or does not come about. */
    void removeMeeting() {
        now().meeting(now().meeting()).ifPresent(m -> {
            keeper.people("that a meeting is gone", p -> p.removeMeeting(m.id()));
            if (m.id() == now().held()) {
                set(now().held(0));
            }
            set(now().with(now().book().without(m.id())));
            set(now().meetingInHand(now().meetings().isEmpty() ? 0 : now().meetings().getFirst().id()));
            say.accept("the %s of %s is gone from the record".formatted(m.kind(), day(m.at())));
        });
    }

    String day(Instant at) {
        return LocalDate.ofInstant(at, zone).format(DAY);
    }

    /** When a line of the lesson under way is to be over, by the clock. */
    String until(LessonPlan.Line line) {
        return now().meeting(now().held()).map(m -> DateTimeFormatter.ofPattern("HH:mm").format(m.at().plusSeconds(60L * line.to()).atZone(zone))).orElse("");
    }

    /** Writes the plan's page. */
    public void writePage(Path file) {
        now().plan().ifPresent(p -> {
            List<String> names = now().comers().stream().map(w -> w.student().name()).toList();
            String title = day(clock.instant());
            production.personal(new WrittenFile(file, "plan of a lesson", Optional.empty(), clock.instant()), "the lesson's page", keeper, job -> new LessonPage(p, title, names).pdf());
        });
    }

    /** Writes lessons, workshops and jams as a calendar, or the whole record as a table, by the file's ending. */
    public void writeRecord(Path file) {
        ClassBook book = now().book();
        production.personal(new WrittenFile(file, "record of the class", Optional.empty(), clock.instant()), "the record", keeper, job -> file.toString().toLowerCase(Locale.ROOT).endsWith(".csv") ? ClassRecord.table(book, zone) : ClassRecord.calendar(book, clock.instant()));
    }
}
