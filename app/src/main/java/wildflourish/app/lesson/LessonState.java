package wildflourish.app.lesson;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.app.work.ClassBook;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.library.Meeting;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/**
 * What the lesson screen shows.
 *
 * @param offered the tunes that a lesson can take up: those that somebody learns, and the open one
 * @param who the ids of those who come
 * @param tunes the ids of its tunes, in the order in which they are to come
 * @param away ids of lines that the teacher has left away
 * @param plan empty until it is worked out
 * @param line the line in hand
 * @param held the id of the meeting under way in the room; 0 for none
 * @param meeting the id of the one in hand in the record; 0 for none
 */
public record LessonState(ClassBook book, List<TuneEntry> offered, Set<Long> who, List<Long> tunes, int minutes, Set<String> away, Optional<LessonPlan> plan, int line,
                          Mode mode, long held, long meeting) {

    /** What is looked at: the plan, the plan large and in the room, what was and is to come. */
    public enum Mode { PLAN, ROOM, RECORD }

    public LessonState {
        offered = List.copyOf(offered);
        who = Set.copyOf(who);
        tunes = List.copyOf(tunes);
        away = Set.copyOf(away);
    }

    static LessonState empty() {
        return new LessonState(ClassBook.EMPTY, List.of(), Set.of(), List.of(), 60, Set.of(), Optional.empty(), 0, Mode.PLAN, 0, 0);
    }

    /** Those who come, in the order of the class. */
    public List<Person> comers() {
        return book.people().stream().filter(p -> who.contains(p.id())).toList();
    }

    /** The line in hand. */
    public Optional<LessonPlan.Line> inHand() {
        return plan.filter(p -> line >= 0 && line < p.lines().size()).map(p -> p.lines().get(line));
    }

    /** A meeting of the record. */
    public Optional<Meeting> meeting(long id) {
        return book.meetings().stream().filter(m -> m.id() == id).findFirst();
    }

    /** The meetings, the latest first. */
    public List<Meeting> meetings() {
        return book.meetings().reversed();
    }

    LessonState with(ClassBook other, List<TuneEntry> shelf, Optional<Long> open) {
        List<TuneEntry> offer = shelf.stream().filter(t -> other.tunes().contains(t) || open.filter(o -> o == t.id()).isPresent()).toList();
        Set<Long> come = new TreeSet<>(who);
        if (book.people().isEmpty()) {
            other.people().forEach(p -> come.add(p.id()));
        }
        come.removeIf(id -> other.people().stream().noneMatch(p -> p.id() == id));
        List<Long> chosen = new ArrayList<>(tunes);
        chosen.removeIf(id -> offer.stream().noneMatch(t -> t.id() == id));
        if (chosen.isEmpty() && book.people().isEmpty()) {
            open.filter(o -> offer.stream().anyMatch(t -> t.id() == o)).ifPresent(chosen::add);
        }
        long first = other.meetings().isEmpty() ? 0 : other.meetings().getLast().id();
        long inHand = other.meetings().stream().anyMatch(m -> m.id() == meeting) ? meeting : first;
        return new LessonState(other, offer, come, chosen, minutes, away, plan, line, mode, held, inHand);
    }

    /** With other meetings in the same class. */
    LessonState with(ClassBook other) {
        return new LessonState(other, offered, who, tunes, minutes, away, plan, line, mode, held, meeting);
    }

    LessonState who(Set<Long> other) {
        return new LessonState(book, offered, other, tunes, minutes, away, plan, line, mode, held, meeting);
    }

    LessonState tunes(List<Long> other) {
        return new LessonState(book, offered, who, other, minutes, away, plan, line, mode, held, meeting);
    }

    LessonState minutes(int other) {
        return new LessonState(book, offered, who, tunes, other, away, plan, line, mode, held, meeting);
    }

    LessonState away(Set<String> other) {
        return new LessonState(book, offered, who, tunes, minutes, other, plan, line, mode, held, meeting);
    }

    LessonState with(Optional<LessonPlan> other) {
        int last = other.map(p -> p.lines().size() - 1).orElse(0);
        return new LessonState(book, offered, who, tunes, minutes, away, other, Math.clamp(line, 0, Math.max(0, last)), mode, held, meeting);
    }

    LessonState line(int other) {
        return new LessonState(book, offered, who, tunes, minutes, away, plan, other, mode, held, meeting);
    }

    LessonState mode(Mode other) {
        return new LessonState(book, offered, who, tunes, minutes, away, plan, line, other, held, meeting);
    }

    LessonState held(long id) {
        return new LessonState(book, offered, who, tunes, minutes, away, plan, line, mode, id, id == 0 ? meeting : id);
    }

    LessonState meetingInHand(long id) {
        return new LessonState(book, offered, who, tunes, minutes, away, plan, line, mode, held, id);
    }
}
