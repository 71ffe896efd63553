package wildflourish.app.work;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.finding.Sentence;
import wildflourish.core.lesson.PersonalCare;
import wildflourish.core.lesson.StudentYear;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;
import wildflourish.score.handout.YearPage;

/** Pages about one student of a class. */
public final class StudentPages {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

    private StudentPages() {}

    /** The year of a student up to a day, as PDF; what is for the teacher's eye only is not on it. */
    public static byte[] year(ClassBook book, Person person, LocalDate today, ZoneId zone) {
        LocalDate from = today.minusYears(1);
        Map<Long, String> titles = book.tunes().stream().collect(Collectors.toMap(TuneEntry::id, TuneEntry::title));
        List<String> tunes = book.lines().stream().filter(l -> l.person().equals(person))
                .map(l -> "%s: %s, %s; next: %s".formatted(l.tune().title(), l.where(), l.how(), l.next().inWords())).toList();
        List<String> came = book.meetings().stream().filter(m -> m.there().contains(person.id()) && m.at().atZone(zone).toLocalDate().isAfter(from))
                .map(m -> "%s, %s%s".formatted(m.at().atZone(zone).toLocalDate().format(DAY), m.kind(), m.titles().isEmpty() ? "" : ": " + String.join(", ", m.titles()))).toList();
        List<String> given = book.given().stream().filter(g -> g.student() == person.id() && g.at().atZone(zone).toLocalDate().isAfter(from))
                .map(g -> "%s: %s, %s, %s".formatted(g.at().atZone(zone).toLocalDate().format(DAY), g.what(), titles.getOrDefault(g.tune(), "a tune"), g.rung())).toList();
        String title = "%s, %s".formatted(person.student().name(), person.student().plays().spoken());
        return new YearPage(title, StudentYear.of(book.practised(person.id()), today, zone), List.of(new YearPage.Chapter("Tunes", tunes.stream().map(Sentence::full).toList()),
                new YearPage.Chapter("Came to", came), new YearPage.Chapter("Was given", given),
                new YearPage.Chapter("For the hands", PersonalCare.of(person.student(), book.practised(person.id()), today, zone)))).pdf();
    }
}
