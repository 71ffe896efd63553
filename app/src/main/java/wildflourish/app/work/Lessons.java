package wildflourish.app.work;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import wildflourish.core.lesson.LessonPlan;
import wildflourish.core.lesson.LessonTune;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Library;
import wildflourish.library.Meeting;
import wildflourish.library.Person;

/** Lessons, put together from what the library has of the class. */
public final class Lessons {

    private Lessons() {}

    /**
     * Some tunes of the shelf as a lesson takes them up, with everybody who comes.
     *
     * @param tunes their ids, in the order in which they are to come
     * @param who at least one
     * @param stop ends it; what was read by then is given back
     */
    public static List<LessonTune> tunes(Library library, ClassBook book, List<Long> tunes, List<Person> who, BooleanSupplier stop) {
        Set<String> done = book.meetings().stream().flatMap(m -> m.lines().stream()).filter(l -> l.became() == Meeting.Became.DONE).map(Meeting.Line::line).collect(Collectors.toSet());
        List<LessonTune> all = new ArrayList<>();
        for (long id : tunes) {
            if (stop.getAsBoolean()) {
                return all;
            }
            Arrangement tune = ClassBook.arrangement(Documents.read(library.tunes().current(id).document()), who.getFirst().student());
            all.add(new LessonTune(tune, who.parallelStream().map(p -> taker(book, p, id, OwnVersion.of(p.student(), tune, tune.tempo()))).toList(), LessonTune.taught(tune, done)));
        }
        return all;
    }

    private static LessonTune.Taker taker(ClassBook book, Person person, long tune, OwnVersion own) {
        return book.line(person.id(), tune).map(l -> new LessonTune.Taker(own, l.standing(), l.next())).orElseGet(() -> LessonTune.beginner(own));
    }

    /** The lines of a plan as they are kept, nothing done yet. */
    public static List<Meeting.Line> lines(LessonPlan plan) {
        return plan.lines().stream().map(l -> new Meeting.Line(l.id(), l.tune().isEmpty() ? l.words() : "“%s”: %s".formatted(l.tune(), l.words()), l.minutes(), Meeting.Became.OPEN)).toList();
    }
}
