package wildflourish.app.work;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.formats.calendar.Calendar;
import wildflourish.formats.csv.CsvTable;
import wildflourish.library.Given;
import wildflourish.library.Meeting;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/** The record of a class as files that other programs read: a table of what happened, and a calendar. */
public final class ClassRecord {

    private ClassRecord() {}

    /** Lessons, workshops and jams as an iCalendar file. */
    public static byte[] calendar(ClassBook book, Instant now) {
        return Calendar.of(book.meetings().stream().map(m -> new Calendar.Event("meeting-%d@wild-flourish".formatted(m.id()), m.at(), m.minutes(),
                m.kind() + (m.titles().isEmpty() ? "" : ": " + String.join(", ", m.titles())), m.remark())).toList(), now).getBytes(StandardCharsets.UTF_8);
    }

    /** Where everybody is, what was given out and who came, a row each, as CSV. */
    public static byte[] table(ClassBook book, ZoneId zone) {
        Map<Long, String> names = book.people().stream().collect(Collectors.toMap(Person::id, p -> p.student().name()));
        Map<Long, String> titles = book.tunes().stream().collect(Collectors.toMap(TuneEntry::id, TuneEntry::title));
        List<List<String>> rows = new ArrayList<>();
        for (ClassBook.Line l : book.lines()) {
            rows.add(List.of("learns", l.standing().last().map(Object::toString).orElse(""), l.person().student().name(), l.tune().title(), l.rungName(),
                    l.standing().reached().map(Object::toString).orElse(""), l.how(), l.next().inWords()));
        }
        for (Given g : book.given()) {
            rows.add(List.of("given", day(g.at(), zone), names.getOrDefault(g.student(), ""), titles.getOrDefault(g.tune(), ""), g.rung(), g.tempo(), g.what(), ""));
        }
        for (Meeting m : book.meetings()) {
            m.there().forEach(id -> rows.add(List.of(m.kind(), day(m.at(), zone), names.getOrDefault(id, ""), String.join("; ", m.titles()), "", "", "came", m.remark())));
            m.lines().forEach(l -> rows.add(List.of(m.kind() + " line", day(m.at(), zone), "", l.words(), "", "", l.became().name().toLowerCase(Locale.ROOT), "")));
        }
        return CsvTable.of(List.of("what", "day", "student", "tune", "rung", "tempo", "how", "remark"), rows).getBytes(StandardCharsets.UTF_8);
    }

    private static String day(Instant at, ZoneId zone) {
        return at.atZone(zone).toLocalDate().toString();
    }
}
