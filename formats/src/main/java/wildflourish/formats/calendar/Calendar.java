package wildflourish.formats.calendar;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;

/** Writes events as iCalendar (RFC 5545): times in UTC, lines folded at 75 octets, text escaped. */
public final class Calendar {

    private static final DateTimeFormatter UTC = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);
    private static final int OCTETS = 75;

    private Calendar() {}

    /**
     * One event.
     *
     * @param id the same for the same event whenever it is written again
     * @param minutes how long, 1 or more
     */
    public record Event(String id, Instant at, int minutes, String summary, String description) {}

    /** The calendar's text; {@code now} is when it was written. */
    public static String of(List<Event> events, Instant now) {
        StringBuilder text = new StringBuilder();
        line(text, "BEGIN:VCALENDAR");
        line(text, "VERSION:2.0");
        line(text, "PRODID:-//Wild Flourish//Lessons//EN");
        for (Event event : events) {
            line(text, "BEGIN:VEVENT");
            line(text, "UID:" + event.id());
            line(text, "DTSTAMP:" + UTC.format(now));
            line(text, "DTSTART:" + UTC.format(event.at()));
            line(text, "DURATION:PT%dM".formatted(event.minutes()));
            line(text, "SUMMARY:" + escaped(event.summary()));
            if (!event.description().isEmpty()) {
                line(text, "DESCRIPTION:" + escaped(event.description()));
            }
            line(text, "END:VEVENT");
        }
        line(text, "END:VCALENDAR");
        return text.toString();
    }

    private static String escaped(String text) {
        return text.replace("\\", "\\\\").replace(";", "\\;").replace(",", "\\,").replaceAll("\\R", "\\\\n");
    }

    /** A content line, folded so that no part of it is longer than it may be; no letter is torn. */
    private static void line(StringBuilder text, String content) {
        int octets = 0;
        for (int c : content.codePoints().toArray()) {
            String letter = Character.toString(c);
            int size = letter.getBytes(StandardCharsets.UTF_8).length;
            if (octets + size > OCTETS) {
                text.append("\r\n ");
                octets = 1;
            }
            text.append(letter);
            octets += size;
        }
        text.append("\r\n");
    }
}
